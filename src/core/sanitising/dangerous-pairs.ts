import { SOLUTIONS, type SolutionKey } from '../water/solutions';
import { m, type Message } from '../words/message';

/** Chlorine fumes off water that is warmer than a tap's cold, °C. */
const TOO_WARM_C = 30;
/** Water that has chlorine poured into it by a hand. */
const CHLORINATED: readonly SolutionKey[] = ['bleach'];
/** Words of products that make poisonous gas with chlorine, or are no chlorine at all. */
const NEVER_WITH = /vinegar|vinagre|amm?onia|amon[ií]aco|citric|cítrico|descal/i;
/** Acids, but for those that are chlorine themselves. */
const AN_ACID = /acid\b|ácido/i;
const IS_CHLORINE = /hypochlor|hipoclor|isocyanur|isocianúr/i;

/** What chlorine would meet. */
export interface Meets {
  /** Of the water it goes into, °C; cold where it is not told. */
  readonly tempC?: number | null;
  /** What stood in the pail last and is on its walls still; null where that was scrubbed off, or nothing did. */
  readonly onWalls?: SolutionKey | null;
  /** What it is called that goes in, or with it. */
  readonly product?: string;
}

/** Why chlorine must not meet that, said to whoever is about to; null where nothing stands against it. */
export function whyNotWithChlorine({ tempC, onWalls, product }: Meets): Message | null {
  const isAcid = (name: string): boolean => AN_ACID.test(name) && !IS_CHLORINE.test(name);
  if (product !== undefined && (NEVER_WITH.test(product) || isAcid(product)))
    return m('danger.chlorine-product');
  if (onWalls && SOLUTIONS[onWalls].acid > 0) return m('danger.chlorine-acid');
  if (tempC !== null && tempC !== undefined && tempC > TOO_WARM_C) return m('danger.chlorine-hot');
  return null;
}

/** The same for a pail that is to be filled with a solution. */
export const whyNotFilled = (solution: SolutionKey, meets: Meets): Message | null =>
  CHLORINATED.includes(solution) ? whyNotWithChlorine(meets) : null;
