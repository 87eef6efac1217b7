import fc from 'fast-check';
import { addDays, daysBetween } from './dates';
import { typedDay } from './typed-day';

const TODAY = '2026-11-24';

test.each([
  ['22/11', '2026-11-22'],
  ['22.11.', '2026-11-22'],
  ['5/1', '2027-01-05'],
  ['30/5', '2026-05-30'],
  ['22.11.2025', '2025-11-22'],
  ['2026-11-30', '2026-11-30'],
  ['30 Nov', '2026-11-30'],
  ['Yesterday', '2026-11-23'],
  ['mañana', '2026-11-25'],
  ['31/2', null],
  ['soon', null],
  ['', null],
])('%s is %s', (text, date) => {
  expect(typedDay(text, TODAY)).toBe(date);
});

test('a day and month typed without a year is within half a year of today', () => {
  fc.assert(
    fc.property(fc.integer({ min: -180, max: 180 }), fc.integer({ min: 0, max: 2000 }), (away, from) => {
      const today = addDays('2024-01-15', from);
      const meant = addDays(today, away);
      const [, month, day] = meant.split('-');
      fc.pre(`${month}-${day}` !== '02-29');
      const read = typedDay(`${Number(day)}/${Number(month)}`, today);
      expect(read).not.toBeNull();
      expect(Math.abs(daysBetween(today, read ?? ''))).toBeLessThanOrEqual(184);
      expect(read).toBe(meant);
    }),
  );
});
