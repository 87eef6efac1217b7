import * as fc from 'fast-check';
import { airHours, isInClockSpan, vapourPressureDeficitKPa } from './air';
import type { Stay } from './types';

const room = (over: Partial<Stay> = {}): Stay => ({
  hours: null,
  tempC: 20,
  humidityPct: 60,
  ethylenePpm: 0,
  litHours: 12,
  wet: true,
  ...over,
});

/** Saturation at these warmths is 0.611, 1.228, 2.338 and 4.246 kPa by any table of steam. */
test.each([
  [0, 0, 0.611],
  [10, 50, 0.614],
  [20, 60, 0.935],
  [30, 40, 2.547],
  [20, 100, 0],
])('at %d °C and %d %%RH the air lacks %d kPa', (tempC, humidityPct, kPa) => {
  expect(vapourPressureDeficitKPa(tempC, humidityPct)).toBeCloseTo(kPa, 2);
});

test('warmer and drier air pulls harder, always', () => {
  const temp = fc.double({ min: -5, max: 45, noNaN: true });
  const humidity = fc.double({ min: 1, max: 99, noNaN: true });
  fc.assert(
    fc.property(temp, humidity, fc.double({ min: 0.1, max: 10, noNaN: true }), (t, h, more) => {
      expect(vapourPressureDeficitKPa(t + more, h)).toBeGreaterThan(vapourPressureDeficitKPa(t, h));
      expect(vapourPressureDeficitKPa(t, Math.min(100, h + more))).toBeLessThan(
        vapourPressureDeficitKPa(t, h),
      );
    }),
  );
});

test('a span of the clock may run past midnight; one of no length is never on', () => {
  expect([21, 22, 3, 7, 8].map((h) => isInClockSpan(h, 22, 8))).toEqual([false, true, true, true, false]);
  expect([8, 9, 16, 17].map((h) => isInClockSpan(h, 9, 17))).toEqual([false, true, true, false]);
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 23 }), fc.integer({ min: 0, max: 23 }), (from, to) => {
      const on = Array.from({ length: 24 }, (_, h) => isInClockSpan(h, from, to)).filter(Boolean).length;
      expect(on).toBe((to - from + 24) % 24);
    }),
  );
});

test('hours are those of their stays in turn, the last of them without end', () => {
  const stays = [room({ hours: 3, tempC: 5, wet: false }), room({ hours: 2, tempC: 12 }), room()];
  const air = airHours(stays, 8, 0);
  expect([...air.tempC]).toEqual([5, 5, 5, 12, 12, 20, 20, 20]);
  expect([...air.wet]).toEqual([0, 0, 0, 1, 1, 1, 1, 1]);
  expect([...air.stayAt]).toEqual([0, 0, 0, 1, 1, 2, 2, 2]);
});

test('a stay that ends within an hour gives way at the hour’s middle', () => {
  const at = (hours: number): number[] => [...airHours([room({ hours, tempC: 5 }), room()], 4, 0).tempC];
  expect(at(1.4)).toEqual([5, 20, 20, 20]);
  expect(at(1.6)).toEqual([5, 5, 20, 20]);
  // Stays shorter than an hour are passed over, and nothing is lost of those that follow.
  expect([
    ...airHours([room({ hours: 0.2 }), room({ hours: 0.2, tempC: 40 }), room({ tempC: 7 })], 2, 0).tempC,
  ]).toEqual([7, 7]);
});

test('the reference room pulls by one in the mean of its lit and dark hours’ own factors', () => {
  const day = airHours([room()], 24, 0);
  const lit = [...day.pull].filter((p) => p > 1);
  const dark = [...day.pull].filter((p) => p < 1);
  expect([lit.length, dark.length]).toEqual([12, 12]);
  expect(lit[0]).toBeCloseTo(1.15, 9);
  expect(dark[0]).toBeCloseTo(0.75, 9);
});

test('cold nights are cold by night and damp, and the day is the room’s', () => {
  const night = { fromHour: 22, toHour: 8, tempC: 5, humidityPct: 85 };
  const air = airHours([room({ night })], 24, 0);
  expect([...air.tempC].filter((t) => t === 5)).toHaveLength(10);
  expect(air.tempC[7]).toBe(5);
  expect(air.tempC[8]).toBe(20);
  expect((air.pull[23] ?? 0) < (air.pull[21] ?? 0)).toBe(true);
});

test('whatever the stays, every hour has its air, and none of it is no number', () => {
  const stay = fc.record({
    hours: fc.double({ min: 0, max: 50, noNaN: true }),
    tempC: fc.double({ min: -10, max: 50, noNaN: true }),
    humidityPct: fc.double({ min: 1, max: 100, noNaN: true }),
    litHours: fc.double({ min: 0, max: 24, noNaN: true }),
  });
  fc.assert(
    fc.property(
      fc.array(stay, { maxLength: 6 }),
      fc.integer({ min: 1, max: 200 }),
      fc.integer({ min: 0, max: 23 }),
      (stays, hours, from) => {
        const air = airHours([...stays.map((s) => room(s)), room()], hours, from);
        for (let h = 0; h < hours; h++) {
          expect(Number.isFinite(air.pull[h])).toBe(true);
          expect(air.pull[h]).toBeGreaterThanOrEqual(0);
          expect(air.stayAt[h]).toBeLessThanOrEqual(stays.length);
        }
      },
    ),
    { numRuns: 100 },
  );
});
