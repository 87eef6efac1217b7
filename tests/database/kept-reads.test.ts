import fc from 'fast-check';
import type { Knex } from 'knex';
import { beginReading, inShop, type Trx } from '@/data/connection';
import { newId } from '@/data/ids';
import { beginSession } from '@/data/sessions';
import { maybeWhoAsks, type Moment } from '@/data/who-asks';
import { askWith, once, Reads, shelfOf } from '@/server/once';
import { freshShop, type TestShop } from '../support/database';

let shop: TestShop;
let other: string;
const sessionId = newId();
beforeAll(async () => {
  shop = await freshShop();
  other = '0b0b0b0b-0000-4000-8000-0000000000ff';
  const was = await shop.owner('shop').where({ id: shop.shopId }).first<Record<string, unknown>>();
  await shop.owner('shop').insert({ ...was, id: other, slug: 'other', name: 'Other', demo: false });
  await shop.inside((trx) =>
    beginSession(
      trx,
      shop.shopId,
      {
        id: sessionId,
        personId: shop.personId,
        beganAt: new Date(),
        address: '10.0.0.1',
        device: 'a tablet',
      },
      14 * 3_600_000,
    ),
  );
});
afterAll(() => shop.close());

let asked = 0;
/** Every pail's name, which the tests change. */
const names = async (trx: Trx): Promise<string[]> => {
  asked++;
  const rows: { name: string }[] = await trx('pail').orderBy('label_no').select('name');
  return rows.map((r) => r.name);
};
const firstPail = (db: Knex) =>
  db('pail').where({ shop_id: shop.shopId }).orderBy('label_no').first<{ id: string }>('id');

const later = (at: Date, s: number): Date => new Date(at.getTime() + s * 1000);

/** What a page is told, and what is there. */
async function told(): Promise<{ kept: string[]; anew: string[]; wasAsked: boolean; hasBegun: boolean }> {
  const before = asked;
  const { shopId, personId } = shop;
  const shelf = shelfOf(shopId);
  const who = await maybeWhoAsks(shop.app, { shopId, personId, sessionId }, shelf?.moment ?? null);
  if (!who) throw new Error('nobody is signed in');
  let hasBegun = false;
  const from = new Reads(shelf, who, () => {
    hasBegun = true;
    return beginReading(shop.app, shopId);
  });
  const kept = await once(from, names);
  const told = { kept, wasAsked: asked > before, hasBegun };
  const anew = await names(await from.trx());
  await from.end();
  return { ...told, anew };
}
const rename = async (db: Knex, name: string) =>
  db('pail')
    .where({ id: (await firstPail(shop.owner)).id })
    .update({ name });

test('what was read once is read again only after something of that shop was changed', async () => {
  await told();
  // Nothing but who asks is asked then: no transaction is begun.
  expect(await told()).toMatchObject({ wasAsked: false, hasBegun: false });
  await shop.inside((trx) => rename(trx, 'Harbour'));
  const after = await told();
  expect([after.wasAsked, after.kept[0]]).toEqual([true, 'Harbour']);
  expect((await told()).wasAsked).toBe(false);
  await inShop(shop.app, other, (trx) =>
    trx('shop').where({ id: other }).update({ promise_confidence: 0.7 }),
  );
  expect((await told()).wasAsked).toBe(false);
});

test('what its owner changes past every shop is seen by all', async () => {
  await told();
  await rename(shop.owner, 'Quay');
  expect((await told()).kept[0]).toBe('Quay');
});

test('what was not committed, or was rolled back, was not changed', async () => {
  await told();
  const undone = inShop(shop.app, shop.shopId, async (trx) => {
    await rename(trx, 'Never');
    expect((await told()).kept[0]).not.toBe('Never');
    throw new Error('rolled back');
  });
  await expect(undone).rejects.toThrow('rolled back');
  expect(await told()).toMatchObject({ wasAsked: false });
});

