import { randomUUID } from 'node:crypto';
import { faultOf, freshShop, type TestShop } from '../../tests/support/database';
import { makeArrangement } from './arrangements';
import { connect, inShop } from './connection';
import { binStems } from './bins';
import { manyLotsInStock, maybeLot } from './lots';
import { changePortion, manyPortionsOfLot, takeStems } from './portions';
import { migrate } from './migrate';
import { fillPail, manyPails, onePailForUpdate } from './pails';
import { manyShopNames } from './people';
import { manyNewestEntries, writeEntry } from './record';
import { moveStay } from './stays';

const AT = new Date('2026-11-24T06:50:00Z');
let shop: TestShop;
beforeAll(async () => {
  shop = await freshShop();
});
afterAll(() => shop.close());

const raw = (sql: string) => shop.inside((trx) => trx.raw(sql));
const portionOf = async (lotId: string): Promise<string> =>
  (await shop.inside((trx) => manyPortionsOfLot(trx, lotId)))[0]?.id ?? '';
const arrangement = (lines: { portionId: string; stems: number }[]) => ({
  name: 'bud vase',
  vesselKind: 'vase' as const,
  litres: 1,
  solution: 'plain',
  lines,
  roomId: shop.benchId,
  forecast: { modelVersion: 'test', input: {}, result: {} },
});

describe('the record', () => {
  test('refuses to change or delete an entry, also for the owner', async () => {
    for (const sql of [
      "update record_entry set words = 'x'",
      'delete from record_entry',
      'truncate record_entry',
    ]) {
      expect(await faultOf(raw(sql))).not.toBe('none');
      await expect(shop.owner.raw(sql)).rejects.toMatchObject({ code: 'HP001' });
    }
  });
  test('issued forecasts and cards stand as well', async () => {
    await expect(shop.owner.raw("update care_card set card = '{}'")).rejects.toMatchObject({ code: 'HP001' });
    await expect(shop.owner.raw('delete from forecast')).rejects.toMatchObject({ code: 'HP001' });
  });
  test('an entry is corrected once at most', async () => {
    const lotId = await shop.bookLot(10);
    const id = await shop.inside((trx) =>
      writeEntry(trx, shop.action(), {
        kind: 'processed',
        subjectKind: 'lot',
        subjectId: lotId,
        says: 'slip',
        detail: {},
      }),
    );
    const correct = () =>
      shop.inside((trx) =>
        writeEntry(trx, shop.action(), {
          kind: 'correction',
          subjectKind: 'lot',
          subjectId: lotId,
          says: 'taken back',
          detail: {},
          corrects: id,
        }),
      );
    await correct();
    expect(await faultOf(correct())).toBe('already-corrected');
    const entries = await shop.inside((trx) => manyNewestEntries(trx, 5));
    expect(entries.find((e) => e.id === id)).toMatchObject({ corrected: true, personName: 'Wen' });
  });
});

describe('stems', () => {
  test('two people after the last ones: one gets them, the other is told, none go below zero', async () => {
    const lotId = await shop.bookLot(5);
    const portionId = await portionOf(lotId);
    const make = () =>
      faultOf(
        shop.inside(async (trx) => {
          // As the contract locks it: the lot before anything is looked at.
          await trx('lot').where({ id: lotId }).forUpdate().select('id');
          return makeArrangement(trx, shop.action(), arrangement([{ portionId, stems: 4 }]));
        }),
      );
    expect((await Promise.all([make(), make(), make()])).sort()).toEqual(['none', 'refused', 'refused']);
    expect((await shop.inside((trx) => maybeLot(trx, lotId)))?.stemsLeft).toBe(1);
  });
  test('the database itself refuses less than none, and more than the lot has', async () => {
    const portionId = await portionOf(await shop.bookLot(3));
    expect(await faultOf(raw(`update portion set stems = -1 where id = '${portionId}'`))).toBe(
      'not-enough-stems',
    );
    expect(await faultOf(raw(`update portion set stems = 4 where id = '${portionId}'`))).toBe(
      'not-enough-stems',
    );
  });
  test('a used-up lot says so, and a failed making takes nothing', async () => {
    const [fullLot, emptyLot] = [await shop.bookLot(5), await shop.bookLot(1)];
    const [full, empty] = [await portionOf(fullLot), await portionOf(emptyLot)];
    await shop.inside((trx) => takeStems(trx, empty, 1, AT));
    await expect(
      shop.inside((trx) =>
        makeArrangement(
          trx,
          shop.action(),
          arrangement([
            { portionId: full, stems: 2 },
            { portionId: empty, stems: 1 },
          ]),
        ),
      ),
    ).rejects.toThrow('used up');
    expect((await shop.inside((trx) => maybeLot(trx, fullLot)))?.stemsLeft).toBe(5);
  });
  test('binned from a lot that is told, or from whichever heap of it has them', async () => {
    const lotId = await shop.bookLot(9);
    await shop.inside((trx) => binStems(trx, shop.action(), lotId, null, 4, 'broken'));
    expect((await shop.inside((trx) => maybeLot(trx, lotId)))?.stemsLeft).toBe(5);
    await expect(
      shop.inside((trx) => binStems(trx, shop.action(), lotId, null, 6, 'broken')),
    ).rejects.toThrow('There are 5 left, not 6');
  });
});

