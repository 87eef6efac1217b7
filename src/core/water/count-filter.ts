import { normalShare } from '../normal-quantile';
import type { VesselStart } from './vessel-water';

/** What an eye or a nose says of water. */
export const LOOKS = ['clear', 'hazy', 'cloudy', 'smells'] as const;
export type Look = (typeof LOOKS)[number];
export const isLook = (text: string): text is Look => (LOOKS as readonly string[]).includes(text);

/** A count as it is known: log10 CFU/mL, about normal around its mean. */
export interface CountBelief {
  readonly mean: number;
  readonly sd: number;
}

/** How well a count is known as water goes in, log10 (estimates). */
const START_SD: Readonly<Record<VesselStart, number>> = { clean: 0.3, rinsed: 0.5, reused: 0.6 };
/** What a day without a look adds to it. */
const SD_PER_DAY = 0.15;
/** Counts a look stands for, log10; clear stands for anything under the first that shows. */
const SEEN: Readonly<Record<Exclude<Look, 'clear'>, number>> = { hazy: 6.8, cloudy: 7.5, smells: 8 };
const CLEAR_UNDER = 6.3;
/** How far eyes differ. */
const LOOK_SD = 0.4;

/** What an eye should see in water of that count: each look reaches to the middle between it and the next. */
export function looksLike(bacteriaLog10: number): Exclude<Look, 'smells'> {
  if (bacteriaLog10 < CLEAR_UNDER) return 'clear';
  return bacteriaLog10 < (SEEN.hazy + SEEN.cloudy) / 2 ? 'hazy' : 'cloudy';
}

export const startSd = (start: VesselStart): number => START_SD[start];

/** How well it is known some hours later. */
export const sdAfter = (sd: number, hours: number): number => sd + (SD_PER_DAY / 24) * hours;

const density = (z: number): number => Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI);

/** The mean of what a normal is over, where nearly all of it lies beyond: the tail's own law, for far tails. */
function inverseMills(z: number): number {
  const share = normalShare(z);
  // Under this share the quotient of two tiny numbers says nothing any more; the tail's mean goes as −z − 1/z.
  return share > 1e-12 ? density(z) / share : -z - 1 / z;
}

/**
 * A look put together with what was predicted, each by how well it is known: never written over it. Clear
 * says only what it is not, and cuts off what would have shown; the others say about what it is.
 */
export function afterLook({ mean, sd }: CountBelief, look: Look): CountBelief {
  const spread = sd * sd + LOOK_SD * LOOK_SD;
  if (look !== 'clear') {
    const gain = (sd * sd) / spread;
    return { mean: mean + gain * (SEEN[look] - mean), sd: Math.sqrt((1 - gain) * sd * sd) };
  }
  const s = Math.sqrt(spread);
  const z = (CLEAR_UNDER - mean) / s;
  const mills = inverseMills(z);
  const variance = sd * sd - ((sd * sd) / s) ** 2 * mills * (z + mills);
  return { mean: mean - ((sd * sd) / s) * mills, sd: Math.sqrt(Math.max(1e-6, variance)) };
}