test('whoever asks at one moment after a change shares what is read then', async () => {
  await told();
  await shop.inside((trx) => rename(trx, 'Shared'));
  const { shopId, personId } = shop;
  const shelf = shelfOf(shopId);
  const asking = () => maybeWhoAsks(shop.app, { shopId, personId, sessionId }, shelf?.moment ?? null);
  const both = [await asking(), await asking()].map((who) => {
    if (!who) throw new Error('nobody is signed in');
    expect(who.isUnchanged).toBe(false);
    return new Reads(shelf, who, () => beginReading(shop.app, shopId));
  });
  const before = asked;
  for (const from of both) expect((await once(from, names))[0]).toBe('Shared');
  expect(asked - before).toBe(1);
  await Promise.all(both.map((from) => from.end()));
});

test('who asks while another is at it waits for that, and sees to it alone where it came to nothing', async () => {
  const { shopId, personId } = shop;
  const asking = async () => {
    const shelf = shelfOf(shopId);
    const who = await maybeWhoAsks(shop.app, { shopId, personId, sessionId }, shelf?.moment ?? null);
    if (!who) throw new Error('nobody is signed in');
    return new Reads(shelf, who, () => beginReading(shop.app, shopId));
  };
  let [worked, hasFault] = [0, true];
  // Those who wait have come before the first is done, however slow the machine.
  let letGo = (): void => undefined;
  const gate = new Promise<void>((resolve) => (letGo = resolve));
  const work = async (): Promise<string> => {
    worked++;
    await gate;
    if (!hasFault) return `made by the ${worked}. try`;
    hasFault = false;
    throw new Error('its connection broke');
  };
  await told();
  const [first, second, third] = [await asking(), await asking(), await asking()];
  const at = new Date('2026-11-24T07:30:00Z');
  const made = [first, second].map((from) => from.made('shared', [], at, work));
  letGo();
  const [broken, alone] = await Promise.allSettled(made);
  expect(broken).toMatchObject({ status: 'rejected', reason: { message: 'its connection broke' } });
  expect([alone, worked]).toMatchObject([{ status: 'fulfilled', value: 'made by the 2. try' }, 2]);
  expect([await third.made('shared', [], at, work), worked]).toEqual(['made by the 2. try', 2]);
  const both = [first, third].map((from) => from.made('shared too', [], at, work));
  expect(await Promise.all(both)).toEqual(['made by the 3. try', 'made by the 3. try']);
  expect(worked).toBe(3);
  await Promise.all([first, second, third].map((from) => from.end()));
});

test('whoever was asked before another read anew takes what that one reads, unless more was changed since', async () => {
  const { shopId, personId } = shop;
  const ask = (moment: Moment | null) => maybeWhoAsks(shop.app, { shopId, personId, sessionId }, moment);
  const begin = () => beginReading(shop.app, shopId);
  await told();
  await shop.inside((trx) => rename(trx, 'Anew'));
  const nothing = (): Promise<void> => Promise.resolve();
  let between = nothing;
  /** Asks, and what `between` does comes between the question and what is done with its answer. */
  const slowly = async (moment: Moment | null) => {
    const who = await ask(moment);
    const first = between;
    between = nothing;
    await first();
    return who;
  };
  // Another transaction begins in between, so that the two moments are not the same text.
  const readAnew = async (): Promise<void> => {
    await inShop(shop.app, other, (trx) =>
      trx('shop').where({ id: other }).update({ promise_confidence: 0.75 }),
    );
    expect((await told()).wasAsked).toBe(true);
  };
  const takes = async (): Promise<{ name: string | undefined; wasAsked: boolean }> => {
    const { before, who } = await askWith(shopId, slowly);
    if (!who) throw new Error('nobody is signed in');
    const from = new Reads(before, who, begin);
    const was = asked;
    const [name] = await once(from, names);
    await from.end();
    return { name, wasAsked: asked > was };
  };
  between = readAnew;
  expect(await takes()).toEqual({ name: 'Anew', wasAsked: false });
  await shop.inside((trx) => rename(trx, 'Again'));
  between = async () => {
    await readAnew();
    await shop.inside((trx) => rename(trx, 'Yet again'));
  };
  expect(await takes()).toEqual({ name: 'Yet again', wasAsked: true });
});

