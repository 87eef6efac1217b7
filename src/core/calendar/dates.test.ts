import fc from 'fast-check';
import { readNumber, typedNumber } from '../numbers/read-number';
import { addDays, daysBetween, isoDateOf } from './dates';
import { formatDate, formatDay } from './format-date';
import { momentIn } from './zones';

test('days are added and told apart over months, leap years and nights the clocks change', () => {
  expect(addDays('2028-02-28', 1)).toBe('2028-02-29');
  expect(addDays('2026-10-24', 2)).toBe('2026-10-26');
  expect(addDays('2026-01-01', -1)).toBe('2025-12-31');
  const day = fc.integer({ min: 0, max: 50_000 }).map((n) => isoDateOf(n * 86_400_000));
  fc.assert(
    fc.property(day, fc.integer({ min: -4000, max: 4000 }), (from, days) => {
      expect(daysBetween(from, addDays(from, days))).toBe(days);
      expect(addDays(addDays(from, days), -days)).toBe(from);
    }),
  );
});

test('a moment is written as the zone’s wall shows it, in the reader’s language', () => {
  const at = Date.parse('2026-11-24T23:30:00Z');
  expect(formatDate(at, 'Etc/UTC', 'clock')).toBe('23:30');
  expect(formatDate(at, 'Europe/Madrid', 'clock')).toBe(momentIn(at, 'Europe/Madrid').clock);
  expect(formatDate(at, 'Europe/Madrid', 'weekday')).toBe('Wed');
  expect(formatDay('2026-11-24', 'day')).toBe('24 Nov');
  expect(formatDay('2026-11-24', 'in a sentence', 'es-ES')).toBe('24 de noviembre de 2026');
  expect(() => formatDate(at, 'Nowhere/Atall', 'clock')).toThrow(RangeError);
});

test.each([
  ['2,5', 2.5],
  [' 2.50 ', 2.5],
  ['-3', -3],
  ['1.2.3', null],
  ['', null],
  ['2 kg', null],
  ['1e9', null],
])('%j typed is %s', (text, number) => {
  expect(readNumber(text)).toBe(number);
  expect(typedNumber(text)).toBe(number ?? NaN);
});
