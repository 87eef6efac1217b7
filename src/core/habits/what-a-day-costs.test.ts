import fc from 'fast-check';
import { arrangementOf, lotOf, TABLE_STAY } from '../../../tests/support/bench-inputs';
import { arrangementInput, lotInput } from '../../../tests/support/lot-inputs';
import { predictArrangement } from '../arrangement/predict-arrangement';
import { predictLot } from '../vase-life/predict-lot';
import type { LotInput } from '../vase-life/types';
import { dayCostsInSteps, whatADayCosts, type HabitWorth } from './what-a-day-costs';

const worth = (input: Parameters<typeof whatADayCosts>[0], habit: string): HabitWorth | undefined =>
  whatADayCosts(input).habits.find((h) => h.habit === habit);
const plainRose: LotInput = {
  ...lotOf('rose', 300, 'plain'),
  water: { ...lotOf('rose', 1, 'plain').water, changeEveryDays: null, recutAtChange: false },
};

test('a gain is the difference of the medians that two forecasts give', () => {
  const fed: LotInput = { ...plainRose, water: { ...plainRose.water, solution: 'flower-food' } };
  const food = worth(plainRose, 'food');
  expect(food?.isObserved).toBe(false);
  expect(food?.medianGainDays).toBeCloseTo(
    predictLot(fed).daysLeft.p50 - predictLot(plainRose).daysLeft.p50,
    9,
  );
  // The same habit is worth the same, asked of the one that has it.
  expect(worth(fed, 'food')).toMatchObject({ isObserved: true, medianGainDays: food?.medianGainDays });
});

test('a vase is ranked by days still a gift, largest first, with the two that matter most together', () => {
  const input = arrangementOf(60, 'careful');
  const costs = whatADayCosts(input);
  expect(costs.medianDays).toBeCloseTo(predictArrangement(input).stillAGift.p50, 9);
  const gains = costs.habits.map((h) => h.medianGainDays);
  expect(gains).toEqual([...gains].sort((a, b) => b - a));
  expect(costs.habits.find((h) => h.habit === 'cold-nights')?.medianGainDays).toBeGreaterThan(2);
  const pair = costs.interaction;
  expect(pair?.habits).toHaveLength(2);
  expect(
    (pair?.firstAloneDays ?? 0) + (pair?.secondAloneDays ?? 0) + (pair?.interactionDays ?? 0),
  ).toBeCloseTo(pair?.bothDays ?? NaN, 9);
});

test('the interval tells noise from gain: over other seeds the gain stays about where it says', () => {
  const food = (seed: number): HabitWorth | undefined => worth({ ...plainRose, seed }, 'food');
  const first = food(1);
  const others = [2, 3, 4, 5, 6, 7, 8, 9, 10, 11].map((seed) => food(seed)?.medianGainDays ?? NaN);
  const width = (first?.interval.high ?? 0) - (first?.interval.low ?? 0);
  expect(width).toBeLessThan(0.6);
  const near = others.filter(
    (g) => g > (first?.interval.low ?? 0) - width && g < (first?.interval.high ?? 0) + width,
  );
  expect(near.length).toBeGreaterThanOrEqual(8);
});

test('habits that do not apply are not offered: no cold nights for tropicals, no recut in foam, no fruit for the indifferent', () => {
  const keys = (input: Parameters<typeof whatADayCosts>[0]) =>
    whatADayCosts(input).habits.map((h) => h.habit);
  expect(keys(lotOf('anthurium', 5, 'flower-food'))).not.toContain('cold-nights');
  const foam = keys({ ...arrangementOf(3, 'careful'), vessel: { kind: 'foam', litres: 1 } });
  expect(foam).not.toContain('recut');
  expect(foam).not.toContain('change');
  expect(keys(lotOf('statice', 5, 'plain'))).not.toContain('no-fruit');
  const dry: LotInput = {
    ...plainRose,
    draws: 5,
    stays: [{ ...TABLE_STAY, hours: 20, wet: false }, TABLE_STAY],
  };
  expect(keys(dry)).toContain('cut-on-return');
});

test('what happened before days are counted is past changing', () => {
  const history: LotInput = {
    ...plainRose,
    countFromHour: 48,
    events: [
      { atHour: 48, type: 'change', solution: 'flower-food' },
      { atHour: 48, type: 'cut', cm: 2 },
    ],
  };
  expect(worth(history, 'recut')?.isObserved).toBe(false);
  expect(worth(history, 'change')?.isObserved).toBe(false);
});

test('whatever is asked, it answers with sound numbers and tells how far it has come', () => {
  fc.assert(
    fc.property(fc.oneof(lotInput, arrangementInput), (input) => {
      const steps = dayCostsInSteps(input);
      let done = 0;
      for (;;) {
        const step = steps.next();
        if (step.done) {
          for (const h of step.value.habits) {
            expect(Number.isFinite(h.medianGainDays)).toBe(true);
            expect(h.interval.low).toBeLessThanOrEqual(h.interval.high);
            expect(h.spread.p10).toBeLessThanOrEqual(h.spread.p90);
          }
          break;
        }
        expect(step.value).toBeGreaterThan(done);
        done = step.value;
      }
      expect(done).toBeLessThan(1);
    }),
    { numRuns: 40 },
  );
});
