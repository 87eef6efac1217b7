import { SHIPPED_SPECIES } from '@/core/species/registry';
import pg from 'pg';
import { manyWithCard, manyWithoutCard, countWithoutCard } from '@/data/arrangements';
import { countOpenClaims, manySettledClaims, manyUnsettledClaims } from '@/data/claim-lists';
import { manyExpected } from '@/data/expected';
import { manyKeptLines } from '@/data/kept-lines';
import { manyLotsInStock } from '@/data/lots';
import { manyPortionsInStock } from '@/data/portions';
import { manyNewestEntries } from '@/data/record';
import { manyRunningSteps, manyStepsInForce } from '@/data/steps';
import { manyLotsOfSupplier } from '@/data/supplier-history';
import { loadYears } from '@/demo/years/load';
import { readFloor } from '@/features/bench/floor';
import type { SignedIn } from '@/server/session';
import { shellData } from '@/server/shell-data';
import { readStock } from '@/server/stock';
import { freshShop, type TestShop } from '../support/database';
import { unsound } from '../support/sound';

const AT = new Date('2026-11-24T06:50:00Z');
/** Half a year: 1,000 deliveries, 10,000 lots, 150,000 entries, 4,000 arrangements, 300 claims. */
const YEARS = 0.5;
let shop: TestShop;
let me: SignedIn;
let before: Awaited<ReturnType<typeof windows>>;

jest.setTimeout(240_000);

/** What a shop's lists show of what is still to be done, which no history may change. */
const windows = () =>
  shop.inside(async (trx) => ({
    stock: (await manyPortionsInStock(trx)).map((p) => p.id),
    lots: (await manyLotsInStock(trx)).map((l) => l.id),
    steps: (await manyStepsInForce(trx)).map((s) => s.id),
    running: (await manyRunningSteps(trx)).map((s) => s.id),
    waiting: await manyKeptLines(trx, []),
    today: (await manyExpected(trx, '2026-11-24')).filter((e) => e.dueOn >= '2026-11-24').map((e) => e.id),
    newest: (await manyNewestEntries(trx, 5)).map((e) => e.words),
  }));

let withoutActionBefore = 0;
const withoutAction = async (): Promise<number> => {
  const { rows } = await shop.owner.raw<{ rows: { n: string }[] }>(
    'select count(*) as n from record_entry e where not exists (select 1 from action a where a.key = e.action_key)',
  );
  return Number(rows[0]?.n);
};
beforeAll(async () => {
  shop = await freshShop();
  await shop.bookLot(40, 'TODAY-1');
  const person = await shop.owner('person').where({ id: shop.personId }).first<{ name: string }>('name');
  const { id, name } = await shop.owner('shop').first<{ id: string; name: string }>('id', 'name');
  const around = {
    id,
    name,
    timeZone: 'Etc/UTC',
    demo: true,
    promiseConfidence: 0.9,
    currency: 'EUR',
    emergency: '',
  };
  me = {
    personId: shop.personId,
    name: person.name,
    role: 'hand',
    language: 'en',
    species: SHIPPED_SPECIES,
    shop: around,
  };
  before = await windows();
  withoutActionBefore = await withoutAction();
  const owner = new pg.Client({ connectionString: shop.ownerUrl });
  await owner.connect();
  await loadYears(owner, YEARS, () => undefined);
  await owner.end();
});
afterAll(() => shop.close());

test('years behind a shop change nothing of what is still to be done, and break none of its rules', async () => {
  expect(await windows()).toEqual(before);
  // The demo's own past weeks were loaded, not done: history puts them after the first action. Their vans were sold
  // without a word in the record, their pails washed by no action.
  const broken = (await unsound(shop.owner)).filter(
    (rule) =>
      !rule.startsWith('every stem is in its lot') &&
      !rule.startsWith('an entry is of an action that was done'),
  );
  expect(broken).toEqual([]);
  expect(await withoutAction()).toBe(withoutActionBefore);
});

