import * as fc from 'fast-check';
import { isDayFirst, isZone, readTime, zoneNamed } from './read-time';

const HERE = { dayFirst: true, timeZone: 'Europe/Amsterdam' };
const utc = (text: string): number => Date.parse(text);

test.each([
  // Its own zone wins over the file's.
  ['2026-11-24T06:50:00Z', '2026-11-24T06:50:00Z'],
  ['2026-11-24 06:50:10+01:00', '2026-11-24T05:50:10Z'],
  ['2026-11-24 06:50 -0500', '2026-11-24T11:50:00Z'],
  ['2026-11-24 06:50:00.250 UTC', '2026-11-24T06:50:00Z'],
  // Without one it is the file's: winter, and summer.
  ['2026-11-24 06:50', '2026-11-24T05:50:00Z'],
  ['2026-07-01 06:50', '2026-07-01T04:50:00Z'],
  ['24/11/2026 06:50', '2026-11-24T05:50:00Z'],
  ['24-11-26 18:05:30', '2026-11-24T17:05:30Z'],
  ['24.11.2026, 6:50 pm', '2026-11-24T17:50:00Z'],
  ['24.11.2026 12:00 a.m.', '2026-11-23T23:00:00Z'],
  ['24.11.2026 12:00 PM', '2026-11-24T11:00:00Z'],
])('%j is %s', (text, at) => {
  expect(readTime(text, HERE)).toBe(utc(at));
});

test.each([
  '',
  'soon',
  '24/11/2026',
  '2026-11-24',
  '31/11/2026 06:50',
  '24/11/2026 25:00',
  '24/11/2026 13:00 pm',
])('%j is no time', (text) => {
  expect(readTime(text, HERE)).toBeNull();
});

test('an hour that comes twice is read on from the reading before it', () => {
  const first = readTime('2026-10-25 02:30', HERE);
  expect(first).toBe(utc('2026-10-25T00:30:00Z'));
  expect(readTime('2026-10-25 02:15', { ...HERE, notBeforeMs: first ?? 0 })).toBe(
    utc('2026-10-25T01:15:00Z'),
  );
});

test.each([
  [['24/11/2026 06:50'], true],
  [['11/24/2026 06:50'], false],
  // The first that tells it decides; where none does, the day comes first.
  [['05/06/2026 06:50', '06/13/2026 06:50'], false],
  [['05/06/2026 06:50'], true],
  [['2026-11-24 06:50'], true],
])('of %j the day comes first: %s', (texts, dayFirst) => {
  expect(isDayFirst(texts)).toBe(dayFirst);
});

test.each([
  ['Time (UTC)', 'UTC'],
  ['GMT+1', '+01:00'],
  ['UTC -3:30', '-03:30'],
  ['clock +0100', '+01:00'],
  ['Europe/Berlin', 'Europe/Berlin'],
  ['Temperature, °C', null],
  ['2026-11-24', null],
  ['Left/Right', null],
])('%j names the zone %s', (text, zone) => {
  expect(zoneNamed(text)).toBe(zone);
});

test('zones that clocks can be read in are known from others', () => {
  expect(['UTC', 'Europe/Amsterdam', '+01:00'].every(isZone)).toBe(true);
  expect(['Skerrow/Harbour', '+99:00', ''].some(isZone)).toBe(false);
});

test('whatever moment it is: written with its offset, or in its zone, it reads back to the second', () => {
  const moment = fc.integer({
    min: utc('2024-01-01T00:00:00Z') / 1000,
    max: utc('2029-01-01T00:00:00Z') / 1000,
  });
  const offset = fc.integer({ min: -12, max: 12 });
  fc.assert(
    fc.property(moment, offset, (seconds, hours) => {
      const wall = new Date(seconds * 1000 + hours * 3_600_000).toISOString().slice(0, 19);
      const sign = hours < 0 ? '-' : '+';
      const zone = `${sign}${String(Math.abs(hours)).padStart(2, '0')}:00`;
      expect(readTime(wall + zone, HERE)).toBe(seconds * 1000);
      expect(readTime(wall.replace('T', ' '), { ...HERE, timeZone: zone })).toBe(seconds * 1000);
    }),
  );
});
