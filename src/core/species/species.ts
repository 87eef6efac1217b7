import table from './species-table.json';
import { opensInVase } from './opening';
import type { Trait } from './traits';

export { opensInVase };

export type FoodKind = 'standard' | 'bulb' | 'holding' | 'none';
export type Habit = 'cup' | 'disc' | 'spike' | 'spray' | 'trumpet' | 'ball' | 'blade' | 'branch';
export type Role = 'focal' | 'line' | 'filler' | 'foliage';
export type FirstDrink = 'cold' | 'tepid' | 'warm' | 'hot-dip';
export type Depth = 'shallow' | 'third' | 'normal' | 'deep';
export type Foliage = 'waterline' | 'lower-two' | 'bare' | 'bare-or-keep' | 'late' | 'none';
export type Sap = 'none' | 'mucilage' | 'latex';
export type Misting = 'yes' | 'no' | 'house' | 'wrap';
export type Build = 'woody' | 'hollow' | 'fleshy' | 'herbaceous';

/**
 * What the model and the protocols know of one species. `basis` says how far to trust the
 * figures: `trade` is widely repeated guidance, `practice` is what working florists do.
 */
export interface Species {
  readonly key: string;
  readonly name: string;
  readonly botanical: string;
  readonly role: Role;
  readonly habit: Habit;
  /** Sprays, spikes and many-budded stems: an open head has used less of the stem's life. */
  readonly headsOpenInTurn: boolean;
  /** Median days presentable at 20 °C, 60 % RH, clean plain water, from the ideal arrival stage. */
  readonly lifeDays20C: number;
  /** Log-normal spread of life between stems of one lot. */
  readonly lifeSpread: number;
  readonly foodGain: number;
  readonly foodKind: FoodKind;
  readonly q10: number;
  /** Sensitivity to ethylene: 0 none to 3 severe. */
  readonly ethylene: number;
  /** Injured below this (°C); null where cold does no harm. */
  readonly chillBelowC: number | null;
  readonly storeMinC: number;
  readonly storeMaxC: number;
  readonly storeHumidityPct: number;
  /** Hours out of water at 20 °C, 60 % RH after which uptake is clearly impaired. */
  readonly dryHours: number;
  readonly leafiness: number;
  readonly plug: number;
  /** Days at 20 °C from the ideal arrival stage to fully open; 0 where it opens no further. */
  readonly openDays20C: number;
  readonly opensAfterCut: boolean;
  readonly arriveStage: string;
  readonly endMode: string;
  readonly firstDrink: FirstDrink;
  readonly depth: Depth;
  readonly cutCm: number;
  readonly foliage: Foliage;
  readonly sap: Sap;
  readonly mist: Misting;
  readonly leadDays: number;
  readonly gramsPerStem: number | null;
  readonly stemMm: number;
  readonly build: Build;
  readonly pets: string;
  readonly skin: string;
  readonly notOnFood: string;
  readonly hotDipC: number | null;
  readonly hotDipS: number | null;
  /** Longest its own water may serve, h, whatever the count; null where the count alone decides. */
  readonly waterMostH: number | null;
  /** What rules may ask of it, see `traits`. */
  readonly traits: readonly Trait[];
  readonly basis: 'trade' | 'practice';
}

/** Every species the product ships with, in the table's order. */
export const SPECIES: readonly Species[] = table as readonly Species[];

/** What is shown before somebody chose one: the table's first. */
export const FIRST_SPECIES = SPECIES[0] as Species;

/** The stage a buyer wants to see on arrival (0 tight to 1 fully open). */
export function idealArrivalStage(species: Species): number {
  return opensInVase(species) ? 0.2 : 0.9;
}
