import fc from 'fast-check';
import { SPECIES } from '../species/species';
import type { Stay, WaterPlan } from '../vase-life/types';
import { predictLot } from '../vase-life/predict-lot';
import { sharedSolution } from './care-styles';
import { predictArrangement } from './predict-arrangement';
import type { ArrangementForecast, ArrangementInput, ArrangementLine, Care, Vessel } from './types';

const roomAt = (tempC: number): Stay[] => [
  { hours: null, tempC, humidityPct: 60, ethylenePpm: 0, litHours: 14, wet: true },
];
const line = (species: string, stems: number, over: Partial<ArrangementLine> = {}): ArrangementLine => ({
  species,
  stems,
  arrival: { agedDays: 0.8, stage: 0.2, droop: 'firm' },
  leafShare: 0.6,
  ...over,
});
const plan = (over: Partial<WaterPlan>): WaterPlan => ({
  start: 'clean',
  solution: 'flower-food',
  changeEveryDays: null,
  recutAtChange: false,
  leafBelow: 0,
  ...over,
});
const keep = (
  lines: readonly ArrangementLine[],
  over: Partial<ArrangementInput> & ({ care: Care } | { water: WaterPlan }),
): ArrangementForecast =>
  predictArrangement({
    seed: 3,
    draws: 120,
    confidence: 0.9,
    vessel: { kind: 'vase', litres: 1.5 },
    stays: roomAt(21),
    lines,
    ...over,
  });
const anyStems = fc.array(
  fc.record({
    species: fc.constantFrom(...SPECIES.map((s) => s.key)),
    stems: fc.integer({ min: 1, max: 8 }),
  }),
  { minLength: 1, maxLength: 3 },
);
const anyCare = fc.constantFrom<Care>('careful', 'usual', 'careless');

test('the same stems kept the same way end no later in a vase’s place in foam, whatever they are', () => {
  fc.assert(
    fc.property(
      anyStems,
      anyCare,
      fc.constantFrom(15, 21, 27, 33),
      fc.constantFrom(0.5, 1, 1.7, 2.5),
      (stems, care, tempC, litres) => {
        const lines = stems.map((s) => line(s.species, s.stems));
        const days = (kind: Vessel['kind']) =>
          keep(lines, { care, draws: 40, stays: roomAt(tempC), vessel: { kind, litres } });
        const [foam, vase] = [days('foam'), days('vase')];
        for (const date of ['firstFade', 'stillAGift', 'lastStand'] as const)
          expect(foam[date].p50).toBeLessThanOrEqual(vase[date].p50 + 0.05);
      },
    ),
    { numRuns: 150 },
  );
});

test('careful customers keep flowers no shorter than usual ones, and those no shorter than careless, at 15 to 35 °C', () => {
  fc.assert(
    fc.property(anyStems, fc.integer({ min: 15, max: 35 }), (stems, tempC) => {
      const lines = stems.map((s) => line(s.species, s.stems));
      const days = (care: Care) => keep(lines, { care, draws: 40, stays: roomAt(tempC) }).stillAGift.p50;
      expect(days('careful')).toBeGreaterThanOrEqual(days('usual') - 0.05);
      expect(days('usual')).toBeGreaterThanOrEqual(days('careless') - 0.05);
    }),
    { numRuns: 120 },
  );
});

test('a dozen roses in a usual vase: food pays, and so does fresh water with new food on day 4 or 5', () => {
  const roses = [line('rose', 12)];
  const gift = (water: WaterPlan) => keep(roses, { water, draws: 300 }).stillAGift.p50;
  const once = gift(plan({}));
  expect(once - gift(plan({ solution: 'plain' }))).toBeGreaterThan(0.5);
  for (const day of [4, 5]) {
    const gain = gift(plan({ changeEveryDays: day })) - once;
    expect(gain).toBeGreaterThanOrEqual(0.5);
    expect(gain).toBeLessThanOrEqual(2);
  }
  // Topped up with plain water the food thins by what was drunk: some 25 mL a leafy stem a day.
  const day3 = keep(roses, { water: plan({}) }).waterByDay[3]?.biocide ?? 1;
  expect(day3).toBeGreaterThan(0.35);
  expect(day3).toBeLessThan(0.7);
});

