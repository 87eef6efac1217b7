import { predictLot } from './predict-lot';
import type { Arrival, CareEvent, LotInput, Stay, WaterPlan } from './types';

/** The cases the model must reproduce, each with the trade's range. Medians unless said otherwise. */

const DRAWS = 600;
const VASE: Stay = { hours: null, tempC: 21, humidityPct: 60, ethylenePpm: 0, litHours: 14, wet: true };
const KEPT: WaterPlan = {
  start: 'clean',
  solution: 'plain',
  changeEveryDays: null,
  recutAtChange: false,
  leafBelow: 0,
};

interface Case {
  readonly arrival?: Partial<Arrival>;
  readonly stays?: readonly Stay[];
  readonly air?: Partial<Stay>;
  readonly water?: Partial<WaterPlan>;
  readonly countFromHour?: number;
  readonly events?: readonly CareEvent[];
}

function daysLeft(species: string, { arrival, stays, air, water, countFromHour = 0, events = [] }: Case) {
  const input: LotInput = {
    species,
    seed: 11,
    draws: DRAWS,
    leafShare: 1,
    countFromHour,
    events,
    arrival: { agedDays: 0.8, stage: 0.2, droop: 'firm', ...arrival },
    stays: stays ?? [{ ...VASE, ...air }],
    water: { ...KEPT, ...water },
  };
  return predictLot(input).daysLeft;
}
const rose = (c: Case): number => daysLeft('rose', c).p50;

describe('a rose at 21 °C, 60 % RH, aged 0.8 days', () => {
  const every2 = { changeEveryDays: 2, recutAtChange: true };
  const fed = { solution: 'flower-food', changeEveryDays: 4, recutAtChange: true } as const;

  test('in plain water never changed lasts 7 to 9 days', () => {
    const days = rose({});
    expect(days).toBeGreaterThanOrEqual(7);
    expect(days).toBeLessThanOrEqual(9);
  });
  test('changed and recut every 2 days lasts 8.5 to 10', () => {
    const days = rose({ water: every2 });
    expect(days).toBeGreaterThanOrEqual(8.5);
    expect(days).toBeLessThanOrEqual(10);
  });
  test('changed every 6 days without a recut loses at least a day on that', () => {
    expect(rose({ water: every2 }) - rose({ water: { changeEveryDays: 6 } })).toBeGreaterThanOrEqual(1);
  });
  test('in food, changed and recut every 4 days, lasts 10.5 to 13', () => {
    const days = rose({ water: fed });
    expect(days).toBeGreaterThanOrEqual(10.5);
    expect(days).toBeLessThanOrEqual(13);
  });
  test('in jars never changed ranks food, plain and copper, soda, then the harmful remedies', () => {
    const jar = (solution: WaterPlan['solution']): number => rose({ water: { solution } });
    const plain = jar('plain');
    const soda = jar('soda');
    expect(jar('flower-food')).toBeGreaterThan(Math.max(plain, jar('copper')));
    expect(Math.abs(jar('copper') - plain)).toBeLessThanOrEqual(0.8);
    expect(plain).toBeGreaterThan(soda);
    for (const remedy of ['bleach', 'aspirin', 'sugar-vinegar'] as const)
      expect(soda).toBeGreaterThan(jar(remedy));
  });
  test('in a hot dry room keeps at most 0.65 of its days', () => {
    expect(rose({ water: fed, air: { tempC: 26, humidityPct: 45 } })).toBeLessThanOrEqual(
      0.65 * rose({ water: fed }),
    );
  });
  test('in a reused pail loses at least 2.3 days', () => {
    expect(rose({}) - rose({ water: { start: 'reused' } })).toBeGreaterThanOrEqual(2.3);
  });
  test('after five days dry at 10 °C has at least 1.5 days fewer than after five at 1 °C', () => {
    const after = (tempC: number): number =>
      rose({
        arrival: { agedDays: 0.3 },
        countFromHour: 120,
        water: every2,
        stays: [{ hours: 120, tempC, humidityPct: 95, ethylenePpm: 0, litHours: 0, wet: false }, VASE],
      });
    expect(after(1) - after(10)).toBeGreaterThanOrEqual(1.5);
  });
});

describe('other species at 20 °C, in the right food changed and recut every 4 days', () => {
  const kept = (
    species: string,
    solution: WaterPlan['solution'],
    arrival: Partial<Arrival> = {},
    water: Partial<WaterPlan> = {},
  ) =>
    daysLeft(species, {
      arrival: { agedDays: 0.5, ...arrival },
      air: { tempC: 20 },
      water: { solution, changeEveryDays: 4, recutAtChange: true, ...water },
    });

  test.each([
    ['carnation', 'flower-food', {}, 16, 22],
    ['lily-oriental', 'bulb-food', {}, 10, 14],
    ['tulip', 'bulb-food', {}, 5, 7],
    ['daffodil', 'bulb-food', { agedDays: 0.4 }, 4, 6],
    ['peony', 'flower-food', {}, 7, 9],
    ['peony', 'flower-food', { stage: 1 }, 3, 4.5],
    ['statice', 'holding', { stage: 0.9 }, 12, 40],
    ['chrysanthemum-spray', 'flower-food', { stage: 0.9 }, 12, 40],
  ] as const)('%s in %s %j lasts %d to %d days', (species, solution, arrival, low, high) => {
    const { p50 } = kept(species, solution, arrival);
    expect(p50).toBeGreaterThanOrEqual(low);
    expect(p50).toBeLessThanOrEqual(high);
  });
  test('spray chrysanthemum loses at least 2 days in plain water never changed', () => {
    const plain = kept('chrysanthemum-spray', 'plain', { stage: 0.9 }, { changeEveryDays: null });
    expect(kept('chrysanthemum-spray', 'flower-food', { stage: 0.9 }).p50 - plain.p50).toBeGreaterThanOrEqual(
      2,
    );
  });
  test('gerbera is the widest: its P10 is past 3.5 days, its P90 as far as its own spread carries it', () => {
    const { p10, p90 } = kept('gerbera', 'holding', { stage: 0.9 });
    expect(p10).toBeGreaterThanOrEqual(3.5);
    // (8 e^(1.2816 √(0.35² + 0.10²)) − 0.5) × 1.10 = 13.5: the spread of its table row alone is past the
    // twelve days the trade tells, whatever the water; docs/model.md says so too.
    expect(p90).toBeGreaterThan(12);
    expect(p90).toBeLessThan(14.6);
  });
  test('hydrangea after 3 h dry is lost within 2 days uncut, and keeps over 4 cut and dipped', () => {
    const after = (cutOnReturn: boolean, events: readonly CareEvent[]): number =>
      daysLeft('hydrangea', {
        arrival: { agedDays: 0.5, stage: 0.9 },
        countFromHour: 3,
        events,
        stays: [
          { ...VASE, hours: 3, tempC: 20, wet: false },
          { ...VASE, tempC: 20, cutOnReturn },
        ],
      }).p50;
    expect(after(false, [])).toBeLessThan(2);
    expect(
      after(true, [
        { atHour: 3, type: 'cut', cm: 3 },
        { atHour: 3, type: 'hot-dip' },
      ]),
    ).toBeGreaterThan(4);
  });
});
