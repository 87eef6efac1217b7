import { BOTTLE_DOUBLES_PER_C, BOTTLE_LOSS_PER_MONTH, BOTTLE_REFERENCE_C, PPM_PER_PERCENT } from './figures';

/** A bottle as it stands on the shelf. */
export interface Bottle {
  /** Percent available chlorine when it was new, over 0. */
  readonly percent: number;
  /** Months since it was filled. */
  readonly months: number;
  /** Where it is kept, °C. */
  readonly storageC: number;
}

/** Percent available chlorine left in a bottle: it goes by itself, twice as fast every 6 °C warmer (estimate). */
export function strengthNow({ percent, months, storageC }: Bottle): number {
  const warmth = 2 ** ((storageC - BOTTLE_REFERENCE_C) / BOTTLE_DOUBLES_PER_C);
  return percent * Math.exp(-BOTTLE_LOSS_PER_MONTH * months * warmth);
}

/**
 * Millilitres of product that bring so many litres to a strength.
 * @param litres of solution
 * @param ppm free chlorine wanted over what is in it already
 * @param percent available chlorine in the product now, over 0
 */
export function stockMl(litres: number, ppm: number, percent: number): number {
  return (litres * 1000 * ppm) / (percent * PPM_PER_PERCENT);
}

/** What goes into a pail from a bottle. */
export interface Dilution {
  readonly stockMl: number;
  readonly strengthPercentNow: number;
}

/** The dose for one pail from a bottle of some age: product first, water on top of it. */
export function dilution(pailL: number, targetPpm: number, bottle: Bottle): Dilution {
  const strengthPercentNow = strengthNow(bottle);
  return { stockMl: stockMl(pailL, targetPpm, strengthPercentNow), strengthPercentNow };
}