describe('stays', () => {
  const broken = async (sql: string): Promise<string> => faultOf(raw(sql));
  test('a line has no gap, no overlap and one open end, by the database’s own rules', async () => {
    const portionId = await portionOf(await shop.bookLot(3));
    await shop.inside((trx) =>
      moveStay(trx, shop.shopId, 'portion_id', portionId, { wet: true }, new Date(AT.getTime() + 3_600_000)),
    );
    const of = `where portion_id = '${portionId}'`;
    expect(
      await broken(`update stay set to_at = to_at - interval '1 minute' ${of} and to_at is not null`),
    ).toBe('stays-broken');
    expect(
      await broken(`update stay set to_at = to_at + interval '1 minute' ${of} and to_at is not null`),
    ).not.toBe('none');
    expect(await broken(`update stay set to_at = null ${of} and to_at is not null`)).not.toBe('none');
    expect(await broken(`delete from stay ${of} and to_at is null`)).toBe('none');
  });
  test('stems stand somewhere, and where there are none, none stand', async () => {
    const portionId = await portionOf(await shop.bookLot(3));
    expect(
      await broken(`update stay set to_at = from_at + interval '1 s' where portion_id = '${portionId}'`),
    ).toBe('stays-broken');
    expect(await faultOf(shop.inside((trx) => changePortion(trx, portionId, { stems: 0 })))).toBe(
      'stays-broken',
    );
  });
  test('nothing stands in water that was tipped out, whoever says so', async () => {
    const lotId = await shop.bookLot(3);
    const portionId = await portionOf(lotId);
    const fillId = await shop.inside(async (trx) => {
      const pail = (await manyPails(trx)).find((p) => p.state === 'sanitised');
      if (!pail) throw new Error('no pail is clean');
      const locked = await onePailForUpdate(trx, pail.id);
      const id = await fillPail(
        trx,
        shop.shopId,
        locked,
        { solution: 'plain', tempC: 20, depth: 'normal', alone: false, litres: 2, overrideReason: null },
        AT,
      );
      await moveStay(trx, shop.shopId, 'portion_id', portionId, { wet: true, fillId: id }, AT);
      return id;
    });
    expect(await broken(`update pail_fill set emptied_at = filled_at where id = '${fillId}'`)).toBe(
      'water-gone',
    );
    expect((await shop.inside((trx) => maybeLot(trx, lotId)))?.pailName).not.toBeNull();
  });
});

