import { HOUR_MS } from '@/core/calendar/spans';
import { USUAL_TAP } from '@/core/water/dose-reading';
import { pailWater } from '@/core/water/pail-water';
import { solutionOf } from '@/core/water/solutions';
import { maybePail } from '@/data/pails';
import { maybeTap } from '@/data/tap';
import { manyWaterSeen } from '@/data/water-seen';
import { foodsOf } from '@/server/foods';
import { waterEvents } from '@/server/water-seen';
import { act, be, does, later } from '../support/acting';
import type { World } from '../support/bodies';
import { freshShop, type TestShop } from '../support/database';
import { stage } from '../support/stage';
import { newWorld } from '../support/world';

jest.mock('@/server/session', () => jest.requireActual<object>('../support/stage')['stagedSession' as never]);
jest.mock('@/server/clock', () => ({
  ...jest.requireActual<object>('@/server/clock'),
  now: () => stage.at,
}));

let shop: TestShop;
let world: World;
beforeAll(async () => {
  stage.shop = shop = await freshShop();
  await be('Ilse');
  world = await newWorld(shop);
});
beforeEach(() => be('Wen'));
afterAll(() => shop.close());

const food = {
  name: 'Quayside food',
  aLitre: 10,
  unit: 'mL',
  sachetL: null,
  cup: null,
  stepUs: 600,
} as const;
const fill = (pailId: string, solution: 'plain' | 'flower-food' = 'flower-food') =>
  act('pails/fill', { pailId, litres: 4, solution, tempC: 20, depth: 'normal' });
/** A pail's water as its page works it out, and what was told of it. */
async function waterOf(pailId: string) {
  return shop.inside(async (trx) => {
    const pail = await maybePail(trx, pailId);
    if (!pail?.filledAt || !pail.start) throw new Error('no water in it');
    const solution = solutionOf(pail.solution);
    const seen = (await manyWaterSeen(trx)).filter((s) => s.fillId === pail.fillId);
    const against = { solution, tap: (await maybeTap(trx)) ?? USUAL_TAP, foods: await foodsOf(trx) };
    const water = pailWater({
      ...{ start: pail.start, litres: pail.litres ?? 1, solution, tempC: 18, holdsLilies: false },
      ageHours: (stage.at.getTime() - pail.filledAt.getTime()) / HOUR_MS,
      events: waterEvents(seen, pail.filledAt, against),
      longestUse: { plainDays: 2, foodDays: 4, lilyDays: 3 },
    });
    return { water, kinds: seen.map((s) => s.kind) };
  });
}
const lastEntryId = async (kind: string): Promise<number> =>
  (await shop.owner('record_entry').where({ kind }).orderBy('id', 'desc').first<{ id: number }>('id')).id;

test('a meter that reads half the step says its dose is short, by the shop’s tap and product; taken back it says nothing', async () => {
  await be('Ilse');
  await act('shop/food', { solution: 'flower-food', food });
  await act('shop/tap', { tap: { ph: 7.5, us: 300 } });
  await be('Wen');
  const pailId = world.cleanPailId;
  await fill(pailId);
  later(60);
  expect(await does('pails/read', { pailId, ph: null, us: null, chlorinePpm: null })).not.toBe('done');
  expect(await does('pails/read', { pailId, ph: null, us: 600, chlorinePpm: null })).toBe('done');
  const { water, kinds } = await waterOf(pailId);
  expect(kinds).toEqual(['water-reading']);
  // By hand: poured 1 ± 0.15; (600 − 300) / 600 = 0.5 ± 0.1.
  expect(water.dose).toBeCloseTo(0.654, 3);
  expect(water.without?.dose).toBe(1);
  await act('desk/take-back', { entryId: await lastEntryId('water-reading') });
  expect((await waterOf(pailId)).water.dose).toBe(1);
});

test('plain water put to it is entered and thins its food; not more than it holds, and not to a dry pail', async () => {
  const pailId = world.cleanPailId;
  later(30);
  expect(await does('pails/top-up', { pailId, litres: 4 })).toBe('done');
  expect((await waterOf(pailId)).water).toMatchObject({ dose: 0.5, litresLeft: 8 });
  expect(await does('pails/top-up', { pailId, litres: 60 })).toMatch(/holds 12 L/);
  expect(await does('pails/top-up', { pailId: world.dirtyPailId, litres: 1 })).toMatch(/no water in it/);
  expect(await does('pails/read', { pailId: world.dirtyPailId, ph: 5, us: null, chlorinePpm: null })).toMatch(
    /no water in it/,
  );
});

test('stems that rot in a pail foul its water for all that stands in it; broken ones do not', async () => {
  later(30);
  const { pailId, lotId } = world;
  await act('dock/bin', { lotId, stems: 1, reason: 'broken' });
  expect((await waterOf(pailId)).kinds).toEqual([]);
  const before = (await waterOf(pailId)).water;
  later(5);
  await act('dock/bin', { lotId, stems: 2, reason: 'rotten' });
  later(60);
  const { water, kinds } = await waterOf(pailId);
  expect(kinds).toEqual(['fouled']);
  expect(before.count.p50).toBeLessThan(5);
  expect(water.count.p50).toBeGreaterThanOrEqual(6.5);
  expect(water.dueInHours).toBe(0);
});
