import { SHIPPED_SPECIES } from '../species/registry';
import fc from 'fast-check';
import { journeyStays } from '../vase-life/journey';
import { journeyByLogger, loggerInWords } from './journey-by-logger';
import { loggerStays } from './logger-stays';
import { readLogger } from './read-logger';

const HOUR = 3_600_000;
const START = Date.parse('2026-11-18T14:00:00Z');
const iso = (hours: number): string => new Date(START + hours * HOUR).toISOString();
const file = (rows: readonly string[], head = 'timestamp_utc,temperature,rh'): string =>
  ['logger_serial,LT-1', 'unit,C', head, ...rows].join('\n');

test('a clean file is read whole, with its serial, its unit and its interval', () => {
  const read = readLogger(file([0, 0.25, 0.5].map((h) => `${iso(h)},${4 + h},90`)));
  expect(read).toMatchObject({ serial: 'LT-1', unit: 'C', intervalMin: 15, badRows: [], gaps: [] });
  expect(read.readings.map((r) => r.tempC)).toEqual([4, 4.25, 4.5]);
});

test('Fahrenheit is known by what the file says, by its heading, by its figures, and at last by sense', () => {
  const temps = (text: string) => readLogger(text).readings.map((r) => Math.round(r.tempC * 10) / 10);
  expect(temps(`unit,F\ntime,temp\n${iso(0)},39.2`)).toEqual([4]);
  expect(temps(`time,Temp (°F)\n${iso(0)},39.2`)).toEqual([4]);
  expect(temps(`time,temp\n${iso(0)},39.2 F`)).toEqual([4]);
  expect(temps(`time,temp\n${iso(0)},39.2\n${iso(1)},41`)).toEqual([4, 5]);
  expect(temps(`time,temp\n${iso(0)},21.5`)).toEqual([21.5]);
});

test('semicolons, decimal commas, dates of either order, and a clock in a column of its own', () => {
  const read = readLogger(
    'Datum;Uhrzeit;Temperatur °C;Feuchte\n18.11.2026;14:00;4,5;91\n18.11.2026;15:00;5,5;92',
  );
  expect(read.readings).toEqual([
    { atMs: START, tempC: 4.5, humidityPct: 91 },
    { atMs: START + HOUR, tempC: 5.5, humidityPct: 92 },
  ]);
  const american = readLogger('date time,temp c\n11/18/2026 2:00 PM,4\n11/18/2026 3:00 PM,5');
  expect(american.dayFirst).toBe(false);
  expect(american.readings.map((r) => r.atMs)).toEqual([START, START + HOUR]);
});

test('bad rows are told by their line, repeats and disorder too, and nothing else is lost', () => {
  const read = readLogger(
    file([
      `${iso(2)},5,90`,
      'noon,4,90',
      `${iso(1)},warm,90`,
      `${iso(0)},4,90`,
      `${iso(0)},4.5,90`,
      '2026-02-30T01:00:00Z,4,90',
      `${iso(3)},400,90`,
    ]),
  );
  expect(read.readings.map((r) => r.tempC)).toEqual([4, 5]);
  expect(read.badRows.map((b) => b.line)).toEqual([5, 6, 8, 9, 10]);
  expect(read.notes).toHaveLength(1);
});

test('a gap is told, and the route stands in for it', () => {
  const hours = [0, 1, 2, 3, 10, 11, 12];
  const read = readLogger(file(hours.map((h) => `${iso(h)},4,90`)));
  expect(read.gaps).toEqual([{ from: iso(3), to: iso(10), hours: 7 }]);
  const journey = loggerStays(read, START, START + 12 * HOUR, false, () => 16);
  expect(journey).toMatchObject({ hours: 12, loggedHours: 5, filledHours: 7, warmestC: 16, warmHours: 7 });
  expect(journey.stays.map((s) => [s.hours, s.tempC])).toEqual([
    [3, 4],
    [7, 16],
    [2, 4],
  ]);
});

test('however irregular its times, a straight line of temperature comes back as the hours’ own means', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 1, max: 100 }), { minLength: 12, maxLength: 80 }),
      fc.double({ min: -0.5, max: 0.5, noNaN: true }),
      (minutes, slope) => {
        let at = 0;
        const rows = [0, ...minutes.map((m) => (at += m))].map(
          // As a logger writes it: never as 1e-7.
          (m) => `${iso(m / 60)},${(5 + (slope * m) / 60).toFixed(6)}`,
        );
        const hours = Math.floor(at / 60);
        fc.pre(hours >= 2 && Math.abs(slope * hours) < 30);
        const journey = loggerStays(
          readLogger(file(rows, 'time,temp')),
          START,
          START + hours * HOUR,
          false,
          () => NaN,
        );
        expect(journey.stays.reduce((n, s) => n + (s.hours ?? 0), 0)).toBe(hours);
        let hour = 0;
        for (const stay of journey.stays) {
          const middle = 5 + slope * (hour + 0.5);
          expect(Math.abs(stay.tempC - middle)).toBeLessThan(0.1 + Math.abs(slope) * (stay.hours ?? 0));
          hour += stay.hours ?? 0;
        }
      },
    ),
    { numRuns: 60 },
  );
});

test('what is no logger file is refused by name', () => {
  for (const text of ['', 'rose,20\ntulip,50', 'time,temp\n', '\u0000\u0001'])
    expect(() => readLogger(text)).toThrow('file');
});

test('a route without a logger and the same route logged give the same journey', () => {
  const route = journeyStays('highland farms by air', 40, false);
  const temps = route.flatMap((s) => Array.from({ length: s.hours ?? 0 }, () => s.tempC));
  const rows = temps.flatMap((t, h) => [`${iso(h)},${t},95`, `${iso(h + 0.999)},${t},95`]);
  const journey = loggerStays(readLogger(file(rows)), START, START + 40 * HOUR, false, () => NaN);
  expect(journey.stays.map((s) => [s.hours, s.tempC, s.humidityPct])).toEqual(
    route.map((s) => [s.hours, s.tempC, s.humidityPct]),
  );
});

test('a warm spell the logger saw ages a lot as the route alone would not, and is told in words', () => {
  const rose = SHIPPED_SPECIES.byKey('rose');
  const of = (warm: number) => {
    const rows = Array.from(
      { length: 97 },
      (_, q) => `${iso(q / 4)},${q >= 40 && q < 40 + 4 * warm ? 24 : 4},90`,
    );
    const read = readLogger(file(rows));
    const { outcome } = journeyByLogger(read, {
      species: rose,
      cutMs: START,
      arrivedMs: START + 24 * HOUR,
      wet: false,
      route: 'glasshouse by road',
    });
    return { words: loggerInWords(read), agedDays: outcome.agedDays };
  };
  expect(of(8).agedDays).toBeGreaterThan(of(0).agedDays + 0.3);
  expect(of(8).words).toContain('warmest 24.0 °C, 8 h at 10 °C or more');
  expect(of(0).words).toContain('97 readings over 24 h');
});
