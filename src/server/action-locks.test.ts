import { randomUUID } from 'node:crypto';
import { LOCK_ORDER, lock, COUNTERS, HOUSE, type Lock } from '@/core/actions/contract';
import { manyPails } from '@/data/pails';
import { manyPortionsOfLot } from '@/data/portions';
import { freshShop, type TestShop } from '../../tests/support/database';
import { lockAll, type Locked } from './action-locks';

jest.mock('server-only', () => ({}));

let shop: TestShop;
let lotId = '';
let portionId = '';
let pailId = '';
beforeAll(async () => {
  shop = await freshShop();
  lotId = await shop.bookLot(20);
  const [portion] = await shop.inside((trx) => manyPortionsOfLot(trx, lotId));
  portionId = portion?.id ?? '';
  pailId = (await shop.inside((trx) => manyPails(trx))).find((p) => p.litres === null)?.id ?? '';
});
afterAll(() => shop.close());

const locked = (...locks: readonly Lock[]): Promise<Locked> =>
  shop.inside((trx) => lockAll(trx, shop.shopId, locks));
const ids = (of: Locked): Readonly<Record<string, string[]>> =>
  Object.fromEntries(
    LOCK_ORDER.map((thing): [string, string[]] => [thing, [...of[thing]]]).filter(([, l]) => l.length > 0),
  );

test('a thing is locked itself, and what is behind another is locked in its place', async () => {
  expect(ids(await locked(lock('pail', 'pailId', pailId)))).toEqual({ pail: [pailId] });
  expect(ids(await locked(lock('portion', 'portionId', portionId)))).toEqual({ lot: [lotId] });
  expect(ids(await locked(COUNTERS, HOUSE))).toEqual({ counters: [''], house: [''] });
});

test('things named twice, in capitals or not, are one', async () => {
  const of = await locked(
    lock('lot', 'a', lotId),
    lock('lot', 'b', lotId.toUpperCase()),
    lock('portion', 'c', portionId),
  );
  expect(ids(of)).toEqual({ lot: [lotId] });
});

test('what is not in the shop is said by its field, and nothing is locked', async () => {
  for (const [what, words] of [
    ['lot', 'That lot is not in this shop.'],
    ['pail', 'That pail is not in this shop.'],
    ['portion', 'That lot is not in this shop.'],
    ['step', 'That step is not in this shop.'],
    ['photo', 'That photograph is not in this shop.'],
    ['claim', 'That claim is not in this shop.'],
    ['person', 'Nobody of that name works here.'],
    ['arrangement', 'That arrangement is not in this shop.'],
  ] as const)
    await expect(locked(lock(what, 'theirField', randomUUID()))).rejects.toMatchObject({
      name: 'RefusedError',
      field: 'theirField',
      message: expect.stringContaining(words) as unknown,
    });
  await expect(locked(lock('entry', 'entryId', '999999999'))).rejects.toMatchObject({ field: 'entryId' });
});

test('an empty pail has no contents to lock, and is locked itself', async () => {
  expect(ids(await locked(lock('contents of pail', 'pailId', pailId)))).toEqual({ pail: [pailId] });
});

test('two that want the same things in another order wait for one another, and neither is torn down', async () => {
  const other = await shop.bookLot(20);
  const both = [lock('lot', 'a', lotId), lock('lot', 'b', other), lock('pail', 'c', pailId)];
  const tries = Array.from({ length: 12 }, (_, i) =>
    shop.inside(async (trx) => {
      await lockAll(trx, shop.shopId, i % 2 ? both : [...both].reverse());
      await trx.raw('select pg_sleep(0.01)');
      return i;
    }),
  );
  expect(await Promise.all(tries)).toHaveLength(12);
});

test('whoever only reads waits for nobody', async () => {
  let isRead = false;
  await shop.inside(async (trx) => {
    await lockAll(trx, shop.shopId, [lock('lot', 'lotId', lotId), COUNTERS, HOUSE]);
    await shop.inside((other) => other('lot').where({ id: lotId }).first('id'));
    isRead = true;
  });
  expect(isRead).toBe(true);
});
