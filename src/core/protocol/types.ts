import type { FlawKind } from '../dock/flaws';
import type { Depth, Species } from '../species/species';
import type { Droop } from '../vase-life/types';
import type { SolutionKey } from '../water/solutions';

/** What a protocol is composed from: the lot as it came in. */
export interface LotState {
  readonly species: Species;
  readonly stage: number;
  readonly droop: Droop;
  readonly packing: string;
  readonly hoursDry: number;
  /** What was found wrong with it at the dock. */
  readonly flaws?: readonly FlawKind[];
}

/** A deed, a wait or a look; a wait has minutes on its clock. */
export type StepKind =
  | 'unpack'
  | 'discard'
  | 'rinse'
  | 'strip'
  | 'thorns'
  | 'wrap'
  | 'cut'
  | 'hot-dip'
  | 'quick-dip'
  | 'fill-stem'
  | 'plunge'
  | 'lift-florets'
  | 'sap-soak'
  | 'sap-dab'
  | 'drink'
  | 'grid'
  | 'mist'
  | 'guard-petals'
  | 'de-pollen'
  | 'look-back'
  | 'move';

export type StepMode = 'hands' | 'wait' | 'look';

/** Why a step stands in this protocol: the species asks it, or the state it came in, or the house. */
export type Because = 'species' | 'state' | 'house';

/** A number a hand needs, with its unit and what it is of. */
export interface StepFigure {
  readonly value: string;
  readonly of: string;
  /** How the figure is drawn: a beaker to that depth, a thermometer word, a length, a clock. */
  readonly drawn: 'depth' | 'warmth' | 'length' | 'time' | 'dose';
  /** Depth as a share of a deep pail, or °C, for the drawing. */
  readonly level: number;
}

export interface ProtocolStep {
  readonly kind: StepKind;
  readonly mode: StepMode;
  /** What to do, as it is said at the bench. */
  readonly title: string;
  readonly figures: readonly StepFigure[];
  readonly reason: string;
  readonly because: Because;
  /** What the button says once it is done or begun. */
  readonly doneWord: string;
  readonly caution: string | null;
  /** Clock of a wait in seconds; 0 for a deed. */
  readonly waitSeconds: number;
  /** Water it stands in, where the step puts it into a pail. */
  readonly pail: PailWish | null;
}

/** The water a step asks for. */
export interface PailWish {
  readonly solution: SolutionKey;
  readonly tempC: number;
  readonly depthCm: number;
  readonly depth: Depth;
  /** Nothing else may stand in it. */
  readonly alone: boolean;
}
