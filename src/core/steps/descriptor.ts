import type * as v from 'valibot';
import type { Species } from '../species/species';
import type { Words } from '../words/message';
import type { Need, PailWish, Skill, StepFigure } from './types';

/** How a step is said; what is left out is plain work for everybody and all stems. */
export interface Said {
  readonly title: Words;
  readonly doneWord: Words;
  readonly figures?: readonly StepFigure[];
  readonly waitSeconds?: number;
  readonly who?: Skill | null;
  readonly needs?: readonly Need[];
  readonly risk?: Words;
  readonly caution?: Words | null;
  readonly pail?: PailWish;
  readonly stems?: Words;
}

/** Seconds of hands it takes: a stem, or a batch of stems at a time. */
export type Hands = { readonly aStemS: number } | { readonly batch: number; readonly aBatchS: number };

/** What of the bench one lot at a time has. */
export type Resource = 'sink' | 'kettle';

/** What may be told of how it really was done, where that was otherwise. */
export type Measure = 'tempC' | 'seconds' | 'cm' | 'hours';

/** A step that should be done before it, and what happens otherwise. */
export interface Follows {
  /** A kind of step; one that there is, held to by a test. */
  readonly kind: string;
  readonly says: Words;
}

type Params = Readonly<Record<string, v.GenericSchema>>;
export type ParamsIn<P extends Params> = { readonly [F in keyof P]: v.InferOutput<P[F]> };

/**
 * All there is to know of a kind of step, in one place: planner, bench card, protocol editor, rules
 * of order, *Next* and the published schema read it here. Nothing of it may be left out.
 */
export interface StepDescriptor<P extends Params> {
  readonly params: P;
  /** Work for hands or a wait by what it says; a look has an outcome instead. */
  readonly isLook: boolean;
  readonly hands: Hands;
  readonly uses: (params: ParamsIn<P>) => readonly Resource[];
  readonly follows: readonly Follows[];
  /** What it means to end its clock early; null where it may end when it ends. */
  readonly endedEarly: Words | null;
  /** What *Next* says while its clock runs; null for its title. */
  readonly whileItRuns: Words | null;
  /** Its clock begins when it is next, without a tap. */
  readonly beginsByItself: boolean;
  /** Once begun, the stems stand in water and whoever is free goes on with them. */
  readonly leavesHandsFree: boolean;
  /** While its clock runs the stems drink, though they stand in no pail yet. */
  readonly drinksMeanwhile: (params: ParamsIn<P>) => boolean;
  /** What stands behind its caution, on request. */
  readonly moreCaution: 'blade' | 'sap' | null;
  readonly measured: readonly Measure[];
  /** The stem is drawn with a mark where the blade goes. */
  readonly isDrawnCut: boolean;
  readonly says: (params: ParamsIn<P>, species: Species, depthCm: number) => Said;
}

/** Holds a descriptor to its own parameters. */
export const stepKind = <P extends Params>(descriptor: StepDescriptor<P>): StepDescriptor<P> => descriptor;

/** A kind whose end is tapped when it is done: it has no clock of its own. */
export const CLOCKLESS = {
  endedEarly: null,
  whileItRuns: null,
  beginsByItself: false,
  leavesHandsFree: false,
  drinksMeanwhile: () => false,
} as const;
export const NOTHING = (): readonly Resource[] => [];
