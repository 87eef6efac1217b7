import fc from 'fast-check';
import { dayBeganMs, instantOf, momentIn } from './zones';

const BERLIN = 'Europe/Berlin';
const ms = (iso: string): number => Date.parse(iso);
const wall = (text: string) => {
  const [year = 0, month = 0, day = 0, hour = 0, minute = 0] = text.split(/[-T:]/).map(Number);
  return { year, month, day, hour, minute, second: 0 };
};

test('the date, hour and clock of a moment are those of its zone', () => {
  expect(momentIn(ms('2026-11-24T23:30:00Z'), BERLIN)).toEqual({
    date: '2026-11-25',
    hour: 0,
    clock: '00:30',
  });
  expect(momentIn(ms('2026-11-24T23:30:00Z'), 'Etc/UTC')).toMatchObject({ date: '2026-11-24', hour: 23 });
});

test('a day begins at its first instant, also where the clocks leave midnight out', () => {
  expect(dayBeganMs(ms('2026-11-25T05:40:00Z'), BERLIN)).toBe(ms('2026-11-24T23:00:00Z'));
  // Twenty-five hours, as the clocks go back.
  expect(dayBeganMs(ms('2026-10-25T22:00:00Z'), BERLIN)).toBe(ms('2026-10-24T22:00:00Z'));
  // Asunción's clocks went on at midnight: that day began at one.
  expect(dayBeganMs(ms('2023-10-01T12:00:00Z'), 'America/Asuncion')).toBe(ms('2023-10-01T04:00:00Z'));
});

test('a clock on the wall is one instant: the hour that comes twice by what came before, the one left out past the gap', () => {
  expect(instantOf(wall('2026-07-01T08:00'), BERLIN)).toBe(ms('2026-07-01T06:00:00Z'));
  const twice = wall('2026-10-25T02:30');
  expect(instantOf(twice, BERLIN)).toBe(ms('2026-10-25T00:30:00Z'));
  expect(instantOf(twice, BERLIN, ms('2026-10-25T00:45:00Z'))).toBe(ms('2026-10-25T01:30:00Z'));
  expect(instantOf(wall('2026-03-29T02:30'), BERLIN)).toBe(ms('2026-03-29T01:30:00Z'));
  expect(instantOf(wall('2026-02-30T10:00'), BERLIN)).toBeNull();
  expect(instantOf(wall('2026-02-03T25:00'), BERLIN)).toBeNull();
});

test('what a zone’s clock shows of an instant is read back as that instant', () => {
  const zones = fc.constantFrom(
    BERLIN,
    'Etc/UTC',
    'America/Bogota',
    'Australia/Lord_Howe',
    'Asia/Kolkata',
    '+05:45',
  );
  fc.assert(
    fc.property(zones, fc.integer({ min: ms('2020-01-01'), max: ms('2035-01-01') }), (zone, at) => {
      const whole = Math.floor(at / 60_000) * 60_000;
      const { date, clock } = momentIn(whole, zone);
      const back = instantOf(wall(`${date}T${clock}`), zone, whole - 1800_000);
      expect(Math.abs((back ?? 0) - whole)).toBeLessThanOrEqual(0);
    }),
    { numRuns: 500 },
  );
});
