import { waitingLot } from '../../../tests/support/waiting-lot';
import { randomStream } from '../random';
import { SHIPPED_SPECIES } from '../species/registry';
import { SPECIES } from '../species/species';
import { pailHolds, standsMm } from './pail-fit';
import { planBench } from './plan';
import type { BenchInput, WaitingLot } from './types';

/** Lots without a price, named after their kind where they have no name. */
const lot = (species: string, { id = species, stems = 40, ...over }: Partial<WaitingLot> = {}): WaitingLot =>
  waitingLot(id, species, stems, { unitPrice: null, ...over });
const pails = (n: number, litres = 12) =>
  Array.from({ length: n }, (_, i) => ({ name: `pail ${i + 1}`, litres, heightCm: 36 }));
const morning = (lots: readonly WaitingLot[], over: Partial<BenchInput> = {}): BenchInput => ({
  hands: [
    { name: 'Wen', skills: ['hot water', 'knife'] },
    { name: 'Bram', skills: ['hot water'] },
  ],
  kettle: { boilMinutes: 4 },
  sinks: 1,
  pails: pails(90),
  lots,
  seed: 1,
  tries: 3000,
  ...over,
});

test('pails short: who goes without loses least, however bulky the others are, and it is not in water', () => {
  // One pail; forty hydrangeas lose days in an hour, a hundred statice lose next to nothing all day.
  const plan = planBench(
    morning([lot('statice', { stems: 60 }), lot('hydrangea', { stems: 30 })], { pails: pails(1) }),
  );
  expect(plan.pails.map((p) => p.lot)).toContain('hydrangea');
  expect(plan.withoutPail.map((p) => p.lot)).toEqual(['statice']);
  const by = (id: string) => plan.lots.find((l) => l.lot === id);
  expect(by('hydrangea')?.wetAtMin).not.toBeNull();
  const none = planBench(morning([lot('rose')], { pails: [] }));
  expect(none.lots[0]?.wetAtMin).toBeNull();
  // A day dry is what it loses, whatever is done to it this morning.
  expect(none.objective.stemDays).toBeGreaterThan(planBench(morning([lot('rose')])).objective.stemDays + 5);
});

test('a loss is stem-days by what the stems are worth: the dear ones come to water first', () => {
  const twins = (dear: 'a' | 'b') =>
    ['a', 'b'].map((id) => lot('rose', { id, unitPrice: id === dear ? 6 : 0.3, stems: 60 }));
  for (const dear of ['a', 'b'] as const) {
    const plan = planBench(morning(twins(dear), { hands: [{ name: 'Wen', skills: [] }] }));
    const at = (id: string): number => plan.lots.find((l) => l.lot === id)?.wetAtMin ?? Infinity;
    expect(at(dear)).toBeLessThan(at(dear === 'a' ? 'b' : 'a'));
    // The dear one goes into the one pail there is.
    const short = planBench(morning(twins(dear), { pails: pails(1) }));
    expect(short.pails[0]?.lot).toBe(dear);
  }
});

test('no kettle means the hot tap in the plan as well, and hot water is for who may handle it', () => {
  const hanging = [lot('rose', { droop: 'hanging' })];
  const tap = planBench(morning(hanging, { kettle: null }));
  const dip = tap.assignment.find((w) => w.waitMin === 20);
  expect(dip).toMatchObject({ kettle: false });
  const only = planBench(
    morning(hanging, {
      hands: [
        { name: 'Wen', skills: [] },
        { name: 'Bram', skills: ['hot water'] },
      ],
    }),
  );
  expect(only.assignment.filter((w) => w.kettle).map((w) => w.hands)).toEqual(['Bram']);
});

test('tulip-thin stems stand 80 to 100 in ten litres, roses 40 to 60', () => {
  const holds = (key: string) => pailHolds(10, standsMm(SHIPPED_SPECIES.byKey(key)));
  for (const key of ['tulip', 'daffodil']) {
    expect(holds(key)).toBeGreaterThanOrEqual(80);
    expect(holds(key)).toBeLessThanOrEqual(100);
  }
  expect(holds('rose')).toBeGreaterThanOrEqual(40);
  expect(holds('rose')).toBeLessThanOrEqual(60);
  expect(holds('amaryllis')).toBeLessThan(15);
});

test('on mornings of thirty lots the plan is within 15 % of what no plan undercuts', () => {
  for (const day of [101, 106, 107]) {
    const luck = randomStream(day, 1);
    const lots = Array.from({ length: 30 }, (_, i) => {
      const { key } = SPECIES[Math.floor(luck.uniform() * SPECIES.length)] ?? { key: 'rose' };
      return lot(key, {
        id: String(i),
        stems: 10 + Math.floor(luck.uniform() * 80),
        unitPrice: 0.3 + 2 * luck.uniform(),
        droop: luck.uniform() < 0.15 ? 'soft' : 'firm',
        agedDays: 1 + 2 * luck.uniform(),
      });
    });
    const { objective, bound } = planBench(morning(lots, { tries: 6000 }));
    expect(bound.cost).toBeLessThanOrEqual(objective.cost);
    expect(objective.cost).toBeLessThan(1.15 * bound.cost);
  }
}, 60_000);
