import { roomsToMake } from '@/core/opening/opening';
import { inShop } from '@/data/connection';
import { forgetShop } from '@/data/forget-shop';
import { newId } from '@/data/ids';
import { insertShop } from '@/data/shops';
import { loadDemo } from '@/demo/load';
import { freshShop, type TestShop } from '../support/database';

const AT = new Date('2026-11-24T06:50:00Z');

let demo: TestShop;
const mine = newId();
beforeAll(async () => {
  demo = await freshShop();
  await inShop(demo.app, mine, (trx) =>
    insertShop(
      trx,
      {
        ...{ id: mine, slug: 'tidal-vase', name: 'The Tidal Vase', timeZone: 'Europe/Oslo', demo: false },
        people: [{ name: 'Maren', role: 'owner', login: 'maren', secretHash: 'x' }],
        rooms: roomsToMake(['cold']),
        pails: [
          { name: '1', sizeL: 12, heightCm: 36, isClean: true },
          { name: '2', sizeL: 12, heightCm: 36, isClean: false },
        ],
      },
      AT,
    ),
  );
});
afterAll(() => demo.close());

/** Every table that holds rows of shops. */
async function tables(): Promise<string[]> {
  const { rows } = await demo.owner.raw<{ rows: { name: string }[] }>(
    `select c.table_name as name from information_schema.columns c
       join information_schema.tables t using (table_schema, table_name)
      where c.table_schema = 'public' and c.column_name = 'shop_id' and t.table_type = 'BASE TABLE'`,
  );
  return rows.map((r) => r.name);
}
/** All that is kept of a shop, table by table. */
async function keptOf(shopId: string): Promise<Record<string, unknown[]>> {
  const kept: Record<string, unknown[]> = {};
  for (const name of await tables())
    kept[name] = (await demo.owner(name).where({ shop_id: shopId })).sort((a, b) =>
      JSON.stringify(a) < JSON.stringify(b) ? -1 : 1,
    );
  return kept;
}

test('a shop that the application opened stands: its people, rooms and pails, the clean ones clean', async () => {
  const pails = await inShop(demo.app, mine, (trx) =>
    trx('pail').orderBy('name').select<{ name: string; state: string }[]>('name', 'state'),
  );
  expect(pails).toEqual([
    { name: '1', state: 'sanitised' },
    { name: '2', state: 'dirty' },
  ]);
  const rooms = await inShop(demo.app, mine, (trx) => trx('room').pluck('kind'));
  expect(rooms.sort()).toEqual(['bench', 'cold']);
});

test('neither of two shops sees a row of the other in any table, nor writes one', async () => {
  const both = [mine, demo.shopId];
  for (const shopId of both)
    for (const name of await tables()) {
      const seen = await inShop(demo.app, shopId, (trx) => trx(name).whereNot({ shop_id: shopId }));
      expect([name, seen]).toEqual([name, []]);
    }
  const strangers = inShop(demo.app, mine, (trx) =>
    trx('person').insert({
      ...{ id: newId(), shop_id: demo.shopId, name: 'Nobody', role: 'hand' },
      secret_hash: 'x',
    }),
  );
  await expect(strangers).rejects.toThrow();
});

test('the demo begins afresh, and of the shop beside it every row stays as it was', async () => {
  const before = await keptOf(mine);
  expect(await forgetShop(demo.owner, demo.shopId)).toBeGreaterThan(100);
  for (const [name, rows] of Object.entries(await keptOf(demo.shopId)))
    expect([name, rows]).toEqual([name, []]);
  expect(await keptOf(mine)).toEqual(before);
  expect(await loadDemo(demo.owner, AT, 'quiet')).toBe(true);
  expect(await keptOf(mine)).toEqual(before);
  // The record's rules hold again: nobody takes an entry out.
  await expect(demo.owner('record_entry').delete()).rejects.toThrow();
});
