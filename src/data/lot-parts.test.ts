import { faultOf, freshShop, type TestShop } from '../../tests/support/database';
import { mergeLots, splitLot } from './lot-parts';
import { maybeLot, type LotRow } from './lots';
import { manyPortionsOfLot, takeStems } from './portions';
import { manyStays } from './stays';

const AT = new Date('2026-11-24T07:30:00Z');
let shop: TestShop;
beforeAll(async () => {
  shop = await freshShop();
});
afterAll(() => shop.close());

const lot = async (id: string): Promise<LotRow> => {
  const found = await shop.inside((trx) => maybeLot(trx, id));
  if (!found) throw new Error('the lot is there');
  return found;
};
const split = (lotId: string, stems: number) =>
  shop.inside(async (trx) => {
    await trx.raw('select pg_advisory_xact_lock(hashtextextended(?, 1))', [shop.shopId]);
    return splitLot(trx, lotId, stems);
  });
const merge = (from: string, into: string) => shop.inside((trx) => mergeLots(trx, from, into, AT));
const portions = (lotId: string) => shop.inside((trx) => manyPortionsOfLot(trx, lotId));
/** Stems booked and left of some lots together: what no splitting or joining ever changes. */
const sums = async (...ids: readonly string[]): Promise<readonly [booked: number, left: number]> => {
  const { rows } = await shop.owner.raw<{ rows: { booked: number; left: number }[] }>(
    `select sum(stems_booked)::int as booked, sum(stems_left)::int as left from lot where id = any(?)`,
    [[...ids]],
  );
  return [rows[0]?.booked ?? 0, rows[0]?.left ?? 0];
};

test('a lot that came in two states: some of it is a lot of its own, as the old one was booked', async () => {
  const id = await shop.bookLot(60);
  const made = await split(id, 20);
  expect(await sums(id, made.lotId)).toEqual([60, 60]);
  const [old, fresh] = [await lot(id), await lot(made.lotId)];
  expect([old.stemsLeft, fresh.stemsLeft]).toEqual([40, 20]);
  for (const same of ['speciesKey', 'variety', 'cutDate', 'deliveryId', 'lengthCm', 'packing'] as const)
    expect([same, fresh[same]]).toEqual([same, old[same]]);
  expect(fresh.number).toBeGreaterThan(old.number);
  // What was set apart has stood where the rest stood, hour for hour.
  const [before, after] = await Promise.all(
    [id, made.lotId].map(async (of) => {
      const [first] = await portions(of);
      const stays = await shop.inside((trx) => manyStays(trx, [first?.id ?? '']));
      return stays.map((s) => [s.fromAt.toISOString(), s.wet, s.tempC]);
    }),
  );
  expect(after).toEqual(before);
});

test('no more than there are, and never all of it: nothing would be left to be the old lot', async () => {
  const id = await shop.bookLot(10);
  await expect(split(id, 10)).rejects.toThrow(/That is all of lot \d+/);
  await expect(split(id, 11)).rejects.toThrow(/has 10 left, not 11 together/);
  expect((await lot(id)).stemsLeft).toBe(10);
});

test('put together again it is one lot, one heap, with every stem', async () => {
  const id = await shop.bookLot(30);
  const { lotId } = await split(id, 12);
  const merged = await merge(lotId, id);
  expect(merged).toMatchObject({ stems: 12 });
  expect(await sums(id)).toEqual([30, 30]);
  expect((await lot(lotId)).stemsLeft).toBe(0);
  const heaps = (await portions(id)).filter((p) => p.stemsLeft > 0);
  expect(heaps.map((h) => h.stemsLeft)).toEqual([30]);
});

test('stems that were used stay used, whichever lot they were of', async () => {
  const id = await shop.bookLot(30);
  const { lotId, portionId } = await split(id, 12);
  await shop.inside((trx) => takeStems(trx, portionId, 5, AT));
  expect((await lot(lotId)).stemsLeft).toBe(7);
  await merge(lotId, id);
  expect(await sums(id)).toEqual([30, 25]);
});

test('what is not one is not put together, and says why', async () => {
  const [one, other] = [await shop.bookLot(10), await shop.bookLot(10)];
  await expect(merge(one, one)).rejects.toThrow('That is the same lot.');
  await expect(merge(one, other)).rejects.toThrow('two deliveries');
  const { lotId } = await split(one, 4);
  const [portion] = await portions(lotId);
  await shop.inside((trx) => takeStems(trx, portion?.id ?? '', 4, AT));
  await expect(merge(lotId, one)).rejects.toThrow('One of them has no stems left.');
  await shop.owner('lot').where({ id: other }).update({ cut_date: '2026-11-20' });
  expect(await faultOf(merge(other, one))).toBe('refused');
  expect([(await lot(one)).stemsLeft, (await lot(other)).stemsLeft]).toEqual([6, 10]);
});

test('two who split the last stems of one lot at once: together never more than there were', async () => {
  const id = await shop.bookLot(10);
  const results = await Promise.allSettled([split(id, 6), split(id, 6), split(id, 6)]);
  expect(results.filter((r) => r.status === 'fulfilled')).toHaveLength(1);
  const { rows } = await shop.owner.raw<{ rows: { stems: number }[] }>(
    `select sum(p.stems)::int as stems from portion p join lot l on l.id = p.lot_id
     where l.delivery_id = (select delivery_id from lot where id = ?)`,
    [id],
  );
  expect(rows[0]?.stems).toBe(10);
});

test('split and joined over and over, the stems are the same', async () => {
  const id = await shop.bookLot(40);
  const apart: string[] = [];
  for (const n of [7, 5, 3]) apart.push((await split(id, n)).lotId);
  for (const one of apart.reverse()) await merge(one, id);
  expect(await sums(id)).toEqual([40, 40]);
  const { lotId } = await split(id, 39);
  await merge(id, lotId);
  expect(await sums(lotId)).toEqual([40, 40]);
});
