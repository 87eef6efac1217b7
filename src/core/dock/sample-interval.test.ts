import fc from 'fast-check';
import { normalQuantile } from '../normal-quantile';
import { sampleInterval } from './sample-interval';

const sample = fc
  .tuple(
    fc.integer({ min: 1, max: 200 }),
    fc.integer({ min: 0, max: 2000 }),
    fc.double({ min: 0, max: 1, noNaN: true }),
  )
  .map(([n, more, share]) => ({ seen: Math.round(share * n), sample: n, lot: n + more }));

test.each([
  [0.975, 1.959963984540054],
  [0.95, 1.6448536269514722],
  [0.5, 0],
  [0.001, -3.090232306167813],
  [0.9999999, 5.199337582192817],
])('the normal quantile at %d is %d', (share, quantile) => {
  expect(normalQuantile(share)).toBeCloseTo(quantile, 9);
});

test('three of twenty from a large lot is five to thirty-six per cent, by Wilson', () => {
  const { low, high, method } = sampleInterval({ seen: 3, sample: 20, lot: 1e6, confidence: 0.95 });
  expect(low).toBeCloseTo(0.0524, 3);
  expect(high).toBeCloseTo(0.3604, 3);
  expect(method).toContain('Wilson');
});

test('a sample that is half its lot tells more, a whole lot all', () => {
  const of = (lot: number) => sampleInterval({ seen: 3, sample: 20, lot, confidence: 0.95 });
  expect(of(40).high).toBeLessThan(of(400).high);
  expect(of(40).low).toBeGreaterThan(of(400).low);
  expect(of(20)).toEqual({ low: 0.15, high: 0.15, method: 'counted whole' });
});

test('an interval holds what was seen, lies within what was counted, and widens with confidence', () => {
  fc.assert(
    fc.property(sample, (s) => {
      const usual = sampleInterval({ ...s, confidence: 0.9 });
      const sure = sampleInterval({ ...s, confidence: 0.99 });
      expect(usual.low).toBeGreaterThanOrEqual(s.seen / s.lot - 1e-12);
      expect(usual.high).toBeLessThanOrEqual((s.lot - s.sample + s.seen) / s.lot + 1e-12);
      expect(usual.low).toBeLessThanOrEqual(s.seen / s.sample + 1e-12);
      expect(usual.high).toBeGreaterThanOrEqual(s.seen / s.sample - 1e-12);
      expect(sure.high - sure.low).toBeGreaterThanOrEqual(usual.high - usual.low - 1e-12);
    }),
  );
});
