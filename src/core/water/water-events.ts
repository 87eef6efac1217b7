import { SHIPPED } from '../model/figures';
import { afterLook, type Look } from './count-filter';
import { POURED_SD, together, type Belief } from './dose-reading';
import { freshWater, thinnedWater, type VesselWater } from './vessel-water';

/** What happens to a pail's water or is seen in it, by the hour since it was filled. */
export type WaterEvent = { readonly atHour: number } & (
  | { readonly kind: 'look'; readonly look: Look }
  /** Of its food, as a share of a full dose. */
  | { readonly kind: 'dose'; readonly dose: Belief }
  /** Free chlorine, ppm. */
  | { readonly kind: 'chlorine'; readonly ppm: Belief }
  /** Plain water put to it, litres. */
  | { readonly kind: 'top-up'; readonly litres: number }
  /** A lot that rots stands in it from now on. */
  | { readonly kind: 'fouled' }
);

/** Water as it is known: its count and its dose each with a spread, and how much of it there is. */
export interface WaterKnown {
  readonly water: VesselWater;
  /** Spread of its count, log10. */
  readonly sd: number;
  /** Spread of its dose, as a share of a full one. */
  readonly doseSd: number;
  readonly litres: number;
  /** Green matter under the waterline, 0 to 1. */
  readonly leafBelow: number;
}

/** How well a dose is known as a hand has poured it. */
export const POURED = POURED_SD;
/** Rot in the water feeds what lives there as leaf does, all of it. */
const ROT_AS_LEAF = 1;
/** How well a count is known once a lot rotted in the water, log10 (estimate, as of a pail that was reused). */
const FOULED_SD = 0.6;
/** A strip of chlorine is held against what should be there by now, known to so much, ppm (estimate). */
const CHLORINE_SD = 0.5;

const inRange = (log10: number): number =>
  Math.min(SHIPPED.constants.bacteriaCeilingLog10, Math.max(0, log10));

/** What a reading says of its food, put together with what was poured: never written over it. */
function afterDose(known: WaterKnown, read: Belief): WaterKnown {
  const { water } = known;
  // Plain water has no dose that could be short.
  if (!(water.dose > 0) || SHIPPED.solutions[water.solution].biocide === 0) return known;
  const { mean, sd } = together({ mean: water.dose, sd: known.doseSd }, read);
  const dose = Math.max(0, mean);
  return { ...known, doseSd: sd, water: { ...water, dose, biocide: (water.biocide * dose) / water.dose } };
}

/** Rot: at least the count of a pail that nobody washed, and food for what lives in it until it is changed. */
function afterRot(known: WaterKnown): WaterKnown {
  const { bacteriaLog10 } = freshWater('reused', known.water.solution);
  const count = Math.max(known.water.bacteriaLog10, bacteriaLog10);
  return {
    ...known,
    ...{ sd: Math.max(known.sd, FOULED_SD), leafBelow: ROT_AS_LEAF },
    water: { ...known.water, bacteriaLog10: inRange(count) },
  };
}

/** Water after something happened to it or was seen in it. */
export function afterEvent(known: WaterKnown, event: WaterEvent): WaterKnown {
  const { water } = known;
  switch (event.kind) {
    case 'look': {
      const { mean, sd } = afterLook({ mean: water.bacteriaLog10, sd: known.sd }, event.look);
      return { ...known, sd, water: { ...water, bacteriaLog10: inRange(mean) } };
    }
    case 'dose':
      return afterDose(known, event.dose);
    case 'chlorine': {
      const { mean } = together({ mean: water.freeChlorinePpm, sd: CHLORINE_SD }, event.ppm);
      return { ...known, water: { ...water, freeChlorinePpm: Math.max(0, mean) } };
    }
    case 'top-up': {
      const litres = known.litres + event.litres;
      return {
        ...known,
        litres,
        doseSd: (known.doseSd * known.litres) / litres,
        water: thinnedWater(water, known.litres / litres),
      };
    }
    case 'fouled':
      return afterRot(known);
  }
}
