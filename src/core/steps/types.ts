import type { Depth } from '../species/species';
import type { SolutionKey } from '../water/solutions';
import type { Words } from '../words/message';

/** What somebody must have been shown before they do a thing alone. */
export const SKILLS = ['knife', 'secateurs', 'hot water'] as const;
export type Skill = (typeof SKILLS)[number];

export const NEEDS = [
  'kettle',
  'thermometer',
  'secateurs',
  'hydrating dip',
  'grid',
  'cold room',
  'tropical shelf',
] as const;
/** What a step cannot be done without. */
export type Need = (typeof NEEDS)[number];

/** A number a hand needs, with its unit and what it is of. */
export interface StepFigure {
  readonly value: Words;
  readonly of: Words;
  /** How the figure is drawn: a beaker to that depth, a thermometer word, a length, a clock. */
  readonly drawn: 'depth' | 'warmth' | 'length' | 'time' | 'dose';
  /** Depth as a share of a deep pail, or °C, for the drawing. */
  readonly level: number;
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
