import type { Habit } from '@/core/species/species';
import type { Difference } from '@/core/protocol/compare';
import type { OutOfOrder } from '@/core/protocol/in-order';
import type { Purpose } from '@/core/protocol/ways';
import type { Skill } from '@/core/protocol/types';
import type { Droop } from '@/core/vase-life/types';
import type { Foods } from '@/core/water/food';
import type { PailShape } from '@/core/water/pail-shape';
import type { SolutionKey } from '@/core/water/solutions';
import type { StepRow } from '@/data/steps';
import type { Words } from '@/core/words/message';
import type { Spoken } from '@/core/words/say';

export interface PailChoice {
  readonly id: string;
  readonly name: string;
  readonly shape: PailShape;
  /** What goes into it by its shape, for the depth the step asks; of water that stands in it, what is in it. */
  readonly litres: number;
  readonly depthCm: number;
  /** Stems of this kind it has room for. */
  readonly holds: number;
  /** Water of a like lot stands in it already. */
  readonly shares: boolean;
  /** Turned over so lately that its film has not drained. */
  readonly isStillWet: boolean;
}

/** One of the pails that stems are dealt into. */
export interface PailShareView {
  readonly id: string;
  readonly name: string;
  readonly stems: number;
  readonly litres: number;
}

/** Another step of the lot that may be done first, with what is said against it. */
export interface OtherStep {
  readonly id: string;
  readonly title: Words;
  readonly against: OutOfOrder | null;
  readonly needsPail: boolean;
}

/** A lot that waits for the very same step. */
export interface Batched {
  readonly stepId: string;
  readonly lotLabel: string;
  readonly name: string;
  readonly stems: number;
}

/** Somebody at the bench, and what they may do. */
export interface CardHands {
  readonly personId: string;
  readonly name: string;
  /** What the step wants and these hands were not shown; null where they may. */
  readonly unshown: Skill | null;
  /** Who may stand beside them. */
  readonly beside: readonly { readonly id: string; readonly name: string }[];
  readonly hasKnife: boolean;
}

/** One lot in hand: the step, and what follows it. */
export interface BenchCardDraft {
  readonly hands: CardHands;
  readonly portionId: string;
  readonly lotId: string;
  /** Its lot’s number, and its own where there are several portions. */
  readonly lotLabel: string;
  readonly name: string;
  readonly variety: string | null;
  readonly stems: number;
  readonly habit: Habit;
  readonly colour: string | null;
  readonly stage: number;
  readonly droop: Droop;
  readonly pail: string | null;
  readonly purpose: Purpose;
  readonly eventOn: string | null;
  readonly isSapOpen: boolean;
  /** A cut opens its sap. */
  readonly bleeds: boolean;
  readonly step: Pick<StepRow, 'id' | 'kind' | 'step' | 'status'> & { readonly dueAt: number | null };
  readonly then: readonly Words[];
  /** What stands behind the step's caution, on request. */
  readonly moreCaution: Words | null;
  readonly stepNo: number;
  readonly stepCount: number;
  readonly pails: readonly PailChoice[];
  /** Where no single pail holds them: how they are dealt out, to be taken in one tap. */
  readonly dealt: readonly PailShareView[];
  readonly others: readonly OtherStep[];
  readonly also: readonly Batched[];
  readonly differences: readonly Difference[];
  /** Lots that follow for these hands. */
  readonly next: readonly string[];
  /** What its water is fed with, as the shop told it; nothing where it told nothing, or it is no food. */
  readonly foods: Foods;
  readonly solution: SolutionKey;
  /** The house's way with the film, and whether what is poured is acid. */
  readonly film: 'by-sum' | 'leave' | 'rinse';
  readonly isAcid: boolean;
}

/** The card in the words of whoever reads it. */
export type BenchCard = Spoken<BenchCardDraft>;
