import { SOLUTIONS, type SolutionKey } from './solutions';

/** How clean the vessel was when water first went in. */
export type VesselStart = 'clean' | 'rinsed' | 'reused';

/** Water in one vessel. Bacteria are log10 CFU/mL; biocide is the share of a full dose still working. */
export interface VesselWater {
  readonly bacteriaLog10: number;
  readonly biocide: number;
  readonly solution: SolutionKey;
  readonly freeChlorinePpm: number;
}

export const START_BACTERIA_LOG10: Readonly<Record<VesselStart, number>> = {
  clean: 3.3,
  rinsed: 5,
  reused: 6.5,
};
const CEILING_LOG10 = 8.3;
const CHANGE_REMOVES_LOG10 = 1.5;
const BIOCIDE_HALF_LIFE_H = 240;
/** Past this, water shows cloudy and stems plainly drink less. */
export const DUE_FOR_CHANGE_LOG10 = 6.5;

/** Fresh water in a vessel that stood as `start`. */
export function freshWater(start: VesselStart, solution: SolutionKey, freeChlorinePpm = 0): VesselWater {
  return {
    bacteriaLog10: START_BACTERIA_LOG10[start],
    biocide: SOLUTIONS[solution].biocide,
    solution,
    freeChlorinePpm,
  };
}

/** Tipped out and filled anew, the vessel itself only rinsed with the change. */
export function changeWater(water: VesselWater, solution: SolutionKey): VesselWater {
  return {
    bacteriaLog10: Math.max(START_BACTERIA_LOG10.clean, water.bacteriaLog10 - CHANGE_REMOVES_LOG10),
    biocide: SOLUTIONS[solution].biocide,
    solution,
    freeChlorinePpm: 0,
  };
}

/**
 * The water an hour later: a logistic law in log10 CFU/mL, faster when warm, slowed by biocide,
 * fed by sugar and by leaf under the water. Constants are estimates.
 * @param tempC water temperature
 * @param leafBelow green matter under the waterline, 0 to 1
 */
export function waterAnHourLater(water: VesselWater, tempC: number, leafBelow: number): VesselWater {
  const warmth = (Math.max(0, tempC + 3) / 23) ** 2;
  const food = 1 + leafBelow + 0.8 * SOLUTIONS[water.solution].sugar;
  const kill = water.freeChlorinePpm > 0.3 ? 0.25 * Math.min(1, water.freeChlorinePpm / 2) : 0;
  const growth =
    0.08 * warmth * (1 - 0.85 * water.biocide) * food * (1 - water.bacteriaLog10 / CEILING_LOG10);
  return {
    bacteriaLog10: Math.max(0, water.bacteriaLog10 + growth - kill),
    biocide: water.biocide * 0.5 ** (2 ** ((tempC - 20) / 10) / BIOCIDE_HALF_LIFE_H),
    solution: water.solution,
    freeChlorinePpm: water.freeChlorinePpm / 4,
  };
}

/** What an eye sees in water of that count. */
export function clarity(bacteriaLog10: number): 'clear' | 'hazy' | 'cloudy' {
  if (bacteriaLog10 < 5.5) return 'clear';
  return bacteriaLog10 < DUE_FOR_CHANGE_LOG10 ? 'hazy' : 'cloudy';
}

/**
 * Hours until the predicted count passes the limit at which water is due for a change;
 * null when it will not within sixty days.
 */
export function hoursUntilDue(water: VesselWater, tempC: number, leafBelow: number): number | null {
  let ahead = water;
  for (let hour = 0; hour <= 60 * 24; hour++) {
    if (ahead.bacteriaLog10 >= DUE_FOR_CHANGE_LOG10) return hour;
    ahead = waterAnHourLater(ahead, tempC, leafBelow);
  }
  return null;
}

/** The house's own longest use of water, hours, whatever the count: the stricter of the two wins. */
export function houseLimitHours(solution: SolutionKey, holdsLilies: boolean): number {
  if (!SOLUTIONS[solution].isFood) return 48;
  return holdsLilies ? 72 : 96;
}
