import { randomUUID } from 'node:crypto';
import { connect, beginReading, inShop } from '@/data/connection';
import { manyPortionsInStock, manyPortionsOfLot } from '@/data/portions';
import { maybeWhoAsks } from '@/data/who-asks';
import { manyStepsInForce, manyStepStates, manyStepsOfPortion } from '@/data/steps';
import { faultOf, freshShop, type TestShop } from '../support/database';

let shop: TestShop;
beforeAll(async () => {
  shop = await freshShop();
});
afterAll(() => shop.close());

test('statements that go out together are each answered, in whatever order they are waited for', async () => {
  const lotIds = [await shop.bookLot(10), await shop.bookLot(20), await shop.bookLot(30)];
  const stems = await shop.inside(async (trx) => {
    const asked = lotIds.map((id) => manyPortionsOfLot(trx, id));
    const backwards = [];
    for (const one of [...asked].reverse()) backwards.push((await one)[0]?.stemsLeft);
    return backwards;
  });
  expect(stems).toEqual([30, 20, 10]);
});

test('what is read first in a transaction is of the shop it is for, from the first statement on', async () => {
  const one = connect(shop.appUrl, 1);
  const portions = (await shop.inside(manyPortionsInStock)).length;
  // One connection, handed from shop to shop: nothing of the one before may be seen.
  for (const [shopId, seen] of [
    [shop.shopId, portions],
    [randomUUID(), 0],
    [shop.shopId, portions],
  ] as const) {
    const trx = await beginReading(one, shopId);
    const first = await Promise.all([manyPortionsInStock(trx), manyPortionsInStock(trx)]);
    await trx.rollback();
    expect(first.map((rows) => rows.length)).toEqual([seen, seen]);
  }
  await one.destroy();
});

test('whoever asks leaves nothing of their shop on the connection that answered', async () => {
  const one = connect(shop.appUrl, 1);
  const { shopId, personId } = shop;
  await maybeWhoAsks(one, { shopId, personId, sessionId: randomUUID() }, null);
  const { rows } = await one.raw<{ rows: { said: string | null }[] }>(
    `select nullif(current_setting('app.shop_id', true), '') as said`,
  );
  expect(rows).toEqual([{ said: null }]);
  expect(await one('person').count({ n: '*' })).toEqual([{ n: 0 }]);
  await one.destroy();
});

test('where one of several statements fails, none of it stands and the connection serves the next', async () => {
  const one = connect(shop.appUrl, 1);
  const lotId = await shop.bookLot(40);
  const failing = inShop(one, shop.shopId, (trx) =>
    Promise.all([
      trx('lot').where({ id: lotId }).update({ variety: 'gone' }),
      trx.raw('select 1 / 0'),
      trx('lot').where({ id: lotId }).update({ variety: 'gone too' }),
    ]),
  );
  expect(await faultOf(failing)).toBe('out-of-bounds');
  const after = await inShop(one, shop.shopId, (trx) =>
    trx('lot').where({ id: lotId }).first<{ variety: string | null }>('variety'),
  );
  expect(after.variety).toBe('Harbour mix');
  await one.destroy();
});

test('a transaction that only reads refuses to write, also in its first breath', async () => {
  const trx = await beginReading(shop.app, shop.shopId);
  await expect(trx('pail').update({ name: 'x' })).rejects.toMatchObject({ code: '25006' });
  await trx.rollback();
});

test('what a step says is kept by its id: the database lets nobody write it over', async () => {
  const lotId = await shop.bookLot(12);
  const [before, states] = await shop.inside((trx) =>
    Promise.all([manyStepsInForce(trx), manyStepStates(trx)]),
  );
  expect(states.map(({ portionId, kind }) => [portionId, kind])).toEqual(
    before.map(({ portionId, kind }) => [portionId, kind]),
  );
  const [heap] = await shop.inside((trx) => manyPortionsOfLot(trx, lotId));
  if (!heap) throw new Error('nothing of the lot is left');
  const asWritten = await shop.inside((trx) => manyStepsOfPortion(trx, heap.id, heap.planNo));
  expect(before.filter((s) => s.portionId === heap.id)).toEqual(asWritten);
  const step = asWritten[0];
  const writeOver = shop.inside((trx) =>
    trx('protocol_step')
      .where({ id: step?.id })
      .update({ step: JSON.stringify({ ...step?.step, title: 'x' }) }),
  );
  await expect(writeOver).rejects.toMatchObject({ cause: { code: '23514' } });
});
