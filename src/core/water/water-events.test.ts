import fc from 'fast-check';
import { forecastWater, type WaterAsked } from './water-forecast';
import type { WaterEvent } from './water-events';
import { drunkInDay, evaporation } from './water-level';

const SHAPE = { litres: 10, heightCm: 30 };
const fed: WaterAsked = {
  ...{ tempC: 20, solution: 'flower-food', start: 'clean', leafBelow: 0, hours: 96 },
  ...{ looks: [], topUpLitresPerDay: 0, litres: 5 },
};
const withEvents = (events: readonly WaterEvent[], more: Partial<WaterAsked> = {}) =>
  forecastWater({ ...fed, ...more, events });
const plain = forecastWater(fed);
const atEnd = (of: readonly number[]): number => of.at(-1) ?? NaN;

test('a meter that reads half a dose says the water is half known to be short, and it goes off sooner', () => {
  const short = withEvents([{ atHour: 2, kind: 'dose', dose: { mean: 0.5, sd: 0.1 } }]);
  // By hand: 1 ± 0.15 with 0.5 ± 0.1.
  expect(short.doseByHour[2]).toBeCloseTo(0.654, 3);
  expect(short.log10ByHour[96]?.p50).toBeGreaterThan(plain.log10ByHour[96]?.p50 ?? 9);
  // A surer reading of the same moves it further.
  const surer = withEvents([{ atHour: 2, kind: 'dose', dose: { mean: 0.5, sd: 0.02 } }]);
  expect(surer.doseByHour[2]).toBeLessThan(short.doseByHour[2] ?? 0);
});

test('plain water has no dose to be short of', () => {
  const read = withEvents([{ atHour: 2, kind: 'dose', dose: { mean: 0, sd: 0.1 } }], { solution: 'plain' });
  expect(read.log10ByHour).toEqual(forecastWater({ ...fed, solution: 'plain' }).log10ByHour);
});

test('topping up with plain water thins the food by what it adds, and never the count', () => {
  const topped = withEvents([{ atHour: 24, kind: 'top-up', litres: 5 }]);
  expect(topped.litresByHour[24]).toBe(10);
  expect(topped.doseByHour[24]).toBeCloseTo(0.5, 12);
  expect(topped.log10ByHour[24]).toEqual(plain.log10ByHour[24]);
  expect(topped.log10ByHour[96]?.p50).toBeGreaterThan(plain.log10ByHour[96]?.p50 ?? 9);
});

test('a strip that shows chlorine holds the count down for a while', () => {
  const read = withEvents([{ atHour: 10, kind: 'chlorine', ppm: { mean: 2, sd: 0.5 } }]);
  expect(read.log10ByHour[12]?.p50).toBeLessThan(plain.log10ByHour[12]?.p50 ?? 0);
});

test('a lot that rots in it makes of a clean pail one that was never washed, and food of the rest', () => {
  const fouled = withEvents([{ atHour: 5, kind: 'fouled' }]);
  expect(fouled.log10ByHour[4]).toEqual(plain.log10ByHour[4]);
  expect(fouled.log10ByHour[5]?.p50).toBeCloseTo(6.5, 6);
  expect(fouled.passesLimitAtHour).toBe(5);
  expect(plain.passesLimitAtHour).toBeNull();
});

test('open water loses 2 mm a day at 20 °C and 60 %RH, more in drier air, none in air that is full', () => {
  const straight = { litres: 10, heightCm: 30, form: 'straight' as const };
  const air = { tempC: 20, humidityPct: 60 };
  // A straight pail of 10 L and 30 cm has 333 cm² open: 2 mm of it are 67 mL.
  expect(24 * evaporation(straight, air)(5)).toBeCloseTo(0.0667, 4);
  expect(evaporation(straight, { tempC: 20, humidityPct: 30 })(5)).toBeCloseTo(
    (evaporation(straight, air)(5) * 0.7) / 0.4,
    10,
  );
  expect(evaporation(straight, { tempC: 20, humidityPct: 100 })(5)).toBe(0);
});

test('a leafy stem drinks 25 mL a day at reference, a bare one a third of that', () => {
  const air = { tempC: 20, humidityPct: 60 };
  expect(drunkInDay([{ stems: 40, leafiness: 2 }], air)).toBeCloseTo(1, 9);
  expect(drunkInDay([{ stems: 40, leafiness: 0 }], air)).toBeCloseTo(0.35, 9);
});

test('of an open pail: litres are never made, food is neither; what goes off leaves it stronger, what is drunk not', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 1, max: 10, noNaN: true }),
      fc.double({ min: 0, max: 3, noNaN: true }),
      fc.integer({ min: 20, max: 95 }),
      fc.array(
        fc.record({
          atHour: fc.integer({ min: 0, max: 96 }),
          litres: fc.double({ min: 0.1, max: 2, noNaN: true }),
        }),
        {
          maxLength: 4,
        },
      ),
      (litres, drunkADay, humidityPct, topUps) => {
        const open = { shape: SHAPE, humidityPct, drunkADay };
        const events = topUps.map((t): WaterEvent => ({ ...t, kind: 'top-up' }));
        const { litresByHour, doseByHour } = withEvents(events, { litres, open });
        const added = topUps.reduce((sum, t) => sum + t.litres, 0);
        expect(atEnd(litresByHour)).toBeLessThanOrEqual(litres + added + 1e-9);
        for (const l of litresByHour) expect(l).toBeGreaterThan(0);
        // As long as it does not stand dry the food in it is what was poured in, less what was drunk.
        if (Math.min(...litresByHour) > 0.1)
          for (const [h, l] of litresByHour.entries())
            expect(l * (doseByHour[h] ?? 0)).toBeLessThanOrEqual(litres + 1e-9);
        if (topUps.length === 0) expect(atEnd(doseByHour)).toBeGreaterThanOrEqual(1);
      },
    ),
  );
});
