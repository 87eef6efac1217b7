import { daysBetween } from '../calendar/dates';
import type { Cup } from './cup';
import { dilution, type Dilution } from './dilution';
import type { Prices } from './relay';
import type { WashDose } from './proof';

/** What a shop sanitises with; its label and local rules win over these figures. */
export interface Sanitiser {
  readonly name: string;
  /** Percent available chlorine when the bottle was new. */
  readonly percent: number;
  /** ISO date on the bottle; null where it bears none, and is taken as new. */
  readonly madeOn: string | null;
  readonly storageC: number;
  readonly targetPpm: number;
  readonly contactMin: number;
  /** What it is dosed with, where the shop weighed that once. */
  readonly cup: Cup | null;
  /** What a litre of it costs, in the shop's money; null where that was not told. */
  readonly pricePerL: number | null;
  /** The same for a cubic metre of water. */
  readonly waterPerM3: number | null;
}

/** Until a shop says otherwise: thick household bleach, as it is sold (estimates). */
export const USUAL_SANITISER: Sanitiser = {
  name: 'thick household bleach',
  percent: 4.5,
  madeOn: null,
  storageC: 20,
  targetPpm: 200,
  contactMin: 10,
  cup: null,
  pricePerL: null,
  waterPerM3: null,
};

/** What a relay costs by; null where the product's price was not told. Water that bears no price costs none. */
export const pricesOf = ({ pricePerL, waterPerM3 }: Sanitiser): Prices | null =>
  pricePerL === null ? null : { productPerL: pricePerL, waterPerL: (waterPerM3 ?? 0) / 1000 };

const DAYS_A_MONTH = 30.44;

/** The product's age, months, on a day; none where it bears no date, or one that is still to come. */
export const monthsOld = (madeOn: string | null, today: string): number =>
  madeOn === null ? 0 : Math.max(0, daysBetween(madeOn, today) / DAYS_A_MONTH);

/** What goes into so many litres on a day. @param today ISO date */
export function doseOf({ madeOn, targetPpm, ...bottle }: Sanitiser, litres: number, today: string): Dilution {
  return dilution(litres, targetPpm, { ...bottle, months: monthsOld(madeOn, today) });
}

/** What a pail went into, as its wash tells it in the record. @param today ISO date */
export function washDose(sanitiser: Sanitiser, litres: number, today: string): WashDose {
  const { name: product, targetPpm: ppm, contactMin } = sanitiser;
  return { product, ppm, ml: doseOf(sanitiser, litres, today).stockMl, contactMin };
}
