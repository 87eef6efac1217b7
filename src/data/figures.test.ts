import { freshShop, type TestShop } from '../../tests/support/database';
import { overridesOf } from '../server/own-figures';
import { manyOwnFigures, setOwnFigure } from './figures';
import { manyNewestEntries } from './record';

let shop: TestShop;
beforeAll(async () => {
  shop = await freshShop();
});
afterAll(() => shop.close());

const set = (value: number | null, reason: string, key?: string) =>
  shop.inside((trx) =>
    setOwnFigure(
      trx,
      shop.action(key),
      { kind: 'species', subject: 'rose', figure: 'lifeDays20C', value, reason },
      `Rose: ${reason}`,
    ),
  );

test('the figure set last is in force, one given back is not, and the record tells both', async () => {
  await set(13, 'windowsill stems');
  await set(12, 'more of them');
  const inForce = await shop.inside(manyOwnFigures);
  expect(inForce).toMatchObject([
    { figure: 'lifeDays20C', value: 12, reason: 'more of them', setByName: 'Wen' },
  ]);
  expect(overridesOf(inForce)).toEqual({
    constants: {},
    species: { rose: { lifeDays20C: 12 } },
    solutions: {},
  });
  await set(null, 'the table was right');
  expect(await shop.inside(manyOwnFigures)).toEqual([]);
  expect(overridesOf([])).toBeNull();
  const words = (await shop.inside((trx) => manyNewestEntries(trx, 3))).map((e) => e.words);
  expect(words).toEqual(['Rose: the table was right', 'Rose: more of them', 'Rose: windowsill stems']);
});

test('what was set stands: nobody rewrites it, another shop does not see it, and nothing is set without a reason', async () => {
  await set(12, 'again');
  const refused = async (sql: string) =>
    shop
      .inside((trx) => trx.raw(sql))
      .then(
        () => 'done',
        () => 'refused',
      );
  expect(await refused("update own_figure set value = 1 where figure = 'lifeDays20C'")).toBe('refused');
  expect(await refused('delete from own_figure')).toBe('refused');
  await expect(shop.owner.raw('delete from own_figure')).rejects.toThrow('append-only');
  await expect(set(11, '  ')).rejects.toThrow();
  const elsewhere = await shop.app.transaction(async (trx) => {
    await trx.raw("select set_config('app.shop_id', '00000000-0000-7000-8000-000000000000', true)");
    return trx('own_figure').select('id');
  });
  expect(elsewhere).toEqual([]);
});
