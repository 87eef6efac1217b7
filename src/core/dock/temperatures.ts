import type { Species } from '../species/species';
import { m, type Message } from '../words/message';

/** What a temperature taken at the dock says. */
export interface TemperatureWord {
  readonly words: Message;
  /** Out of what its supplier should have kept: evidence for a claim. */
  readonly isGrave: boolean;
}

const REFERENCE_C = 20;
/** Above its store by more than this a box has been warm (estimate: a door left open warms it by less). */
const WARM_ABOVE_STORE_C = 6;
/** Below this what stands in a box freezes (estimate: sap holds out to half a degree under). */
const FROZEN_C = -0.5;
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
  const { chillBelowC: belowC, storeMaxC: storeC } = species;
  if (belowC !== null && tempC < belowC)
    return { words: m('dock.box.chilled', { tempC, belowC }), isGrave: true };
  if (tempC < FROZEN_C) return { words: m('dock.box.frozen', { tempC }), isGrave: true };
  if (tempC <= storeC + WARM_ABOVE_STORE_C) return { words: m('dock.box.well', { tempC }), isGrave: false };
  const faster = daysUsedPerDay(species, tempC) / daysUsedPerDay(species, storeC);
  const times = Math.round(faster * 10) / 10;
  return { words: m('dock.box.warm', { tempC, times, storeC }), isGrave: true };
}

/** What the water of a wet pack says. */
export function packWaterTemperature(tempC: number): TemperatureWord {
  const words = m(tempC > WARM_WATER_C ? 'dock.pack-water.warm' : 'dock.pack-water.well', { tempC });
  return { words, isGrave: false };
}
