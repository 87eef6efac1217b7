import { USUAL_SANITISER } from '@/core/sanitising/sanitiser';
import { inEnglish } from '@/core/words/say';
import { manyNewestEntries } from '@/data/record';
import { foodsOf } from '@/server/foods';
import { sanitiserOf } from '@/server/sanitiser';
import { act, be, does } from '../support/acting';
import { freshShop, type TestShop } from '../support/database';
import { stage } from '../support/stage';

jest.mock('@/server/session', () => jest.requireActual<object>('../support/stage')['stagedSession' as never]);
jest.mock('@/server/clock', () => ({
  ...jest.requireActual<object>('@/server/clock'),
  now: () => stage.at,
}));

let shop: TestShop;
beforeAll(async () => {
  stage.shop = shop = await freshShop();
});
afterAll(() => shop.close());

test('what the shop doses with is weighed once, told with every dose, and refused where it holds nothing', async () => {
  await be('Ilse');
  const cup = { name: 'cap', ml: 12.5 };
  const prices = { pricePerL: 2.35, waterPerM3: 4.1 };
  await act('shop/sanitiser', { ...USUAL_SANITISER, cup, ...prices });
  expect(await shop.inside((trx) => sanitiserOf(trx))).toEqual({ ...USUAL_SANITISER, cup, ...prices });
  expect(await does('shop/sanitiser', { ...USUAL_SANITISER, pricePerL: -1 })).not.toBe('done');
  expect(await does('shop/sanitiser', { ...USUAL_SANITISER, cup: { name: 'cap', ml: 0 } })).not.toBe('done');
  expect(await does('shop/sanitiser', { ...USUAL_SANITISER, cup: { name: ' ', ml: 12 } })).not.toBe('done');
  expect((await shop.inside((trx) => sanitiserOf(trx))).cup).toEqual(cup);
  await act('shop/sanitiser', USUAL_SANITISER);
  expect((await shop.inside((trx) => sanitiserOf(trx))).cup).toBeNull();
});

test('what the shop feeds with is told by its label, per food, and no more once it is taken back', async () => {
  await be('Ilse');
  const food = {
    name: 'Quayside food',
    aLitre: 10,
    unit: 'mL',
    sachetL: null,
    cup: { name: 'scoop', ml: 20 },
    stepUs: 600,
  } as const;
  expect(await does('shop/food', { solution: 'flower-food', food })).toBe('done');
  expect(
    await does('shop/food', { solution: 'bulb-food', food: { ...food, unit: 'g', sachetL: 2, cup: null } }),
  ).toBe('done');
  expect(await shop.inside((trx) => foodsOf(trx))).toEqual({
    'flower-food': food,
    'bulb-food': { ...food, unit: 'g', sachetL: 2, cup: null },
  });
  for (const wrong of [
    { aLitre: 0 },
    { aLitre: 900 },
    { name: ' ' },
    { sachetL: 0 },
    { cup: { name: 'cap', ml: 0 } },
  ])
    expect(await does('shop/food', { solution: 'flower-food', food: { ...food, ...wrong } })).not.toBe(
      'done',
    );
  expect(await does('shop/food', { solution: 'bulb-food', food: null })).toBe('done');
  expect(await shop.inside((trx) => foodsOf(trx))).toEqual({ 'flower-food': food });
  const [entry] = await shop.inside((trx) => manyNewestEntries(trx, 1));
  expect(inEnglish(entry?.words ?? '')).toContain('Bulb food');
  await be('Wen');
  expect(await does('shop/food', { solution: 'flower-food', food: null })).toMatch(/manager/);
});
