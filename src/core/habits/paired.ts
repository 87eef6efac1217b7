import { SeededStream } from '../random';
import { quantileOfSorted } from '../statistics';

export interface Interval {
  readonly low: number;
  readonly high: number;
}

export function medianOf(values: ArrayLike<number>): number {
  return quantileOfSorted(new Float64Array(values).sort(), 0.5);
}

const RESAMPLES = 200;
/** Share of resamples outside an interval, both sides together. */
const OUTSIDE = 0.1;

/**
 * 90 % interval of a sum of medians over runs that share their draws, by the paired percentile
 * bootstrap: draws are resampled with replacement, the same ones in every run, so that luck they
 * have in common cancels.
 * @param runs days by draw, all of one length
 * @param signs factor of each run's median in the sum
 */
export function pairedInterval(
  runs: readonly Float64Array[],
  signs: readonly number[],
  seed: number,
): Interval {
  const draws = runs[0]?.length ?? 0;
  const stream = new SeededStream();
  stream.begin(seed, 0x5eed);
  const picks = new Int32Array(draws);
  const sample = new Float64Array(draws);
  const sums = Float64Array.from({ length: RESAMPLES }, () => {
    for (let i = 0; i < draws; i++) picks[i] = Math.floor(stream.uniform() * draws);
    let sum = 0;
    runs.forEach((run, r) => {
      for (let i = 0; i < draws; i++) sample[i] = run[picks[i] as number] as number;
      sample.sort();
      sum += (signs[r] ?? 0) * quantileOfSorted(sample, 0.5);
    });
    return sum;
  }).sort();
  return { low: quantileOfSorted(sums, OUTSIDE / 2), high: quantileOfSorted(sums, 1 - OUTSIDE / 2) };
}

/** P10 and P90 of the differences draw by draw: how much it varies from one to the next. */
export function pairedSpread(more: Float64Array, less: Float64Array): { p10: number; p90: number } {
  const differences = more.map((days, i) => days - (less[i] ?? 0)).sort();
  return { p10: quantileOfSorted(differences, 0.1), p90: quantileOfSorted(differences, 0.9) };
}
