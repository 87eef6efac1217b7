import type { Species } from '../species/species';

/** What a temperature taken at the dock says. */
export interface TemperatureWord {
  readonly words: string;
  /** Out of what its supplier should have kept: evidence for a claim. */
  readonly isGrave: boolean;
}

const REFERENCE_C = 20;
/** Above its store by more than this a box has been warm (estimate: a door left open warms it by less). */
const WARM_ABOVE_STORE_C = 6;
/** Water of a wet pack above this breeds what plugs stems (estimate). */
const WARM_WATER_C = 15;

/** Days of life at 20 °C a stem spends in a day at that temperature. */
export function daysUsedPerDay(species: Pick<Species, 'q10'>, tempC: number): number {
  return species.q10 ** ((tempC - REFERENCE_C) / 10);
}

/**
 * What a box's temperature means for the species in it: chilled below what it bears, warm well
 * above what it is kept at, and how much faster it then ages than in its store.
 */
export function boxTemperature(species: Species, tempC: number): TemperatureWord {
  if (species.chillBelowC !== null && tempC < species.chillBelowC)
    return {
      words: `box at ${tempC} °C: it is injured below ${species.chillBelowC} °C. Look for dark, glassy spots`,
      isGrave: true,
    };
  if (tempC < -0.5) return { words: `box at ${tempC} °C: frozen. Look for glassy petals`, isGrave: true };
  if (tempC <= species.storeMaxC + WARM_ABOVE_STORE_C)
    return { words: `box at ${tempC} °C: as it should be`, isGrave: false };
  const faster = daysUsedPerDay(species, tempC) / daysUsedPerDay(species, species.storeMaxC);
  return {
    words: `box at ${tempC} °C: it ages ${faster.toFixed(1)} times as fast as at ${species.storeMaxC} °C. Ask for the logger`,
    isGrave: true,
  };
}

/** What the water of a wet pack says. */
export function packWaterTemperature(tempC: number): TemperatureWord {
  return tempC > WARM_WATER_C
    ? { words: `pack water at ${tempC} °C: warm water is old water. Recut, fresh pail`, isGrave: false }
    : { words: `pack water at ${tempC} °C: fresh enough`, isGrave: false };
}