test('what is worked out from what was read stands as long as that, and ten seconds at most', async () => {
  const at = new Date('2026-11-24T07:00:00Z');
  let worked = 0;
  const work = async (when: Date, language = 'en'): Promise<number> => {
    const { shopId, personId } = shop;
    const shelf = shelfOf(shopId);
    const who = await maybeWhoAsks(shop.app, { shopId, personId, sessionId }, shelf?.moment ?? null);
    if (!who) throw new Error('nobody is signed in');
    const from = new Reads(shelf, who, () => beginReading(shop.app, shopId));
    const before = worked;
    const first = await from.made('length', [language], when, async () => {
      worked++;
      return (await once(from, names)).join().length;
    });
    expect(first).toBe((await once(from, names)).join().length);
    await from.end();
    return worked - before;
  };
  expect([await work(at), await work(at), await work(later(at, 9))]).toEqual([1, 0, 0]);
  expect(await work(at, 'es')).toBe(1);
  expect(await work(later(at, 10))).toBe(1);
  await shop.inside((trx) => rename(trx, 'Lengthy'));
  expect([await work(later(at, 10)), await work(later(at, 10))]).toEqual([1, 0]);
});

test('nobody changes what is shared; a transaction that writes reads what is there', async () => {
  await told();
  const { kept } = await told();
  expect(() => kept.push('mine')).toThrow(TypeError);
  await shop.inside(async (trx) => {
    await rename(trx, 'Mid-way');
    expect((await once(trx, names))[0]).toBe('Mid-way');
  });
});

type Step = { readonly writer: 0 | 1 | 2; readonly does: 'begin' | 'write' | 'commit' | 'rollback' };

test('however transactions begin, write and end across one another, a page is told what shows', async () => {
  const pails: { id: string }[] = await shop
    .owner('pail')
    .where({ shop_id: shop.shopId })
    .limit(3)
    .select('id');
  let n = 0;
  await fc.assert(
    fc.asyncProperty(
      fc.array(
        fc.record<Step>({
          writer: fc.constantFrom(0, 1, 2),
          does: fc.constantFrom('begin', 'write', 'write', 'commit', 'rollback'),
        }),
        { minLength: 4, maxLength: 24 },
      ),
      async (steps) => {
        const open: (Trx | null)[] = [null, null, null];
        for (const { writer, does } of steps) {
          const mine = open[writer];
          if (does === 'begin' && !mine) {
            const trx = await shop.app.transaction();
            await trx.raw(`select set_config('app.shop_id', ?, true)`, [shop.shopId]);
            open[writer] = trx;
          } else if (does === 'write' && mine)
            // Each its own pail: who waits for whom is another test's.
            await mine('pail')
              .where({ id: pails[writer]?.id })
              .update({ name: `P${++n}` });
          else if (mine && (does === 'commit' || does === 'rollback')) {
            await mine[does]();
            open[writer] = null;
          }
          const { kept, anew } = await told();
          expect(kept).toEqual(anew);
        }
        for (const trx of open) await trx?.rollback();
      },
    ),
    { numRuns: 30 },
  );
});

test('every table whose rows are a shop’s tells that it was changed, but for those that say who is signed in', async () => {
  const { rows } = await shop.owner.raw<{ rows: { name: string }[] }>(
    `select c.relname as name from pg_class c join pg_namespace n on n.oid = c.relnamespace
     where n.nspname = 'public' and c.relkind = 'r' and c.relname not like 'knex%'
       and not exists (select 1 from pg_trigger t where t.tgrelid = c.oid and t.tgname = c.relname || '_change_told')
     order by 1`,
  );
  expect(rows.map((r) => r.name)).toEqual(['action_change', 'second_factor', 'session', 'sign_in_try']);
});

test('the application’s role reads no shop’s changes and writes none by hand', async () => {
  for (const sql of [
    'select * from live.change',
    `insert into live.change (shop_id) values ('${shop.shopId}')`,
    'select live.forget_old_changes()',
  ])
    await expect(shop.inside((trx) => trx.raw(sql))).rejects.toMatchObject({ cause: { code: '42501' } });
});
