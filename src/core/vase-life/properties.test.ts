import fc from 'fast-check';
import { lotInput } from '../../../tests/support/lot-inputs';
import { checked } from '../door/check';
import { SPECIES } from '../species/species';
import { lotInputSchema } from '../door/schemas';
import { predictLot } from './predict-lot';
import type { LotInput, Stay } from './types';

const VASE: Stay = { hours: null, tempC: 20, humidityPct: 60, ethylenePpm: 0, litHours: 12, wet: true };
const kept = (species: string, over: Partial<LotInput> = {}): LotInput => ({
  species,
  seed: 3,
  draws: 120,
  leafShare: 1,
  arrival: { agedDays: 0.5, stage: 0.3, droop: 'firm' },
  stays: [VASE],
  water: { start: 'clean', solution: 'plain', changeEveryDays: null, recutAtChange: false, leafBelow: 0 },
  ...over,
});

test('any valid input gives a forecast of sound numbers', () => {
  fc.assert(
    fc.property(lotInput, (input) => {
      const forecast = predictLot(checked(lotInputSchema, input));
      const { p10, p50, p90 } = forecast.daysLeft;
      expect([p10, p50, p90].every((d) => d >= 0 && d <= 40)).toBe(true);
      expect(p10).toBeLessThanOrEqual(p50);
      expect(p50).toBeLessThanOrEqual(p90);
      expect(forecast.presentableShareByDay).toHaveLength(41);
      expect(forecast.presentableShareByDay.every((s, day, all) => s >= 0 && s <= (all[day - 1] ?? 1))).toBe(
        true,
      );
      expect(Object.values(forecast.endCauses).reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
      expect(
        forecast.stageByDay.every((s, day) => (s === null) === (forecast.presentableShareByDay[day] === 0)),
      ).toBe(true);
    }),
    { numRuns: 250 },
  );
});

test('the same seed gives the same forecast, another seed another', () => {
  expect(predictLot(kept('rose'))).toEqual(predictLot(kept('rose')));
  expect(predictLot(kept('rose', { seed: 4 })).daysLeft).not.toEqual(predictLot(kept('rose')).daysLeft);
});

test('splitting a stay in two changes nothing', () => {
  fc.assert(
    fc.property(lotInput, fc.integer({ min: 1, max: 150 }), (input, hours) => {
      const last = input.stays.at(-1) as Stay;
      // The warm drink is given once, on coming back: the second half of a split stay has none to give.
      const plain: Stay = { ...last };
      const whole = { ...input, stays: [...input.stays.slice(0, -1), plain] };
      const split = { ...input, stays: [...input.stays.slice(0, -1), { ...plain, hours }, plain] };
      expect(predictLot(split)).toEqual(predictLot(whole));
    }),
    { numRuns: 60 },
  );
});

test('colder never shortens the life of a hardy stem that stands in water, firm and without air in it', () => {
  for (const { key } of SPECIES.filter((s) => s.chillBelowC === null)) {
    const days = [0, 2, 5, 8, 14, 20, 26].map(
      (tempC) => predictLot(kept(key, { draws: 60, stays: [{ ...VASE, tempC }] })).daysLeft,
    );
    for (const p of ['p10', 'p50', 'p90'] as const)
      expect(days.every((d, i) => i === 0 || d[p] <= (days[i - 1]?.[p] ?? 0) + 1e-9)).toBe(true);
  }
});

test('dirtier water never lengthens it', () => {
  for (const { key } of SPECIES) {
    const days = (['clean', 'rinsed', 'reused'] as const).map(
      (start) => predictLot(kept(key, { draws: 60, water: { ...kept(key).water, start } })).daysLeft.p50,
    );
    expect(days[0]).toBeGreaterThanOrEqual(days[1] ?? 99);
    expect(days[1]).toBeGreaterThanOrEqual(days[2] ?? 99);
  }
});

test('more draws narrow the error told as one over the root of their number', () => {
  // The error told is itself read off the draws: its mean over seeds is what the law speaks of.
  const told = (draws: number): number =>
    Array.from(
      { length: 16 },
      (_, seed) => predictLot(kept('rose', { draws, seed })).daysLeftError.p50,
    ).reduce((a, b) => a + b, 0);
  expect(told(250) / told(4000)).toBeGreaterThan(3.3);
  expect(told(250) / told(4000)).toBeLessThan(4.8);
});

test('cold injures the tropical, and fruit gases the sensitive', () => {
  const cold = predictLot(kept('anthurium', { stays: [{ ...VASE, tempC: 3 }] }));
  expect(cold.endCauses.chilled).toBe(1);
  const fruit = { ...VASE, ethylenePpm: 0.3 };
  const carnation = predictLot(kept('carnation', { stays: [fruit] }));
  expect(carnation.endCauses.gassed).toBeGreaterThan(0.9);
  expect(carnation.daysLeft.p50).toBeLessThan(0.6 * predictLot(kept('carnation')).daysLeft.p50);
  const statice = { water: { ...kept('statice').water, changeEveryDays: 2, recutAtChange: true } };
  expect(predictLot(kept('statice', { ...statice, stays: [fruit] })).daysLeft).toEqual(
    predictLot(kept('statice', statice)).daysLeft,
  );
});

test('cold nights lengthen it, and the night is its own clock hours', () => {
  const night = { fromHour: 22, toHour: 8, tempC: 5, humidityPct: 85 };
  const plain = predictLot(kept('rose')).daysLeft.p50;
  const cool = predictLot(kept('rose', { stays: [{ ...VASE, night }] })).daysLeft.p50;
  const never = predictLot(kept('rose', { stays: [{ ...VASE, night: { ...night, toHour: 22 } }] })).daysLeft
    .p50;
  expect(cool).toBeGreaterThan(plain + 1.5);
  expect(never).toBe(plain);
});

test('a lot that ended before its days are counted has none left', () => {
  const late = predictLot(kept('tulip', { countFromHour: 60 * 24 }));
  expect(late.daysLeft).toEqual({ p10: 0, p50: 0, p90: 0 });
  expect(late.presentableShareByDay[0]).toBe(0);
});