test('each list pages through all there is, each once, the newest first', async () => {
  const cards: string[] = [];
  for (let last: Awaited<ReturnType<typeof manyWithCard>>[number] | undefined; ;) {
    const from = last ?? null;
    const page = await shop.inside((trx) => manyWithCard(trx, 500, from));
    cards.push(...page.map((a) => a.id));
    last = page.at(-1);
    if (page.length < 500) break;
  }
  const [made] = await shop
    .owner('arrangement')
    .where({ card_due: false })
    .count<{ n: number }[]>({ n: '*' });
  expect(new Set(cards).size).toBe(cards.length);
  expect(cards.length).toBe(Number(made?.n));
  const settled: number[] = [];
  for (let last: Awaited<ReturnType<typeof manySettledClaims>>[number] | undefined; ;) {
    const from = last ?? null;
    const page = await shop.inside((trx) => manySettledClaims(trx, 70, from));
    settled.push(...page.map((c) => c.movedAt.getTime()));
    last = page.at(-1);
    if (page.length < 70) break;
  }
  expect(settled).toEqual([...settled].sort((a, b) => b - a));
  const [all] = await shop
    .owner('claim')
    .whereIn('state', ['credited', 'refused'])
    .count<{ n: number }[]>({ n: '*' });
  expect(settled.length).toBe(Number(all?.n));
});

test('what never got done is all counted, and the oldest claims are at the top', async () => {
  await shop.inside(async (trx) => {
    const due = await countWithoutCard(trx, 10_000);
    expect(due).toBe((await manyWithoutCard(trx, 10_000)).length);
    expect(due).toBe(80);
    expect(await countWithoutCard(trx, 50)).toBe(50);
    const open = await manyUnsettledClaims(trx, 1000);
    expect(await countOpenClaims(trx, 1000)).toBe(open.length);
    expect(open.map((c) => c.dueAt.getTime())).toEqual(
      open.map((c) => c.dueAt.getTime()).sort((a, b) => a - b),
    );
    // Orders that never came lapse: of 150 none is older than a fortnight.
    const expected = await manyExpected(trx, '2026-11-24');
    expect(expected.every((e) => e.dueOn >= '2026-11-10')).toBe(true);
    expect(expected[0]?.dueOn).toBe('2026-11-24');
  });
});

/** Tables that grow with every day a shop is open. */
const GROWING =
  /Seq Scan on (public\.)?(lot|portion|protocol_step|stay|pail_fill|record_entry|action|action_change|arrangement|arrangement_line|forecast|care_card|claim|delivery|lot_flaw)\b/;

test('nothing a page reads goes through what has grown: each by its index', async () => {
  const asked = new Map<string, readonly unknown[]>();
  const hear = ({ sql, bindings }: { sql: string; bindings: readonly unknown[] }): void => {
    if (/^\s*(select|with)/i.test(sql) && !sql.includes('set_config')) asked.set(sql, bindings);
  };
  shop.app.on('query', hear);
  await shop.inside(async (trx) => {
    await shellData(trx, me, AT);
    await readFloor(trx, me, AT, null);
    await readStock(trx, me, AT);
    await manyWithoutCard(trx, 20);
    await manyWithCard(trx, 30);
    await manyUnsettledClaims(trx, 300);
    await manySettledClaims(trx, 50);
    await countOpenClaims(trx, 99);
    await manyNewestEntries(trx, 60);
    await manyKeptLines(trx, [shop.shopId]);
    await manyLotsOfSupplier(trx, 'Norrholt Growers', new Date('2026-11-17'), shop.shopId);
  });
  shop.app.removeListener('query', hear);
  expect(asked.size).toBeGreaterThan(18);
  const through = await shop.inside(async (trx) => {
    const found: string[] = [];
    // What is small today is read whole with good reason; what has no other way is what would grow.
    await trx.raw(`select set_config('enable_seqscan', 'off', true)`);
    for (const [sql, bindings] of asked) {
      const { rows } = await trx.raw<{ rows: Record<string, string>[] }>(
        `explain ${sql.replace(/\$\d+/g, '?')}`,
        bindings as never,
      );
      const plan = rows.map((r) => r['QUERY PLAN']).join('\n');
      if (GROWING.test(plan)) found.push(`${sql}\n${plan}`);
    }
    return found;
  });
  expect(through).toEqual([]);
});
