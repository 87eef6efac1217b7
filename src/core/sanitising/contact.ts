import {
  CHLORINE_LOSS_PER_MIN,
  DEMAND_MG_PER_10_L,
  KILL_PER_PPM_MIN,
  UNSCRUBBED_KILL_SHARE,
  type Dirt,
} from './figures';

/** A pail as it comes to be sanitised. */
export interface DirtyPail {
  readonly litres: number;
  readonly dirt: Dirt;
  /** Slime that is still on the wall; every pail is scrubbed first where it is not said. */
  readonly isScrubbed: boolean;
}

/** A shop's own demand, mg for the wall of 10 L, in the place of the table's. */
export type Demand = Readonly<Record<Dirt, number>>;

/** Free chlorine a pail's wall takes up, mg; a larger pail has more of it. */
export function demandMg({ litres, dirt }: DirtyPail, demand: Demand = DEMAND_MG_PER_10_L): number {
  return (demand[dirt] * litres) / 10;
}

/** Free chlorine after some minutes on walls that take up so much of it: C·exp(−k·t) − demand, never under none. */
export function chlorineAfter(ppm: number, minutes: number, demandPpm: number): number {
  return Math.max(0, ppm * Math.exp(-CHLORINE_LOSS_PER_MIN * minutes) - demandPpm);
}

/** The running mean of free chlorine over some minutes, what the wall takes being taken evenly. */
export function meanChlorine(ppm: number, minutes: number, demandPpm: number): number {
  if (minutes <= 0) return ppm;
  const k = CHLORINE_LOSS_PER_MIN * minutes;
  const decayed = (ppm * (1 - Math.exp(-k))) / k;
  const end = ppm * Math.exp(-k) - demandPpm;
  if (end >= 0) return decayed - demandPpm / 2;
  // It ran out on the way: nothing after that, and about a triangle before.
  const share = (ppm * Math.exp(-k)) / demandPpm;
  return (ppm / 2) * share;
}

/** log10 of bacteria killed by a contact: k · C̄ · t (Chick–Watson; k is an estimate). */
export function logReduction(meanPpm: number, contactMin: number, isScrubbed = true): number {
  return KILL_PER_PPM_MIN * (isScrubbed ? 1 : UNSCRUBBED_KILL_SHARE) * meanPpm * contactMin;
}
