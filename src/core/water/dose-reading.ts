/** Something known as a mean and a spread, about normal around it. */
export interface Belief {
  readonly mean: number;
  readonly sd: number;
}

/** What comes out of the shop's tap, as its meter and its strips say it. */
export interface TapWater {
  readonly ph: number;
  /** Conductivity, µS/cm. */
  readonly us: number;
}
/** A town's water, where nobody has measured the tap (estimates). */
export const USUAL_TAP: TapWater = { ph: 7.6, us: 350 };

/** How near to a full dose a hand pours, as a share of it (estimate). */
export const POURED_SD = 0.15;
/** Food that is dosed right makes water as sour as this, or sourer. */
const RIGHT_PH = 5;
/** Strips tell pH to half a unit. */
const PH_SD = 0.25;
/** Meters tell conductivity, and a tap changes from day to day, to so much of the step (estimate). */
const STEP_SD = 0.1;
const MOST_DOSE = 2;
/** A strip reads chlorine to a quarter of its value, and not below so much, ppm. */
const CHLORINE_SD_SHARE = 0.25;
const LEAST_CHLORINE_SD = 0.2;

const within = (low: number, high: number, n: number): number => Math.min(high, Math.max(low, n));

/**
 * Two things known of one quantity, put together each by how well it is known: the better known pulls harder,
 * and together they are known better than either.
 */
export function together(a: Belief, b: Belief): Belief {
  const [va, vb] = [a.sd * a.sd, b.sd * b.sd];
  return { mean: (a.mean * vb + b.mean * va) / (va + vb), sd: Math.sqrt((va * vb) / (va + vb)) };
}

/**
 * What a pH says of a food's dose, as a share of a full one. Over 5 it is short in proportion to how far the tap's
 * own has come down; at 5 and under it is a full dose, and how much more a pH does not say.
 * @param ph 0 to 14
 * @returns null where the tap is as sour as food makes it: then a pH says nothing
 */
export function doseByPh(ph: number, tap: TapWater): Belief | null {
  const fall = tap.ph - RIGHT_PH;
  if (fall < 1) return null;
  return { mean: within(0, 1, (tap.ph - ph) / fall), sd: PH_SD / fall + POURED_SD / 2 };
}

/**
 * What a conductivity says of it: the step over the tap's own, against the product's.
 * @param us µS/cm
 * @param stepUs what a full dose adds, by the product's label, µS/cm; over 0
 */
export function doseByConductivity(us: number, tap: TapWater, stepUs: number): Belief {
  return { mean: within(0, MOST_DOSE, (us - tap.us) / stepUs), sd: STEP_SD };
}

/** What a strip says of free chlorine, ppm. */
export const chlorineByStrip = (ppm: number): Belief => ({
  mean: ppm,
  sd: Math.max(LEAST_CHLORINE_SD, CHLORINE_SD_SHARE * ppm),
});
