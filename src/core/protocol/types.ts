import type { FlawKind } from '../dock/flaws';
import type { Species } from '../species/species';
import type { Droop } from '../vase-life/types';
import type { Words } from '../words/message';
import type { StepKind, StepParams } from '../steps/steps';
import type { Need, PailWish, Skill, StepFigure } from '../steps/types';

export type { StepKind } from '../steps/steps';
export { NEEDS, SKILLS, type Need, type PailWish, type Skill, type StepFigure } from '../steps/types';

/** What a protocol is composed from: the lot as it came in. */
export interface LotState {
  readonly species: Species;
  readonly stage: number;
  readonly droop: Droop;
  readonly packing: string;
  /** Hours out of water before it is taken in hand. */
  readonly hoursDry: number;
  /** What was found wrong with it at the dock. */
  readonly flaws?: readonly FlawKind[];
}

/** Work of hands, a clock that runs by itself, or a look with an outcome. */
export const STEP_MODES = ['hands', 'wait', 'look'] as const;
export type StepMode = (typeof STEP_MODES)[number];

/** What put a step there or changed it. */
export const BECAUSE = ['species', 'state', 'house', 'purpose', 'equipment', 'own protocol'] as const;
export type Because = (typeof BECAUSE)[number];

/** One change to a species' plain step: from what, and why. */
export interface Change {
  readonly because: Exclude<Because, 'species'>;
  readonly says: Words;
}

export interface ProtocolStep {
  readonly kind: StepKind;
  readonly params: StepParams;
  /** The species' plain protocol has it, as it is or otherwise. */
  readonly isPlain: boolean;
  readonly mode: StepMode;
  /** What to do, as it is said at the bench. */
  readonly title: Words;
  readonly figures: readonly StepFigure[];
  readonly reason: Words;
  /** The last thing that put it there or changed it. */
  readonly because: Because;
  /** Every change to the species' plain step, in the order they were made. */
  readonly changes: readonly Change[];
  /** Which stems of the lot it is for. */
  readonly stems: Words;
  /** What whoever does it must have been shown; null where anybody may. */
  readonly who: Skill | null;
  readonly needs: readonly Need[];
  /** What can go wrong; null where nothing much can. */
  readonly risk: Words | null;
  /** What the button says once it is done or begun. */
  readonly doneWord: Words;
  readonly caution: Words | null;
  /** Clock of a wait in seconds; 0 for work of hands. */
  readonly waitSeconds: number;
  /** Water it stands in, where the step puts it into a pail. */
  readonly pail: PailWish | null;
}
