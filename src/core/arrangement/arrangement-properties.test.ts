import fc from 'fast-check';
import { arrangementOf } from '../../../tests/support/bench-inputs';
import { arrangementInput } from '../../../tests/support/lot-inputs';
import { checked } from '../door/check';
import { arrangementInputSchema } from '../door/schemas';
import { careStyles, styleOfDraws } from './care-styles';
import { dateOf, FIRST_FADE, LAST_STAND, shareByDay, STILL_A_GIFT } from './draw-outcome';
import { predictArrangement, predictInSlices } from './predict-arrangement';
import { advance, startArrangement } from './run';
import type { ArrangementForecast } from './types';

function numbersIn(value: unknown): number[] {
  if (typeof value === 'number') return [value];
  return typeof value === 'object' && value !== null ? Object.values(value).flatMap(numbersIn) : [];
}

test('any valid arrangement gives sound numbers, its dates in order', () => {
  fc.assert(
    fc.property(arrangementInput, (input) => {
      const forecast = predictArrangement(checked(arrangementInputSchema, input));
      expect(numbersIn(forecast).every(Number.isFinite)).toBe(true);
      for (const p of ['p10', 'p50', 'p90'] as const) {
        expect(forecast.firstFade[p]).toBeLessThanOrEqual(forecast.stillAGift[p]);
        expect(forecast.stillAGift[p]).toBeLessThanOrEqual(forecast.lastStand[p]);
      }
      expect(forecast.promiseDays).toBe(Math.floor(forecast.giftDaysAtConfidence));
      const shares = forecast.presentableShareByDay;
      expect(shares.every((s, day) => s >= 0 && s <= (shares[day - 1] ?? 1) + 1e-12)).toBe(true);
      expect(forecast.lines[forecast.limitingLine]).toBeDefined();
    }),
    { numRuns: 100 },
  );
});

test('the order of lines does not matter, whatever stands in it', () => {
  fc.assert(
    fc.property(arrangementInput, (input) => {
      const forward = predictArrangement(input);
      const back = predictArrangement({ ...input, lines: [...input.lines].reverse() });
      const near = (a: number, b: number) => expect(Math.abs(a - b)).toBeLessThan(1e-6);
      near(forward.stillAGift.p50, back.stillAGift.p50);
      near(forward.giftDaysAtConfidence, back.giftDaysAtConfidence);
      forward.lines.forEach((l, i) => near(l.daysLeft.p50, back.lines.at(-1 - i)?.daysLeft.p50 ?? NaN));
    }),
    { numRuns: 25 },
  );
});

test('more draws narrow the error as one over the root of their number, and it is the error seeds make', () => {
  const at = (draws: number, seed: number): ArrangementForecast =>
    predictArrangement({ ...arrangementOf(draws), seed });
  const errors = [100, 400, 1600].map((draws) => {
    const told = [1, 2, 3, 4, 5, 6].map((seed) => at(draws, seed).errors.stillAGift.p50);
    return told.reduce((a, b) => a + b, 0) / told.length;
  }) as [number, number, number];
  expect(errors[0] / errors[1]).toBeGreaterThan(1.5);
  expect(errors[0] / errors[1]).toBeLessThan(2.7);
  expect(errors[1] / errors[2]).toBeGreaterThan(1.5);
  expect(errors[1] / errors[2]).toBeLessThan(2.7);
  const medians = Array.from({ length: 24 }, (_, seed) => at(100, 100 + seed).stillAGift.p50);
  const mean = medians.reduce((a, b) => a + b, 0) / medians.length;
  const spread = Math.sqrt(medians.reduce((a, m) => a + (m - mean) ** 2, 0) / (medians.length - 1));
  expect(spread / errors[0]).toBeGreaterThan(0.6);
  expect(spread / errors[0]).toBeLessThan(1.7);
});

test('in slices or in one go it is the same forecast, its parts told on the way, and it can be given up', async () => {
  const input = arrangementOf(300, 'mixed');
  const partials: number[] = [];
  const progress: number[] = [];
  const whole = await predictInSlices(input, {
    pause: () => Promise.resolve(),
    onPartial: (partial) => partials.push(partial.draws),
    onProgress: (share) => progress.push(share),
  });
  expect(whole).toEqual(predictArrangement(input));
  expect(partials.length).toBeGreaterThan(1);
  expect(progress.at(-1)).toBe(1);
  expect(progress).toEqual([...progress].sort((a, b) => a - b));
  let calls = 0;
  const given = await predictInSlices(input, {
    pause: () => Promise.resolve(),
    isCancelled: () => ++calls > 2,
  });
  expect(given).toBeNull();
});

test('the first draws of a mixed run are mixed as the whole of it is', () => {
  const styles = Array.from(styleOfDraws([{ draws: 30 }, { draws: 50 }, { draws: 20 }]));
  const count = (upTo: number) => [0, 1, 2].map((s) => styles.slice(0, upTo).filter((x) => x === s).length);
  expect(count(100)).toEqual([30, 50, 20]);
  expect(count(10)).toEqual([3, 5, 2]);
});

