import * as fc from 'fast-check';
import { readDate } from './read-date';

const NOTE = { noteDate: '2026-11-24', dayFirst: true };
const US = { ...NOTE, dayFirst: false };

test.each([
  ['2026-11-19', '2026-11-19'],
  ['20261119', '2026-11-19'],
  ['2026/1/5', '2026-01-05'],
  ['19.11.2026', '2026-11-19'],
  ['18-11-2026', '2026-11-18'],
  ['17/11/26', '2026-11-17'],
  ['Di 17.11.2026', '2026-11-17'],
  ['2026-11-19T06:30', '2026-11-19'],
  ['2026-11-19 06:30:00', '2026-11-19'],
  ['19 Nov 2026', '2026-11-19'],
  ['19-Nov-26', '2026-11-19'],
  ['Nov 19, 2026', '2026-11-19'],
  ['19th November 2026', '2026-11-19'],
  ['19 de noviembre de 2026', '2026-11-19'],
  ['3 März 2026', '2026-03-03'],
  ['3 août 2026', '2026-08-03'],
  ['12 mei 2026', '2026-05-12'],
  ['7 października 2026', '2026-10-07'],
])('%j is %s, its year as it is written', (text, date) => {
  expect(readDate(text, NOTE)).toEqual({ date, yearGuessed: false });
});

test.each([
  // The last such day before the note: of this year, or of the last.
  ['20.11.', '2026-11-20'],
  ['24.11', '2026-11-24'],
  ['25.11.', '2025-11-25'],
  ['31/12', '2025-12-31'],
  ['Nov 19', '2026-11-19'],
  ['19 nov', '2026-11-19'],
])('%j, which leaves the year out, is %s', (text, date) => {
  expect(readDate(text, NOTE)).toEqual({ date, yearGuessed: true });
});

test('a part past twelve tells which is the day; else the file’s own habit does', () => {
  expect(readDate('5/11/2026', NOTE)?.date).toBe('2026-11-05');
  expect(readDate('5/11/2026', US)?.date).toBe('2026-05-11');
  expect(readDate('11/19/2026', NOTE)?.date).toBe('2026-11-19');
  expect(readDate('19/11/2026', US)?.date).toBe('2026-11-19');
});

test.each(['soon', '', '31.11.2026', '2026-02-30', '13/13/2026', '19.11.1826', '19 Foo 2026', '6x25', '12'])(
  '%j is no day',
  (text) => {
    expect(readDate(text, NOTE)).toBeNull();
  },
);

test('without a date of the note no year is guessed', () => {
  expect(readDate('20.11.', { noteDate: null, dayFirst: true })).toBeNull();
  expect(readDate('20.11.2026', { noteDate: null, dayFirst: true })?.date).toBe('2026-11-20');
});

const MONTHS: Readonly<Record<string, readonly string[]>> = {
  en: 'January February March April May June July August September October November December'.split(' '),
  de: 'Januar Februar März April Mai Juni Juli August September Oktober November Dezember'.split(' '),
  es: 'enero febrero marzo abril mayo junio julio agosto septiembre octubre noviembre diciembre'.split(' '),
  nl: 'januari februari maart april mei juni juli augustus september oktober november december'.split(' '),
  fr: 'janvier février mars avril mai juin juillet août septembre octobre novembre décembre'.split(' '),
};

test('whatever day it is: it reads back out of every way it is written', () => {
  const day = fc.integer({ min: 0, max: 3650 }).map((n) => new Date(Date.UTC(2021, 0, 1 + n)));
  fc.assert(
    fc.property(day, fc.constantFrom(...Object.keys(MONTHS)), fc.boolean(), (date, language, isShort) => {
      const iso = date.toISOString().slice(0, 10);
      const [y = '', m = '', d = ''] = iso.split('-');
      const whole = MONTHS[language]?.[date.getUTCMonth()] ?? '';
      // Three letters tell a month apart in each language but for June and July in French.
      const name = isShort && language !== 'fr' ? whole.slice(0, 3) : whole;
      for (const text of [
        iso,
        `${y}${m}${d}`,
        `${d}.${m}.${y}`,
        `${Number(d)}/${Number(m)}/${y.slice(2)}`,
        `${Number(d)} ${name} ${y}`,
        `${d}-${name}-${y.slice(2)}`,
      ])
        expect([text, readDate(text, NOTE)?.date]).toEqual([text, iso]);
      expect(readDate(`${m}/${d}/${y}`, US)?.date).toBe(iso);
    }),
  );
});

test('a day without its year is never after the note, and never a year or more before it', () => {
  const day = fc.integer({ min: 0, max: 364 }).map((n) => new Date(Date.UTC(2025, 0, 1 + n)));
  fc.assert(
    fc.property(day, (date) => {
      const read = readDate(`${date.getUTCDate()}.${date.getUTCMonth() + 1}.`, NOTE);
      const apart = Date.parse(NOTE.noteDate) - Date.parse(read?.date ?? '');
      expect(apart).toBeGreaterThanOrEqual(0);
      expect(apart).toBeLessThan(366 * 86_400_000);
    }),
  );
});
