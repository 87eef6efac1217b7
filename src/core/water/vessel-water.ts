import { SHIPPED, type Figures } from '../model/figures';
import type { SolutionKey } from './solutions';

/** How clean the vessel was when water first went in. */
export const VESSEL_STARTS = ['clean', 'rinsed', 'reused'] as const;
export type VesselStart = (typeof VESSEL_STARTS)[number];

/** Water in one vessel. Bacteria are log10 CFU/mL; biocide is the share of a full dose still working. */
export interface VesselWater {
  readonly bacteriaLog10: number;
  readonly biocide: number;
  readonly solution: SolutionKey;
  readonly freeChlorinePpm: number;
  /** Share of its dose of sugar, acid and the rest that topping up has left: 1 as it was made. */
  readonly dose: number;
}

/** Past this, water shows cloudy and stems plainly drink less. */
export const DUE_FOR_CHANGE_LOG10 = 6.5;

function startBacteriaLog10(start: VesselStart, { constants }: Figures): number {
  if (start === 'clean') return constants.startCleanLog10;
  return start === 'rinsed' ? constants.startRinsedLog10 : constants.startReusedLog10;
}

/** Fresh water in a vessel that stood as `start`. */
export function freshWater(
  start: VesselStart,
  solution: SolutionKey,
  freeChlorinePpm = 0,
  figures: Figures = SHIPPED,
): VesselWater {
  return {
    bacteriaLog10: startBacteriaLog10(start, figures),
    biocide: figures.solutions[solution].biocide,
    solution,
    freeChlorinePpm,
    dose: 1,
  };
}

/**
 * Tipped out and filled anew: what rides on the stems and the walls comes along.
 * @param start how clean the vessel is that it goes into: no water in it begins below that
 */
export function changeWater(
  water: VesselWater,
  solution: SolutionKey,
  figures: Figures = SHIPPED,
  start: VesselStart = 'clean',
): VesselWater {
  const { changeRemovesLog10 } = figures.constants;
  return {
    bacteriaLog10: Math.max(startBacteriaLog10(start, figures), water.bacteriaLog10 - changeRemovesLog10),
    biocide: figures.solutions[solution].biocide,
    solution,
    freeChlorinePpm: 0,
    dose: 1,
  };
}

/** Topped up with plain water: what is left of the dose. Bacteria ride on stems and walls and are not thinned. */
export function thinnedWater(water: VesselWater, left: number): VesselWater {
  return {
    bacteriaLog10: water.bacteriaLog10,
    biocide: water.biocide * left,
    solution: water.solution,
    freeChlorinePpm: water.freeChlorinePpm,
    dose: water.dose * left,
  };
}

/** What a temperature does to water, worked out once for as long as it holds. */
export interface WaterWarmth {
  readonly tempC: number;
  readonly growth: number;
  readonly biocideRetained: number;
}

/** The hourly rates of water at a temperature. */
export function waterWarmth(tempC: number, { constants }: Figures = SHIPPED): WaterWarmth {
  const { bacteriaZeroTempC, biocideHalfLifeH, referenceTempC } = constants;
  return {
    tempC,
    growth: (Math.max(0, tempC - bacteriaZeroTempC) / (referenceTempC - bacteriaZeroTempC)) ** 2,
    biocideRetained: 0.5 ** (2 ** ((tempC - referenceTempC) / 10) / biocideHalfLifeH),
  };
}

/**
 * The water an hour later: a logistic law in log10 CFU/mL, faster when warm, slowed by biocide,
 * fed by sugar and by leaf under the water. Constants are estimates.
 * @param leafBelow green matter under the waterline, 0 to 1
 */
export function waterAfterHour(
  water: VesselWater,
  warmth: WaterWarmth,
  leafBelow: number,
  { constants, solutions }: Figures = SHIPPED,
): VesselWater {
  const { bacteriaPerHour, bacteriaHeldByBiocide, bacteriaFedBySugar, bacteriaCeilingLog10 } = constants;
  const kill =
    water.freeChlorinePpm > constants.chlorineFloorPpm
      ? constants.chlorineKillPerHour * Math.min(1, water.freeChlorinePpm / 2)
      : 0;
  const growth =
    bacteriaPerHour *
    warmth.growth *
    (1 - bacteriaHeldByBiocide * water.biocide) *
    (1 + leafBelow + bacteriaFedBySugar * solutions[water.solution].sugar * water.dose) *
    (1 - water.bacteriaLog10 / bacteriaCeilingLog10);
  return {
    bacteriaLog10: Math.max(0, water.bacteriaLog10 + growth - kill),
    biocide: water.biocide * warmth.biocideRetained,
    solution: water.solution,
    freeChlorinePpm: water.freeChlorinePpm / 4,
    dose: water.dose,
  };
}

/** The water an hour later at that temperature of the water. */
export function waterAnHourLater(water: VesselWater, tempC: number, leafBelow: number): VesselWater {
  return waterAfterHour(water, waterWarmth(tempC), leafBelow);
}

/**
 * Hours until the predicted count passes the limit at which water is due for a change;
 * null when it will not within sixty days.
 */
export function hoursUntilDue(water: VesselWater, tempC: number, leafBelow: number): number | null {
  const warmth = waterWarmth(tempC);
  let ahead = water;
  for (let hour = 0; hour <= 60 * 24; hour++) {
    if (ahead.bacteriaLog10 >= DUE_FOR_CHANGE_LOG10) return hour;
    ahead = waterAfterHour(ahead, warmth, leafBelow);
  }
  return null;
}
