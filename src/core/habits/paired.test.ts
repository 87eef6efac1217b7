import * as fc from 'fast-check';
import { SeededStream } from '../random';
import { medianOf, pairedInterval, pairedSpread } from './paired';

const days = fc.array(fc.double({ min: 0, max: 40, noNaN: true }), { minLength: 20, maxLength: 120 });

test('the median of days, whatever their order', () => {
  expect(medianOf([3])).toBe(3);
  expect(medianOf([9, 1, 5])).toBe(5);
  expect(medianOf([1, 2, 3, 10])).toBeCloseTo(2.5, 9);
  fc.assert(
    fc.property(days, (of) => {
      const sorted = [...of].sort((a, b) => a - b);
      expect(medianOf(of)).toBe(medianOf(sorted));
      expect(medianOf(of)).toBeGreaterThanOrEqual(sorted[0] ?? 0);
      expect(medianOf(of)).toBeLessThanOrEqual(sorted.at(-1) ?? 0);
    }),
  );
});

test('what is gained by every draw alike is known exactly: its interval is a point', () => {
  fc.assert(
    fc.property(days, fc.double({ min: -5, max: 5, noNaN: true }), fc.nat(1000), (of, gain, seed) => {
      const less = Float64Array.from(of);
      const more = less.map((d) => d + gain);
      const { low, high } = pairedInterval([more, less], [1, -1], seed);
      expect(low).toBeCloseTo(gain, 9);
      expect(high).toBeCloseTo(gain, 9);
      const { p10, p90 } = pairedSpread(more, less);
      expect(p10).toBeCloseTo(gain, 9);
      expect(p90).toBeCloseTo(gain, 9);
    }),
    { numRuns: 60 },
  );
});

test('the same seed gives the same interval, and its ends stand in their order', () => {
  fc.assert(
    fc.property(days, days, fc.nat(1000), (a, b, seed) => {
      const n = Math.min(a.length, b.length);
      const runs = [Float64Array.from(a.slice(0, n)), Float64Array.from(b.slice(0, n))];
      const once = pairedInterval(runs, [1, -1], seed);
      expect(pairedInterval(runs, [1, -1], seed)).toEqual(once);
      expect(once.low).toBeLessThanOrEqual(once.high);
    }),
    { numRuns: 60 },
  );
});

test('nine times in ten the interval holds the true gain, of luck that is drawn', () => {
  // Two keepings whose days are drawn apart about 10 and 9: the true gain of the median is one day.
  const stream = new SeededStream();
  const TRIES = 200;
  let held = 0;
  for (let i = 0; i < TRIES; i++) {
    stream.begin(i + 1, 77);
    const draw = (mean: number): Float64Array =>
      Float64Array.from({ length: 80 }, () => mean + 2 * (stream.uniform() + stream.uniform() - 1));
    const { low, high } = pairedInterval([draw(10), draw(9)], [1, -1], i);
    if (low <= 1 && high >= 1) held++;
  }
  expect(held / TRIES).toBeGreaterThan(0.82);
  expect(held / TRIES).toBeLessThan(0.98);
});