test('a vase too small for its stems runs dry between toppings up, and one never topped up is lost', () => {
  const water = arrangementOf(1).water;
  const at = (litres: number, everyHours: number | null = 24) =>
    predictArrangement({
      ...arrangementOf(40),
      vessel: { kind: 'vase', litres },
      water: water && { ...water, topUp: { everyHours, with: 'same' } },
    });
  const ample = at(4);
  expect(at(8).stillAGift).toEqual(ample.stillAGift);
  expect(at(0.3).stillAGift.p50).toBeLessThan(ample.stillAGift.p50 - 1);
  expect(at(2, null).stillAGift.p50).toBeLessThan(ample.stillAGift.p50);
  const day1 = ample.waterByDay[1];
  // Weighed vases lose 15 to 40 mL a leafy stem a day; gerbera and statice, bare, drink less.
  expect(day1?.drunkMl).toBeGreaterThan(40 * 10);
  expect(day1?.drunkMl).toBeLessThan(40 * 40);
});

test('topped up with plain water the dose thins, and the food with it', () => {
  const water = {
    ...arrangementOf(1).water,
    start: 'clean',
    solution: 'flower-food',
    recutAtChange: false,
  } as const;
  const kept = (top: 'same' | 'plain') =>
    predictArrangement({
      ...arrangementOf(40),
      water: { ...water, leafBelow: 0, changeEveryDays: null, topUp: { everyHours: 24, with: top } },
    });
  expect(kept('plain').waterByDay[3]?.biocide).toBeLessThan((kept('same').waterByDay[3]?.biocide ?? 0) * 0.6);
  expect(kept('plain').stillAGift.p50).toBeLessThan(kept('same').stillAGift.p50);
});

test('dates by hand: three focal stems and four fillers', () => {
  const lines = [
    { endHours: Float64Array.from([24, 48, NaN]), weight: 3 },
    { endHours: Float64Array.from([12, 36, 60, 72]), weight: 1 },
  ];
  // Of 13: a tenth is 1.3, a quarter 3.25, half 6.5.
  expect(dateOf(lines, FIRST_FADE, 0)).toBe(1);
  expect(dateOf(lines, STILL_A_GIFT, 0)).toBe(1);
  expect(dateOf(lines, LAST_STAND, 0)).toBe(2);
  expect(dateOf(lines, LAST_STAND, 0, 1)).toBe(2);
  expect(dateOf(lines, STILL_A_GIFT, 0, 0)).toBe(1.5);
  const shares = new Float64Array(41);
  shareByDay(lines, 0, shares);
  expect([...shares.slice(0, 4)].map((s) => Math.round(s * 13))).toEqual([13, 9, 5, 3]);
});

test('the line whose replacement would add most is named with its gain', () => {
  const forecast = predictArrangement(arrangementOf(200));
  expect(forecast.lines[forecast.limitingLine]?.species).toBe('gerbera');
  expect(forecast.lines[forecast.limitingLine]?.gainIfReplacedDays).toBeGreaterThan(0.3);
  const alone = arrangementOf(20);
  expect(predictArrangement({ ...alone, lines: alone.lines.slice(0, 1) }).lines[0]?.gainIfReplacedDays).toBe(
    0,
  );
});

test('a thousand stems keep memory bounded: blocks are used again from draw to draw', () => {
  const input = arrangementOf(4);
  const run = startArrangement({ ...input, lines: input.lines.map((l) => ({ ...l, stems: 250 })) });
  const blocks = run.lines.map((l) => l.block);
  advance(run, 4);
  expect(run.lines.map((l) => l.block)).toEqual(blocks);
  // Of 250 stems in a thousand fifteen are drawn, in each of four draws.
  expect(run.lines.every((l) => l.ends.count === 60)).toBe(true);
});

test('a shop’s own mix of customers decides how many draws are kept how, and each stays a share of them', () => {
  const drawsOf = (careMixCareful: number, careMixCareless: number): number[] =>
    careStyles(
      { ...arrangementOf(200, 'mixed'), overrides: { constants: { careMixCareful, careMixCareless } } },
      [],
    ).map((style) => style.draws);
  expect(careStyles(arrangementOf(200, 'mixed'), []).map((s) => s.draws)).toEqual([60, 100, 40]);
  expect(drawsOf(0.7, 0.05)).toEqual([140, 50, 10]);
  expect(drawsOf(1, 0)).toEqual([200]);
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      (a, b) => {
        const draws = drawsOf(a, b);
        expect(draws.every((n) => n > 0)).toBe(true);
        expect(draws.reduce((sum, n) => sum + n, 0)).toBe(200);
      },
    ),
  );
});
