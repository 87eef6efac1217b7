import { CLAIM_SORTS, type ClaimSort } from '@/core/dock/claim-sorts';
import { claimedSuppliers, manyUnsettledClaims, type ClaimRecord } from '@/data/claim-lists';
import { freshShop, type TestShop } from '../support/database';

/** What a newcomer sees first: a shop at work. Counts are what was asked for, not what the loader happens to make. */
let shop: TestShop;
beforeAll(async () => {
  shop = await freshShop('at work');
}, 120_000);
afterAll(() => shop.close());

const count = async (sql: string): Promise<number> => {
  const { rows } = await shop.owner.raw<{ rows: { n: string }[] }>(`select count(*) as n ${sql}`);
  return Number(rows[0]?.n);
};
const countBy = async (sql: string): Promise<Record<string, number>> => {
  const { rows } = await shop.owner.raw<{ rows: { k: string; n: string }[] }>(sql);
  return Object.fromEntries(rows.map(({ k, n }) => [k, Number(n)]));
};

it('has forty to sixty lots in stock, of every age of the week and more', async () => {
  const ages = await countBy(
    `select extract(day from '2026-11-24T06:50:00Z'::timestamptz - arrived_at) as k, count(*) as n
     from lot where stems_left > 0 group by 1`,
  );
  const lots = Object.values(ages).reduce((a, b) => a + b, 0);
  expect(lots).toBeGreaterThanOrEqual(40);
  expect(lots).toBeLessThanOrEqual(60);
  expect(Object.keys(ages).length).toBeGreaterThanOrEqual(6);
});

it('has arrangements that wait beside those that went out, claims of every standing, pails in every state', async () => {
  const lately = `from arrangement where made_at > '2026-11-22'`;
  expect(await count(lately)).toBe(8);
  expect(await count(`${lately} and card_due`)).toBe(3);
  const claims = await countBy('select state as k, count(*) as n from claim group by 1');
  for (const state of ['open', 'sent', 'credited', 'refused']) expect(claims[state]).toBeGreaterThan(0);
  const pails = await countBy('select state as k, count(*) as n from pail group by 1');
  for (const state of ['dirty', 'scrubbed', 'contact', 'sanitised', 'filled'])
    expect(pails[state]).toBeGreaterThan(0);
  expect(await count(`from pail where contact_until > '2026-11-24T06:50:00Z'`)).toBeGreaterThan(0);
});

it('has clocks that run, lots in trouble, and eight weeks of record in the order it was written', async () => {
  expect(
    await count(`from protocol_step where status = 'running' and due_at > '2026-11-24T06:50:00Z'`),
  ).toBeGreaterThan(5);
  expect(await count(`from lot where stems_left > 0 and droop <> 'firm'`)).toBeGreaterThan(1);
  expect(await count(`from record_entry where at < '2026-10-06'`)).toBeGreaterThan(10);
  expect(
    await count(
      'from (select at, lag(at) over (order by id) as before from record_entry) e where at < before',
    ),
  ).toBe(0);
});

it('sells and makes nothing that was not there', async () => {
  expect(await count('from lot where stems_left < 0 or stems_left > stems_booked')).toBe(0);
  expect(
    await count(
      `from arrangement_line a join lot l on l.id = a.lot_id join arrangement m on m.id = a.arrangement_id
       where m.made_at < l.arrived_at`,
    ),
  ).toBe(0);
});

it('lists claims to settle by what is asked, a supplier’s alone where one is named, and leaves none out', async () => {
  const asked = (of: Parameters<typeof manyUnsettledClaims>[2]) =>
    shop.inside((trx) => manyUnsettledClaims(trx, 300, of));
  const all = await asked({});
  const ids = (claims: readonly { id: string }[]) => claims.map((c) => c.id).sort();
  const valueOf: Readonly<Record<ClaimSort, (c: ClaimRecord) => number | string>> = {
    due: (c) => c.dueAt.getTime(),
    number: (c) => c.number,
    value: (c) => c.value ?? Infinity,
    supplier: (c) => c.supplier,
  };
  for (const sort of CLAIM_SORTS)
    for (const direction of ['asc', 'desc'] as const) {
      const sorted = await asked({ sort, direction });
      expect(ids(sorted)).toEqual(ids(all));
      const values = sorted.map(valueOf[sort]).filter((v) => v !== Infinity);
      const inOrder = [...values].sort((a, b) => (a < b ? -1 : a > b ? 1 : 0));
      expect(values).toEqual(direction === 'asc' ? inOrder : inOrder.reverse());
    }
  const suppliers = await shop.inside(claimedSuppliers);
  expect(suppliers).toEqual([...new Set(all.map((c) => c.supplier))].sort());
  for (const supplier of suppliers)
    expect(ids(await asked({ supplier }))).toEqual(ids(all.filter((c) => c.supplier === supplier)));
  expect(await asked({ supplier: "Nobody's" })).toEqual([]);
});

it('is there once, whatever is asked again', async () => {
  const { loadDemo } = await import('@/demo/load');
  expect(await loadDemo(shop.owner, new Date('2026-11-25T06:50:00Z'), 'at work')).toBe(false);
  expect(await count('from shop')).toBe(1);
});
