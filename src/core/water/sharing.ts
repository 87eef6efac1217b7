import { warmthWord } from '../steps/figures';
import type { Species } from '../species/species';
import type { Droop } from '../vase-life/types';
import type { PailWish } from '../protocol/types';

/** Share of its life at which a flower gives off gas that ages its neighbours (estimate). */
const GASES_FROM_LIFE_USED = 0.75;
const FULLY_OPEN = 1;
/** Sensitivity to ethylene (0 to 3) from which a neighbour's gas is felt. */
const MARKED_ETHYLENE = 2;

/** Stems as those who would share their water see them. */
export interface Sharer {
  readonly lotId: string;
  readonly species: Species;
  /** It was cut and has not soaked: its sap runs. */
  readonly sapRuns: boolean;
  readonly droop: Droop;
  /** Its step asks for a water of its own, or the water it stands in was poured so. */
  readonly isApart: boolean;
  readonly isMouldy: boolean;
  /** 0 tight, 1 fully open, more where it goes over. */
  readonly stage: number;
  readonly agedDays: number;
}

/** Why two may not stand in one water; the first that holds, gravest first. */
export type WhyApart = 'sap' | 'mould' | 'hanging' | 'gas' | 'reserved' | 'solution' | 'depth' | 'warmth';

/** What each reason is, for whoever asks. */
export const APART_WORDS: Readonly<Record<WhyApart, string>> = {
  sap: 'sap that still runs shares water with its own kind alone',
  mould: 'grey mould goes on to whatever stands beside it',
  hanging: 'what hangs stands apart, with its own kind that hangs',
  gas: 'one that is going over gives off gas, and the other does not bear it',
  reserved: 'that water was poured for stems that stand apart',
  solution: 'they want different things in their water',
  depth: 'they stand in different depths of water',
  warmth: 'one wants warmer water than the other',
};

/** Whether it gives off gas that ages its neighbours: going over, mouldy, or near its end. */
export function givesGas({ species, stage, isMouldy, agedDays }: Sharer): boolean {
  return stage > FULLY_OPEN || isMouldy || agedDays > GASES_FROM_LIFE_USED * species.lifeDays20C;
}

const gasses = (a: Sharer, b: Sharer): boolean =>
  givesGas(a) && a.species.key !== b.species.key && b.species.ethylene >= MARKED_ETHYLENE;

const isEither = (a: Sharer, b: Sharer, is: (one: Sharer) => boolean): boolean => is(a) || is(b);
const isHanging = ({ droop }: Sharer): boolean => droop === 'hanging';

/** Whether what is set apart may stand with the other: its own kind, set apart as it is, and in one state. */
const arePeers = (a: Sharer, b: Sharer): boolean =>
  a.species.key === b.species.key && a.isApart && b.isApart && a.droop === b.droop;

/**
 * Why stems may not stand beside one another in any water; null where they may. Stems of one lot
 * always may. Two ways round it is the same.
 */
export function whyNotBeside(a: Sharer, b: Sharer): WhyApart | null {
  if (a.lotId === b.lotId) return null;
  const isOneKind = a.species.key === b.species.key;
  if (a.sapRuns !== b.sapRuns || (a.sapRuns && !isOneKind)) return 'sap';
  if (isEither(a, b, (one) => one.isMouldy)) return 'mould';
  if (isEither(a, b, (one) => one.isApart) && !arePeers(a, b))
    return isEither(a, b, isHanging) ? 'hanging' : 'reserved';
  return gasses(a, b) || gasses(b, a) ? 'gas' : null;
}

type Water = Pick<PailWish, 'solution' | 'depth' | 'tempC'>;

/** Waters of one name are one water: what is in it, how deep, how warm. */
export const waterName = ({ solution, depth, tempC }: Water): string =>
  `${solution}, ${depth}, ${warmthWord(tempC)}`;

/** Why two waters are not one; null where they are. */
export function whyNotOneWater(a: Water, b: Water): WhyApart | null {
  if (a.solution !== b.solution) return 'solution';
  if (a.depth !== b.depth) return 'depth';
  return warmthWord(a.tempC) === warmthWord(b.tempC) ? null : 'warmth';
}

/**
 * Why stems that want a water may not go into one that stands in a pail; null where they may. Stems
 * go to their own lot, and what bleeds to its own kind, whatever was poured there.
 * @param mates what stands in it
 */
export function whyNotInto(
  one: Sharer,
  wish: Water,
  water: PailWish,
  mates: readonly Sharer[],
): WhyApart | null {
  for (const mate of mates) {
    const why = whyNotBeside(one, mate);
    if (why) return why;
  }
  if (mates.length > 0 && mates.every((m) => m.lotId === one.lotId)) return null;
  if (one.sapRuns && mates.length > 0) return null;
  if (water.alone && mates.length === 0) return 'reserved';
  return whyNotOneWater(wish, water);
}
