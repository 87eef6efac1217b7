import { randomUUID } from 'node:crypto';
import { freshShop, type TestShop } from '../../tests/support/database';
import { makeArrangement } from './arrangements';
import { DataError, RefusedError } from './errors';
import { connect, inShop } from './connection';
import { binStems, manyLotsInStock, maybeLot, takeStems } from './lots';
import { migrate } from './migrate';
import { fillPail, manyPails, onePailForUpdate } from './pails';
import { manyShopNames } from './people';
import { manyNewestEntries, maybeSubjectDone, writeEntry } from './record';

let shop: TestShop;
beforeAll(async () => {
  shop = await freshShop();
});
afterAll(() => shop.close());

const faultOf = async (work: Promise<unknown>): Promise<string> =>
  work.then(
    () => 'none',
    (error: unknown) =>
      error instanceof DataError ? error.fault : error instanceof RefusedError ? 'refused' : String(error),
  );
const raw = (sql: string) => shop.inside((trx) => trx.raw(sql));
const arrangement = (lines: { lotId: string; stems: number }[]) => ({
  name: 'bud vase',
  vesselKind: 'vase' as const,
  litres: 1,
  solution: 'plain',
  lines,
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
  test('takes one action key once', async () => {
    const lotId = await shop.bookLot(10);
    const action = shop.action();
    const entry = { kind: 'test', subjectKind: 'lot', subjectId: lotId, words: 'once' } as const;
    await shop.inside((trx) => writeEntry(trx, action, entry));
    expect(await faultOf(shop.inside((trx) => writeEntry(trx, action, entry)))).toBe('already-done');
    expect(await shop.inside((trx) => maybeSubjectDone(trx, action))).toBe(lotId);
  });
  test('eight sendings of one tap at once do it once', async () => {
    const lotId = await shop.bookLot(10);
    const action = shop.action();
    const tap = () =>
      shop.inside(async (trx) =>
        (await maybeSubjectDone(trx, action))
          ? 'already'
          : (await binStems(trx, action, lotId, 2, 'broken'), 'done'),
      );
    const outcomes = await Promise.all(Array.from({ length: 8 }, tap));
    expect(outcomes.filter((o) => o === 'done')).toHaveLength(1);
    expect((await shop.inside((trx) => maybeLot(trx, lotId)))?.stemsLeft).toBe(8);
  });
  test('an entry is corrected once at most', async () => {
    const lotId = await shop.bookLot(10);
    const id = await shop.inside((trx) =>
      writeEntry(trx, shop.action(), { kind: 'test', subjectKind: 'lot', subjectId: lotId, words: 'slip' }),
    );
    const correct = () =>
      shop.inside((trx) =>
        writeEntry(trx, shop.action(), {
          kind: 'correction',
          subjectKind: 'lot',
          subjectId: lotId,
          words: 'taken back',
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
    const make = () =>
      faultOf(shop.inside((trx) => makeArrangement(trx, shop.action(), arrangement([{ lotId, stems: 4 }]))));
    expect((await Promise.all([make(), make(), make()])).sort()).toEqual(['none', 'refused', 'refused']);
    expect((await shop.inside((trx) => maybeLot(trx, lotId)))?.stemsLeft).toBe(1);
  });
  test('makers of the same two lots in either order do not block each other for good', async () => {
    const [a, b] = [await shop.bookLot(50), await shop.bookLot(50)];
    const make = (lines: { lotId: string; stems: number }[]) =>
      faultOf(shop.inside((trx) => makeArrangement(trx, shop.action(), arrangement(lines))));
    const both = Array.from({ length: 6 }, (_, i) =>
      make(
        i % 2
          ? [
              { lotId: a, stems: 1 },
              { lotId: b, stems: 1 },
            ]
          : [
              { lotId: b, stems: 1 },
              { lotId: a, stems: 1 },
            ],
      ),
    );
    expect(await Promise.all(both)).toEqual(Array(6).fill('none'));
  });
  test('the database itself refuses less than none', async () => {
    const lotId = await shop.bookLot(3);
    expect(await faultOf(raw(`update lot set stems_left = -1 where id = '${lotId}'`))).toBe(
      'not-enough-stems',
    );
  });
  test('a used-up lot says so, and a failed making takes nothing', async () => {
    const [full, empty] = [await shop.bookLot(5), await shop.bookLot(1)];
    await shop.inside((trx) => takeStems(trx, empty, 1));
    await expect(
      shop.inside((trx) =>
        makeArrangement(
          trx,
          shop.action(),
          arrangement([
            { lotId: full, stems: 2 },
            { lotId: empty, stems: 1 },
          ]),
        ),
      ),
    ).rejects.toThrow('used up');
    expect((await shop.inside((trx) => maybeLot(trx, full)))?.stemsLeft).toBe(5);
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
      writeEntry(trx, shop.action(), { kind: 'x', subjectKind: 'lot', subjectId: randomUUID(), words: 'x' }),
    );
    expect(await faultOf(write)).toBe('unknown');
    await inShop(shop.app, stranger, (trx) => trx('lot').update({ stems_left: 0 }));
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
