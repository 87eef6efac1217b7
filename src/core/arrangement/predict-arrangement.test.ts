import { predictArrangement, daysReached } from './predict-arrangement';
import type { ArrangementInput, ArrangementLine } from './types';

const line = (species: string, stems: number): ArrangementLine => ({
  species,
  stems,
  arrival: { agedDays: 0.8, stage: 0.3, droop: 'firm' },
  leafShare: 0.6,
});
const input = (over: Partial<ArrangementInput> = {}): ArrangementInput => ({
  seed: 5,
  draws: 60,
  lines: [line('rose', 5), line('gerbera', 3), line('statice', 4)],
  vessel: { kind: 'vase', litres: 1.5 },
  stays: [{ hours: null, tempC: 21, humidityPct: 60, ethylenePpm: 0, litHours: 14, wet: true }],
  confidence: 0.9,
  care: 'mixed',
  ...over,
});

test('the three dates come in their order, and the promise holds with its confidence', () => {
  const forecast = predictArrangement(input());
  expect(forecast.firstFade.p50).toBeLessThan(forecast.stillAGift.p50);
  expect(forecast.stillAGift.p50).toBeLessThan(forecast.lastStand.p50);
  expect(forecast.promiseDays).toBe(Math.floor(forecast.giftDaysAtConfidence));
  expect(forecast.promiseDays).toBeLessThan(forecast.stillAGift.p50);
  expect(forecast.promiseDays).toBeGreaterThan(2);
});

test('the order of the lines does not matter', () => {
  const forward = predictArrangement(input());
  const back = predictArrangement(input({ lines: [...input().lines].reverse() }));
  expect(back.stillAGift).toEqual(forward.stillAGift);
  expect(back.lines.map((l) => l.daysLeft).reverse()).toEqual(forward.lines.map((l) => l.daysLeft));
});

test('careful customers keep it longer than usual ones, and those longer than careless', () => {
  const days = (['careful', 'usual', 'careless'] as const).map(
    (care) => predictArrangement(input({ care })).stillAGift.p50,
  );
  expect(days[0]).toBeGreaterThan(days[1] ?? 99);
  expect(days[1]).toBeGreaterThan(days[2] ?? 99);
});

test('a flower that ends gases its sensitive neighbours: many roses shorten a carnation beside them', () => {
  const water = {
    start: 'clean',
    solution: 'flower-food',
    changeEveryDays: 4,
    recutAtChange: true,
    leafBelow: 0,
  } as const;
  const beside = (other: string): number =>
    predictArrangement(
      input({
        care: undefined,
        water,
        lines: [line('carnation', 2), line(other, 40)],
      }),
    ).lines[0]?.daysLeft.p50 ?? 0;
  expect(beside('rose')).toBeLessThan(beside('statice') - 0.5);
});

test('foam takes neither a change nor a recut', () => {
  const water = {
    start: 'clean',
    solution: 'plain',
    changeEveryDays: 2,
    recutAtChange: true,
    leafBelow: 0,
  } as const;
  const rest = { ...input(), care: undefined };
  const foam = predictArrangement({ ...rest, water, vessel: { kind: 'foam', litres: 1 } });
  expect(foam.stillAGift.p50).toBeLessThan(predictArrangement({ ...rest, water }).stillAGift.p50);
});

test('a promise is the days that the asked share of draws reached', () => {
  const days = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10];
  expect(daysReached(days, 0.9)).toBe(2);
  expect(daysReached(days, 0.5)).toBe(6);
  expect(daysReached([4], 0.9)).toBe(4);
});

test('water and care exclude one another, and nothing is refused by name', () => {
  expect(() => predictArrangement(input({ lines: [] }))).toThrow('lines');
  expect(() =>
    predictArrangement({
      ...input(),
      water: { start: 'clean', solution: 'plain', changeEveryDays: null, recutAtChange: false, leafBelow: 0 },
    }),
  ).toThrow('water');
});
