import type { RandomStream } from '../random';
import type { Strip } from './device-readings';

/** What is in a pail, as a reader would find it. */
export interface WaterRead {
  readonly ph: number;
  readonly chlorinePpm: number;
}

/** Whatever is held into a pail and tells what its strip says. */
export interface StripReader {
  readonly read: (water: WaterRead) => Pick<Strip, 'ph' | 'chlorinePpm'>;
}

/** A strip tells pH to half a unit. */
const PH_STEP = 0.5;
/** It reads chlorine to a quarter of its value. */
const CHLORINE_SCATTER = 0.25;

/** A made-up reader: pH to half a unit, chlorine to a quarter of its value and to five ppm. */
export const simulatedStripReader = (random: RandomStream): StripReader => ({
  read: ({ ph, chlorinePpm }) => ({
    ph: Math.round(ph / PH_STEP) * PH_STEP,
    chlorinePpm: Math.max(
      0,
      Math.round((chlorinePpm * (1 + CHLORINE_SCATTER * (2 * random.uniform() - 1))) / 5) * 5,
    ),
  }),
});