test('daffodils that were not soaked cost tulips one to two days and others half of that; a night alone, nothing', () => {
  const lost = (species: string, solution: WaterPlan['solution'], aloneHours: number) => {
    const water = plan({ solution });
    const beside = (others: ArrangementLine) =>
      keep([line(species, 6), others], { water, draws: 300 }).lines[0]?.daysLeft.p50 ?? NaN;
    return beside(line('daffodil', 8, { aloneHours: 12 })) - beside(line('daffodil', 8, { aloneHours }));
  };
  const tulip = lost('tulip', 'bulb-food', 0);
  expect(tulip).toBeGreaterThanOrEqual(1);
  expect(tulip).toBeLessThanOrEqual(2);
  for (const other of ['rose', 'anemone', 'freesia']) {
    const days = lost(other, 'flower-food', 0);
    expect(days).toBeGreaterThan(0.3 * tulip);
    expect(days).toBeLessThan(0.9 * tulip);
  }
  expect(lost('tulip', 'bulb-food', 4)).toBeLessThan(0.25 * tulip);
  expect(lost('tulip', 'bulb-food', 8)).toBe(0);
});

test('latex does half of what mucilage does, until it is sealed', () => {
  const lost = (other: string, clean: Partial<ArrangementLine>) => {
    const rose = (over: Partial<ArrangementLine>) =>
      keep([line('rose', 6), line(other, 8, over)], { water: plan({}), draws: 300 }).lines[0]?.daysLeft.p50 ??
      NaN;
    return rose(clean) - rose({});
  };
  const latex = lost('euphorbia', { sapSealed: true });
  const mucilage = lost('hyacinth', { aloneHours: 12 });
  expect(latex).toBeGreaterThan(0.2);
  expect(latex / mucilage).toBeGreaterThan(0.3);
  expect(latex / mucilage).toBeLessThan(0.7);
});

test('water too deep costs a gerbera about a day; a rose does not mind; changing a gerbera’s water pays', () => {
  const lot = (species: string, water: Partial<WaterPlan>) =>
    predictLot({
      species,
      seed: 5,
      draws: 1500,
      leafShare: 1,
      arrival: { agedDays: 0.5, stage: 0.9, droop: 'firm' },
      stays: roomAt(20),
      water: plan({ solution: 'holding', changeEveryDays: 4, ...water }),
    }).daysLeft.p50;
  const cost = lot('gerbera', { depthCm: 5 }) - lot('gerbera', { depthCm: 15 });
  expect(cost).toBeGreaterThan(0.5);
  expect(cost).toBeLessThan(1.6);
  expect(lot('rose', { depthCm: 5 })).toBe(lot('rose', { depthCm: 15 }));
  // In a vase it stands deeper than it likes: soft stems rot where the water is dirty.
  const inVase = { solution: 'plain', depthCm: 15 } as const;
  const kept = lot('gerbera', { ...inVase, changeEveryDays: 2 });
  expect(kept - lot('gerbera', { ...inVase, changeEveryDays: null })).toBeGreaterThan(0.3);
});

test('the food they share goes by the stems’ weight: a lone tulip among roses takes the roses’', () => {
  const of = (...stems: readonly (readonly [string, number])[]) =>
    sharedSolution(
      stems.map(([key, n]) => ({
        stems: n,
        species: SPECIES.find((s) => s.key === key) ?? (SPECIES[0] as never),
      })),
    );
  expect(of(['rose', 12], ['tulip', 1])).toBe('flower-food');
  expect(of(['rose', 1], ['tulip', 12])).toBe('bulb-food');
  // Three kinds of gentle foliage weigh less than the roses they stand beside.
  expect(of(['rose', 5], ['eucalyptus', 2], ['pittosporum', 2], ['pieris', 2])).toBe('flower-food');
});
