import { DEPTH_CM, DEPTHS } from '../species/depths';
import type { Depth } from '../species/species';

/** How a pail stands: wider at the rim, so that it stacks, or as wide at its foot. */
export const PAIL_FORMS = ['tapered', 'straight'] as const;
export type PailForm = (typeof PAIL_FORMS)[number];

/** Colours that pails come in, by which a shop tells them apart. */
export const PAIL_COLOURS = ['black', 'white', 'grey', 'green', 'blue', 'red', 'yellow'] as const;
export type PailColour = (typeof PAIL_COLOURS)[number];

/** A pail by what is written on it: the litres it holds to the rim, its height inside, and its form. */
export interface PailShape {
  readonly litres: number;
  readonly heightCm: number;
  /** Tapered where it is not told. */
  readonly form?: PailForm;
}

/** A pail's foot against its rim (estimate; buckets that stack taper about so). */
const FOOT_TO_RIM: Readonly<Record<PailForm, number>> = { tapered: 0.8, straight: 1 };
const footShare = ({ form = 'tapered' }: PailShape): number => FOOT_TO_RIM[form];
/** Water nearer the rim than this is carried on the floor. */
const FULLEST_SHARE = 0.85;
const CM3_A_LITRE = 1000;

/** Width at the rim, cm, from what it holds: a cut cone of that height. */
function rimCm(pail: PailShape): number {
  const { litres, heightCm } = pail;
  const foot = footShare(pail);
  const shape = (Math.PI * heightCm * (foot ** 2 + foot + 1)) / 12;
  return Math.sqrt((litres * CM3_A_LITRE) / shape);
}

/** How wide it is inside at a depth, cm. */
function widthAtCm(pail: PailShape, depthCm: number): number {
  const rim = rimCm(pail);
  const foot = rim * footShare(pail);
  return foot + ((rim - foot) * depthCm) / pail.heightCm;
}

/**
 * Open water of a pail, cm², over so many litres: V = π/(12·s)·(c³ − b³) solved for the width c, s the
 * widening a cm. It is asked for every hour of every pail: what holds for the pail is worked out once.
 */
export function surfaceOver(pail: PailShape): (litres: number) => number {
  const rim = rimCm(pail);
  const foot = rim * footShare(pail);
  const widens = (rim - foot) / pail.heightCm;
  const aLitre = (12 * widens * CM3_A_LITRE) / Math.PI;
  return (litres) => {
    const full = Math.min(Math.max(0, litres), pail.litres);
    const width = widens > 0 ? Math.cbrt(foot ** 3 + aLitre * full) : foot;
    return (Math.PI * width ** 2) / 4;
  };
}

/**
 * Litres in a pail filled to a depth: V(x) = π·x/12·(b² + b·c + c²), c the width at x.
 * @param depthCm from 0 to its height; more is taken as full
 */
export function litresAt(pail: PailShape, depthCm: number): number {
  const x = Math.min(Math.max(0, depthCm), pail.heightCm);
  const foot = rimCm(pail) * footShare(pail);
  const c = widthAtCm(pail, x);
  return (((Math.PI * x) / 12) * (foot ** 2 + foot * c + c ** 2)) / CM3_A_LITRE;
}

/** Depth, cm, of so many litres in a pail; its height where it would run over. To a hundredth. */
export function depthOf(pail: PailShape, litres: number): number {
  let [low, high] = [0, pail.heightCm];
  while (high - low > 0.005) {
    const middle = (low + high) / 2;
    if (litresAt(pail, middle) < litres) low = middle;
    else high = middle;
  }
  return Math.round(((low + high) / 2) * 100) / 100;
}

/** How deep a depth is in this pail, cm: a third is a third of it, and none is nearer the rim than is carried. */
export function depthIn(pail: PailShape, depth: Depth): number {
  const wanted = depth === 'third' ? pail.heightCm / 3 : DEPTH_CM[depth];
  return Math.min(wanted, FULLEST_SHARE * pail.heightCm);
}

/** Litres that a depth takes in this pail, to the half litre that a hand can tell. */
export function litresFor(pail: PailShape, depth: Depth): number {
  return Math.max(0.5, Math.round(litresAt(pail, depthIn(pail, depth)) * 2) / 2);
}

/** Nobody pours to the centimetre: within this a depth is what was meant. */
const AS_MEANT_CM = 2;

/**
 * The word for so many litres in this pail: what was meant where they come near it, since in some
 * pails two depths lie close together, else the depth they come nearest to.
 */
export function depthWord(pail: PailShape, litres: number, meant: Depth | null = null): Depth {
  const cm = depthOf(pail, litres);
  if (meant !== null && Math.abs(depthIn(pail, meant) - cm) <= AS_MEANT_CM) return meant;
  const off = (depth: Depth): number => Math.abs(depthIn(pail, depth) - cm);
  return DEPTHS.reduce<Depth>((best, word) => (off(word) < off(best) ? word : best), 'shallow');
}
