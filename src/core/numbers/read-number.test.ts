import * as fc from 'fast-check';
import { numberInField } from './read-number';

test('a number is read with its unit behind it or without, with a point or a comma', () => {
  expect(numberInField('6,5 L', 'L', 1)).toBe(6.5);
  expect(numberInField(' 6.5 ', 'L', 1)).toBe(6.5);
  expect(numberInField('40 roses', 'roses', 0)).toBe(40);
  expect(numberInField('12', '', 0)).toBe(12);
  expect(numberInField('−5', 'L', 0)).toBeNull();
  expect(numberInField('six L', 'L', 0)).toBeNull();
  expect(numberInField('', 'L', 0)).toBeNull();
  // A unit of something else is no number of this.
  expect(numberInField('6 qt', 'L', 1)).toBeNull();
});

test('what a field shows is read back as the same, to the digits it shows', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -100, max: 5000, noNaN: true }),
      fc.constantFrom('', 'L', '°C', 'tubs', '%'),
      fc.integer({ min: 0, max: 2 }),
      (n, unit, digits) => {
        const shown = Number(n.toFixed(digits));
        expect(numberInField(`${shown} ${unit}`, unit, digits)).toBeCloseTo(shown, 9);
      },
    ),
  );
});
