import { manyPails, type PailRow } from '@/data/pails';
import { act, be, does, later } from '../support/acting';
import { freshShop, type TestShop } from '../support/database';
import { stage } from '../support/stage';
import { newPail } from '../support/world';

jest.mock('@/server/session', () => jest.requireActual<object>('../support/stage')['stagedSession' as never]);
jest.mock('@/server/clock', () => ({
  ...jest.requireActual<object>('@/server/clock'),
  now: () => stage.at,
}));

let shop: TestShop;
beforeAll(async () => {
  stage.shop = shop = await freshShop();
});
beforeEach(() => be('Wen'));
afterAll(() => shop.close());

const DAY_MIN = 24 * 60;
const pail = async (id: string): Promise<PailRow | undefined> =>
  (await shop.inside((trx) => manyPails(trx))).find((p) => p.id === id);
const fill = (pailId: string, solution: 'plain' | 'flower-food' | 'bleach', over: object = {}) =>
  does('pails/fill', { ...{ pailId, litres: 3, solution, tempC: 12, depth: 'normal' }, ...over });

test('a clean pail that stood longer than the house lets it counts as rinsed, and goes into the solution again', async () => {
  await be('Ilse');
  await act('desk/set-way', {
    kind: 'limit',
    key: 'readyDays',
    value: 1,
    reason: 'a dusty room',
  });
  await be('Wen');
  const [used, washed, fresh] = await Promise.all([1, 2, 3].map(() => newPail(shop, 'sanitised')));
  later(DAY_MIN - 10);
  expect(await fill(fresh ?? '', 'plain')).toBe('done');
  expect((await pail(fresh ?? ''))?.start).toBe('clean');
  expect(await does('pails/wash', { pailId: washed ?? '', to: 'contact' })).toMatch(/not its next/);
  later(20);
  expect(await fill(used ?? '', 'plain')).toBe('done');
  expect((await pail(used ?? ''))?.start).toBe('rinsed');
  expect(await does('pails/wash', { pailId: washed ?? '', to: 'contact' })).toBe('done');
  later(15);
  expect(await does('pails/wash', { pailId: washed ?? '', to: 'sanitised' })).toBe('done');
  expect(await fill(washed ?? '', 'plain')).toBe('done');
  expect((await pail(washed ?? ''))?.start).toBe('clean');
});

test('chlorine meets neither acid food on a wall nor hot water, and food no chlorine that stands in a pail', async () => {
  const [once, hot, soaking] = await Promise.all([
    newPail(shop, 'sanitised'),
    newPail(shop, 'sanitised'),
    newPail(shop, 'sanitised'),
  ]);
  await fill(once, 'flower-food');
  later(60);
  await act('pails/tip-out', { pailId: once });
  const reason = { overrideReason: 'no clean one left' };
  expect(await fill(once, 'bleach', reason)).toMatch(/acid flower food there: poisonous gas/);
  expect((await pail(once))?.fillId).toBeNull();
  // Scrubbed it is off the wall.
  await act('pails/wash', { pailId: once, to: 'scrubbed' });
  expect(await fill(once, 'bleach', reason)).toBe('done');
  expect(await fill(hot, 'bleach', { tempC: 45 })).toMatch(/fumes off hot water/);
  expect(await fill(hot, 'plain', { tempC: 45 })).toBe('done');

  await act('pails/fill', { pailId: soaking, litres: 3, solution: 'plain', tempC: 12, depth: 'normal' });
  await act('pails/tip-out', { pailId: soaking });
  for (const to of ['scrubbed', 'contact'] as const) await act('pails/wash', { pailId: soaking, to });
  expect(await fill(soaking, 'flower-food', reason)).toMatch(/poisonous gas/);
});

test('a product that makes gas with chlorine is set for sanitising by nobody', async () => {
  await be('Ilse');
  const sanitiser = {
    ...{ percent: 4, madeOn: null, storageC: 18, targetPpm: 200, contactMin: 10 },
    ...{ cup: null, pricePerL: null, waterPerM3: null },
  };
  expect(await does('shop/sanitiser', { ...sanitiser, name: 'Ammonia cleaner' })).toMatch(/keep them apart/);
  expect(await does('shop/sanitiser', { ...sanitiser, name: 'thick bleach' })).toBe('done');
});
