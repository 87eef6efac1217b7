import * as fc from 'fast-check';
import { inCups, withCups } from './cup';

const cap = { name: 'cap', ml: 12 };

test.each([
  [12, '1 × cap'],
  [45, '3¾ × cap'],
  [6, '½ × cap'],
  [44, '3¾ × cap'],
  [47.5, '4 × cap'],
  // Nearer to nothing than to a quarter.
  [1.4, null],
  [1.6, '¼ × cap'],
])('%d mL with a cap of 12 is %s', (ml, told) => {
  expect(inCups(ml, cap)).toBe(told);
});

test('a dose is told with it behind, or alone', () => {
  expect(withCups('44 mL', 44, cap)).toBe('44 mL (3¾ × cap)');
  expect(withCups('44 mL', 44, null)).toBe('44 mL');
});

test('without a measure of its own, or one that holds nothing, a shop is told millilitres alone', () => {
  expect(inCups(44, null)).toBeNull();
  expect(inCups(44, { name: 'cap', ml: 0 })).toBeNull();
});

test('what is told comes to the dose within an eighth of the measure, whatever the two are', () => {
  const QUARTER: Readonly<Record<string, number>> = { '': 0, '¼': 0.25, '½': 0.5, '¾': 0.75 };
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 2000, noNaN: true }),
      fc.double({ min: 0.5, max: 500, noNaN: true }),
      (doseMl, ml) => {
        const told = inCups(doseMl, { name: 'squeeze', ml });
        if (told === null) return expect(doseMl).toBeLessThanOrEqual(ml / 8);
        const [, whole = '', part = ''] = /^(\d*)([¼½¾]?) × squeeze$/.exec(told) ?? [];
        const comesTo = (Number(whole) + (QUARTER[part] ?? NaN)) * ml;
        expect(Math.abs(comesTo - doseMl)).toBeLessThanOrEqual(ml / 8 + 1e-9);
      },
    ),
  );
});
