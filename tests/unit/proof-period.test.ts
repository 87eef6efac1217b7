import fc from 'fast-check';
import { addDays } from '@/core/calendar/dates';
import { periodOf, whyNoPeriod } from '@/features/desk/proof/period';

const TODAY = '2026-11-24';
const day = fc.integer({ min: -400, max: 30 }).map((n) => addDays(TODAY, n));

test('two days are taken as they are just where nothing is wrong with them', () => {
  fc.assert(
    fc.property(day, day, (from, to) => {
      const taken = periodOf({ from, to }, TODAY);
      const isAsAsked = taken.from === from && taken.to === to;
      // The last week is what is shown where nothing is asked: asked for by chance, it is right too.
      expect(isAsAsked).toBe(whyNoPeriod({ from, to }, TODAY) === null);
      expect(whyNoPeriod(taken, TODAY)).toBeNull();
    }),
  );
});

test('what is wrong is said in words, and what is no day is none', () => {
  const why = (from: string, to: string) => whyNoPeriod({ from, to }, TODAY);
  expect(why('2026-11-20', '2026-11-18')).toBe('It begins after it ends.');
  expect(why('', '2026-11-18')).toBe('Both days are needed.');
  expect(why('2026-11-20', '2026-11-25')).toBe('It ends after today.');
  expect(why('2026-02-30', '2026-03-20')).toBe('Both days are needed.');
  expect(why('2026-08-24', TODAY)).toBeNull();
  expect(why('2026-08-23', TODAY)).toContain('92 days');
  expect(periodOf({ from: '2026-13-40', to: ['2026-11-01'] }, TODAY)).toEqual({
    from: '2026-11-18',
    to: TODAY,
  });
});
