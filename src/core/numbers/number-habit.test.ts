import * as fc from 'fast-check';
import { isTwofold, numberHabitOf, readByHabit } from './number-habit';
import { readNumber, typedNumber } from './read-number';

test.each([
  ['12', 12],
  ['12.5', 12.5],
  ['12,5', 12.5],
  [' -3,25 ', -3.25],
  ['1.2.3', null],
  ['12 stems', null],
  ['', null],
  ['1e3', null],
  ['Infinity', null],
])('typed %j is %s', (text, value) => {
  expect(readNumber(text)).toBe(value);
  expect(typedNumber(text)).toBe(value ?? NaN);
});

test.each([
  // Two marks: the last parts the fraction.
  [['1.234,50'], ','],
  [['1,234.50'], '.'],
  // One mark with a fraction that is not three figures long.
  [['12,5', '3'], ','],
  [['0.62'], '.'],
  // One mark again and again parts thousands: the other is the decimal one.
  [['1.000.000'], ','],
  // Three figures behind one mark could be thousands: it says nothing by itself.
  [['1.000', '2,500'], null],
  [['0,625'], ','],
] as const)('%j parts its fractions by %s', (cells, mark) => {
  expect(numberHabitOf(cells)).toEqual({ mark, isTorn: false });
});

test('cells that contradict each other are torn, and nothing is taken from them', () => {
  expect(numberHabitOf(['12,5', '0.62'])).toEqual({ mark: null, isTorn: true });
});

test.each([
  ['1.000', null, null],
  ['1.000', ',', 1000],
  ['1.000', '.', 1],
  ['1 234,5', null, 1234.5],
  ["1'234.50", null, 1234.5],
  // Its own marks win over its column's.
  ['0,62', '.', 0.62],
  ['1.23.4', ',', null],
  ['12', ',', 12],
] as const)('%j in a column of %s is %s', (text, habit, value) => {
  expect(readByHabit(text, habit)).toBe(value);
});

test('what could be thousands or thousandths is known to be', () => {
  expect(['1.000', '2,500', '12.500'].every(isTwofold)).toBe(true);
  expect(['0.500', '1.5', '1.234,5', '1000', '1.000.000'].some(isTwofold)).toBe(false);
});

test('a number written by either habit, grouped or not, reads back as it was in a column of that habit', () => {
  const value = fc.integer({ min: 0, max: 9_999_999 });
  fc.assert(
    fc.property(
      value,
      fc.integer({ min: 0, max: 99 }),
      fc.constantFrom(',', '.'),
      fc.boolean(),
      (n, c, mark, isGrouped) => {
        const other = mark === ',' ? '.' : ',';
        const whole = isGrouped ? String(n).replace(/\B(?=(\d{3})+$)/g, other) : String(n);
        const text = `${whole}${mark}${String(c).padStart(2, '0')}`;
        expect(readByHabit(text, mark)).toBe(Number(`${n}.${String(c).padStart(2, '0')}`));
      },
    ),
  );
});
