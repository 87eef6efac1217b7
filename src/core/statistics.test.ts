import * as fc from 'fast-check';
import { clamp, quantileOfSorted } from './statistics';

const numbers = fc
  .array(
    // Nought below nought is nought.
    fc.double({ min: -1e6, max: 1e6, noNaN: true }).map((n) => n + 0),
    { minLength: 1, maxLength: 30 },
  )
  .map((all) => all.sort((a, b) => a - b));
const share = fc.double({ min: 0, max: 1, noNaN: true });

test('type 7, by the example of its authors: order statistics with straight lines between', () => {
  expect(quantileOfSorted([1, 2, 3, 4], 0.5)).toBe(2.5);
  expect(quantileOfSorted([1, 2, 3, 4, 5], 0.25)).toBe(2);
  expect(quantileOfSorted([10, 20], 0.9)).toBeCloseTo(19, 12);
  expect(quantileOfSorted([7], 0.3)).toBe(7);
  expect(quantileOfSorted([], 0.5)).toBeNaN();
});

test('its ends are the least and the greatest, it never leaves them, and more share is never less', () => {
  fc.assert(
    fc.property(numbers, share, share, (all, a, b) => {
      const [low, high] = [Math.min(a, b), Math.max(a, b)];
      const [least, greatest] = [all[0] ?? NaN, all.at(-1) ?? NaN];
      expect(quantileOfSorted(all, 0)).toBe(least);
      expect(quantileOfSorted(all, 1)).toBe(greatest);
      const slack = 1e-9 * (1 + Math.abs(least) + Math.abs(greatest));
      expect(quantileOfSorted(all, low)).toBeLessThanOrEqual(quantileOfSorted(all, high) + slack);
      expect(quantileOfSorted(all, low)).toBeGreaterThanOrEqual(least - slack);
    }),
  );
});

test('a clamped value lies between its bounds, and one that did is left', () => {
  fc.assert(
    fc.property(fc.integer(), fc.integer(), fc.integer(), (value, a, b) => {
      const [low, high] = [Math.min(a, b), Math.max(a, b)];
      const held = clamp(value, low, high);
      expect(held).toBeGreaterThanOrEqual(low);
      expect(held).toBeLessThanOrEqual(high);
      if (value >= low && value <= high) expect(held).toBe(value);
    }),
  );
});
