import { inCups, type Cup } from '../sanitising/cup';
import type { SolutionKey } from './solutions';

/** What a shop may say it feeds with: each a product of its own. */
export const FOODS = ['flower-food', 'bulb-food', 'holding'] as const satisfies readonly SolutionKey[];
export type FoodKey = (typeof FOODS)[number];

/** One product, as its label has it; the label wins over every figure of ours. */
export interface FoodProduct {
  readonly name: string;
  /** A full dose for one litre, in `unit`. */
  readonly aLitre: number;
  readonly unit: 'mL' | 'g';
  /** Litres that one sachet is for; null where it comes loose. */
  readonly sachetL: number | null;
  /** What it is measured with, weighed once; its `ml` holds so much of `unit`. */
  readonly cup: Cup | null;
  /** What a full dose adds to the tap's conductivity, µS/cm; null where its label does not say. */
  readonly stepUs?: number | null;
}

/** A shop's own products; none for what it has said nothing of. */
export type Foods = Readonly<Partial<Record<FoodKey, FoodProduct>>>;

/** What goes into so many litres. */
export interface FoodDose {
  readonly product: string;
  readonly amount: number;
  readonly unit: 'mL' | 'g';
  /** In the shop's own measure, to a quarter; null where it has none. */
  readonly inMeasure: string | null;
  /** Whole sachets, and the litres those are for; null where it comes loose. */
  readonly sachets: { readonly n: number; readonly fillsL: number } | null;
}

const HALF = 0.5;

/** The product behind a solution, and what part of its full dose that is; null where it is none of food. */
function productOf(solution: SolutionKey, foods: Foods): { product: FoodProduct; share: number } | null {
  const isHalf = solution === 'flower-food-half';
  const key = isHalf ? 'flower-food' : FOODS.find((food) => food === solution);
  const product = key && foods[key];
  return product ? { product, share: isHalf ? HALF : 1 } : null;
}

/** What readings of a solution's dose are held against: its product's step, and what part of a full dose is meant. */
export function doseMeant(
  solution: SolutionKey,
  foods: Foods,
): { readonly share: number; readonly stepUs: number | null } {
  const found = productOf(solution, foods);
  return { share: solution === 'flower-food-half' ? HALF : 1, stepUs: found?.product.stepUs ?? null };
}

/**
 * What of a shop's food goes into so many litres of a solution. A sachet is never parted: there are as many as
 * come nearest to the litres, one at least, with the litres that they are for.
 * @param litres 0 and up
 * @returns null where the solution is no food, or the shop has said nothing of it
 */
export function foodDose(solution: SolutionKey, litres: number, foods: Foods): FoodDose | null {
  const found = productOf(solution, foods);
  if (!found || !(litres > 0)) return null;
  const { product, share } = found;
  const { name, aLitre, unit, sachetL, cup } = product;
  const amount = aLitre * share * litres;
  const each = sachetL === null ? null : sachetL / share;
  const n = each === null ? 0 : Math.max(1, Math.round(litres / each));
  return {
    product: name,
    amount,
    unit,
    inMeasure: inCups(amount, cup),
    sachets: each === null ? null : { n, fillsL: n * each },
  };
}

/** Doses of many pails as what is taken along for all of them, each product once, in the order they come. */
export function foodInAll(doses: readonly FoodDose[]): FoodDose[] {
  const byProduct = new Map<string, FoodDose>();
  for (const dose of doses) {
    const key = `${dose.product} ${dose.unit} ${dose.sachets === null}`;
    const so = byProduct.get(key);
    const sachets = dose.sachets && {
      n: dose.sachets.n + (so?.sachets?.n ?? 0),
      fillsL: dose.sachets.fillsL + (so?.sachets?.fillsL ?? 0),
    };
    byProduct.set(key, { ...dose, amount: dose.amount + (so?.amount ?? 0), inMeasure: null, sachets });
  }
  return [...byProduct.values()];
}

/** From so far off its sachets' litres a pail is filled to theirs: half a dose is worse than it sounds. */
const NEAR_SHARE = 0.1;

/** The litres to fill to instead, where its sachets are for so many others; null where they do as it is. */
export function fillsTo({ sachets }: FoodDose, litres: number): number | null {
  if (!sachets || Math.abs(sachets.fillsL - litres) <= NEAR_SHARE * litres) return null;
  return sachets.fillsL;
}

/** An amount as it is weighed or poured: to the half below ten, whole beyond. */
export const amountTold = (amount: number): number =>
  amount < 10 ? Math.round(amount * 2) / 2 : Math.round(amount);
