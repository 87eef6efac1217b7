import * as fc from 'fast-check';
import { bookLine } from '../actions/fields';
import { LENGTHS_CM, MOST_HEADS, MOST_STEMS, MOST_UNIT_PRICE, within } from './line-limits';
import * as v from 'valibot';

const line = {
  line: 1,
  variety: null,
  colour: null,
  lengthCm: 60,
  headsMin: null,
  origin: null,
  packing: null,
  unitPrice: 0.5,
  currency: 'EUR',
  speciesKey: 'tulip',
  stems: 20,
  cutDate: '2026-11-22',
};
const isTaken = (over: object): boolean => v.safeParse(bookLine, { ...line, ...over }).success;

test('a figure within its limits stays, one beyond them is left out', () => {
  fc.assert(
    fc.property(fc.integer(), fc.integer(), fc.nat(1_000_000), (figure, least, span) => {
      const kept = within(figure, least, least + span);
      expect(kept).toBe(figure >= least && figure <= least + span ? figure : null);
    }),
  );
  expect(within(null, 1, 2)).toBeNull();
  expect(within(NaN, 1, 2)).toBeNull();
});

test('what a booking takes and what a draft keeps are the same limits, to the unit', () => {
  for (const [field, least, most] of [
    ['stems', 1, MOST_STEMS],
    ['bunches', 1, MOST_STEMS],
    ['stemsPerBunch', 1, MOST_STEMS],
    ['lengthCm', LENGTHS_CM.least, LENGTHS_CM.most],
    ['headsMin', 1, MOST_HEADS],
    ['unitPrice', 0, MOST_UNIT_PRICE],
  ] as const) {
    for (const figure of [least, most])
      expect([field, figure, isTaken({ [field]: figure })]).toEqual([field, figure, true]);
    for (const figure of [least - 1, most + 1])
      expect([field, figure, isTaken({ [field]: figure })]).toEqual([field, figure, false]);
  }
});