describe('pails', () => {
  const filling = {
    solution: 'plain',
    tempC: 20,
    depth: 'normal',
    alone: false,
    litres: 4,
    overrideReason: null,
  } as const;
  const pailIn = async (state: string) => {
    const found = (await shop.inside((trx) => manyPails(trx))).find((p) => p.state === state);
    if (!found) throw new Error(`no pail is ${state}`);
    return found;
  };
  test('only a sanitised pail is filled, unless with a reason', async () => {
    const dirty = await pailIn('dirty');
    const fill = (overrideReason: string | null) =>
      faultOf(
        shop.inside(async (trx) =>
          fillPail(
            trx,
            shop.shopId,
            await onePailForUpdate(trx, dirty.id),
            { ...filling, overrideReason },
            new Date(),
          ),
        ),
      );
    expect(await fill(null)).toBe('refused');
    const insert = `insert into pail_fill (id, shop_id, pail_id, filled_at, litres, solution, temp_c, depth, start) values ('${randomUUID()}', '${shop.shopId}', '${dirty.id}', now(), 4, 'plain', 20, 'normal', 'clean')`;
    expect(await faultOf(raw(insert))).toBe('pail-not-clean');
    expect(await fill('last one left')).toBe('none');
  });
  test('two tablets fill one pail: one fill, the other is told', async () => {
    const clean = await pailIn('sanitised');
    const fill = () =>
      faultOf(
        shop.inside(async (trx) =>
          fillPail(trx, shop.shopId, await onePailForUpdate(trx, clean.id), filling, new Date()),
        ),
      );
    expect((await Promise.all([fill(), fill()])).sort()).toEqual(['none', 'refused']);
  });
  test('nor more water than it holds', async () => {
    const clean = await pailIn('sanitised');
    await expect(
      shop.inside(async (trx) =>
        fillPail(
          trx,
          shop.shopId,
          await onePailForUpdate(trx, clean.id),
          { ...filling, litres: 90 },
          new Date(),
        ),
      ),
    ).rejects.toThrow('holds');
  });
});

describe('a delivery', () => {
  test('is booked once', async () => {
    await shop.bookLot(5, 'QN-1');
    expect(await faultOf(shop.bookLot(5, 'QN-1'))).toBe('already-booked');
  });
  test('two booked at once hand out different lot numbers', async () => {
    await Promise.all(Array.from({ length: 4 }, () => shop.bookLot(5)));
    const numbers = (await shop.inside((trx) => manyLotsInStock(trx))).map((l) => l.number);
    expect(new Set(numbers).size).toBe(numbers.length);
  });
});

describe('shops', () => {
  test('every table is under forced row-level security, and the application cannot bypass it', async () => {
    const { rows } = await shop.owner.raw<{ rows: { relname: string }[] }>(
      `select relname from pg_class join pg_namespace n on n.oid = relnamespace where nspname = 'public' and relkind = 'r' and not (relrowsecurity and relforcerowsecurity) and relname not like 'knex%'`,
    );
    expect(rows).toEqual([]);
    const role = await shop
      .owner('pg_roles')
      .where({ rolname: 'hush_pail_app' })
      .first<{ rolsuper: boolean; rolbypassrls: boolean }>('rolsuper', 'rolbypassrls');
    expect(role).toEqual({ rolsuper: false, rolbypassrls: false });
  });
  test('another shop sees nothing of this one and can write nothing into it', async () => {
    const stranger = randomUUID();
    expect(await inShop(shop.app, stranger, (trx) => manyLotsInStock(trx))).toEqual([]);
    expect(await inShop(shop.app, stranger, (trx) => trx('person').select('id'))).toEqual([]);
    expect(await shop.app('lot').select('id')).toEqual([]);
    const write = inShop(shop.app, stranger, (trx) =>
      writeEntry(trx, shop.action(), {
        kind: 'processed',
        subjectKind: 'lot',
        subjectId: randomUUID(),
        says: 'x',
        detail: {},
      }),
    );
    expect(await faultOf(write)).toBe('unknown');
    await inShop(shop.app, stranger, (trx) => trx('portion').update({ stems: 0 }));
    expect((await shop.inside((trx) => manyLotsInStock(trx))).length).toBeGreaterThan(5);
  });
  test('before anybody signs in only the names of the shops are known', async () => {
    expect(await manyShopNames(shop.app)).toEqual([
      expect.objectContaining({ slug: 'slow-tide', demo: true }),
    ]);
    await expect(
      shop
        .app('person')
        .insert({ id: randomUUID(), shop_id: shop.shopId, name: 'Nobody', role: 'hand', secret_hash: 'x' }),
    ).rejects.toThrow();
  });
});

test('migrating a filled database again changes nothing', async () => {
  const before = await shop.inside((trx) => manyLotsInStock(trx));
  await migrate(shop.owner);
  expect(await shop.inside((trx) => manyLotsInStock(trx))).toEqual(before);
});

test('a database that does not answer is named so, within seconds', async () => {
  const nowhere = connect('postgres://nobody@127.0.0.1:9/none', 1);
  expect(await faultOf(inShop(nowhere, shop.shopId, (trx) => manyLotsInStock(trx)))).toBe('unavailable');
  await nowhere.destroy();
});
