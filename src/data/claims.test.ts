import { freshShop, type TestShop } from '../../tests/support/database';
import { claimHoursBySupplier, insertFlaw, manyFlaws, moveClaim, openClaim, setClaimHours } from './claims';
import type { ClaimState } from '../core/dock/claims';
import { DataError, RefusedError } from './errors';
import { maybeLot } from './lots';
import { manySupplierWords, rememberSupplierWords } from './supplier-words';
import { manyClaims } from '../../tests/support/claims';

let shop: TestShop;
let lotId: string;
beforeAll(async () => {
  shop = await freshShop();
  lotId = await shop.bookLot(40, 'CL-1');
});
afterAll(() => shop.close());

const AT = new Date('2026-11-24T06:50:00Z');
const open = async (kind = 'grey-mould', stems = 12) =>
  shop.inside(async (trx) => {
    await trx.raw('select pg_advisory_xact_lock(1)');
    const lot = await maybeLot(trx, lotId);
    return openClaim(trx, shop.action(), {
      lotId,
      deliveryId: lot?.deliveryId ?? '',
      kind,
      says: { message: 'claim.short', with: { counted: 128, noted: 140 } },
      stems,
      value: 3.6,
      currency: 'EUR',
      dueAt: new Date(AT.getTime() + 24 * 3_600_000),
    });
  });
const move = (id: string, state: ClaimState, value: number | null = null) =>
  shop.inside((trx) => moveClaim(trx, shop.action(), id, state, value));
const refused = async (work: Promise<unknown>): Promise<string> =>
  work.then(
    () => 'done',
    (error: unknown) => (error instanceof RefusedError ? 'refused' : 'failed'),
  );

test('claims opened at once get numbers of their own, and carry what they are about', async () => {
  const opened = await Promise.all([open(), open('brown-buds', 4), open('broken', 2)]);
  expect(opened.map((c) => c.number).sort()).toEqual([1, 2, 3]);
  const [first] = await shop.inside((trx) => manyClaims(trx, 10));
  expect(first).toMatchObject({
    supplier: 'Norrholt Growers',
    deliveryRef: 'CL-1',
    speciesKey: 'tulip',
    stemsDelivered: 40,
    value: 3.6,
    state: 'open',
    openedByName: 'Wen',
  });
});

test('a claim goes from open to sent to its end, once, and a credit says how much', async () => {
  const { claimId } = await open('soil', 3);
  await move(claimId, 'sent');
  expect(await refused(move(claimId, 'sent'))).toBe('refused');
  // The database holds that a credit has its value, whatever the code says.
  expect(await refused(move(claimId, 'credited'))).toBe('failed');
  const both = await Promise.all([refused(move(claimId, 'credited', 3)), refused(move(claimId, 'refused'))]);
  expect(both.sort()).toEqual(['done', 'refused']);
  expect(await refused(move(claimId, 'withdrawn'))).toBe('refused');
  const withdrawn = await open('nectar', 3);
  await move(withdrawn.claimId, 'withdrawn');
  expect((await shop.inside((trx) => manyClaims(trx, 50))).map((c) => c.id)).not.toContain(withdrawn.claimId);
});

test('the same stems are claimed once, nor more than there are, and no claim is settled for more than it asks', async () => {
  const fault = async (work: Promise<unknown>): Promise<string> =>
    work.then(
      () => 'done',
      (error: unknown) => (error instanceof DataError ? error.fault : String(error)),
    );
  lotId = await shop.bookLot(20, 'CL-2');
  const { claimId } = await open();
  expect(await fault(open())).toBe('claimed-already');
  expect(await fault(open('blown', 9))).toBe('claimed-too-many');
  expect(await fault(open('short', 1))).toBe('claimed-too-many');
  expect(await fault(move(claimId, 'credited', 3.61))).toBe('settled-too-high');
  await move(claimId, 'withdrawn');
  expect(await fault(open())).toBe('done');
});

test('the last count of a flaw is the one in force; withdrawn, there is none', async () => {
  const count = (seen: number, withdrawn = false) =>
    shop.inside((trx) =>
      insertFlaw(trx, shop.action(), { lotId, kind: 'broken', seen, sample: 20 }, withdrawn),
    );
  await count(3);
  await count(5);
  expect(await shop.inside((trx) => manyFlaws(trx, [lotId]))).toEqual([
    { lotId, kind: 'broken', seen: 5, sample: 20 },
  ]);
  await count(5, true);
  expect(await shop.inside((trx) => manyFlaws(trx, [lotId]))).toEqual([]);
  await expect(count(21)).rejects.toThrow();
  await expect(shop.inside((trx) => trx.raw('update lot_flaw set seen = 0'))).rejects.toThrow();
});

test('how long a supplier allows is set again and again, and the last stands', async () => {
  await shop.inside((trx) => setClaimHours(trx, shop.shopId, 'Norrholt Growers', 12));
  await shop.inside((trx) => setClaimHours(trx, shop.shopId, 'Norrholt Growers', 48));
  expect(await shop.inside(claimHoursBySupplier)).toEqual({ 'Norrholt Growers': 48 });
});

test('what a supplier’s words meant is remembered by supplier, the last choice first', async () => {
  const remember = (supplier: string, speciesKey: string) =>
    shop.inside((trx) =>
      rememberSupplierWords(trx, shop.shopId, supplier, [{ words: 'widows thrill', speciesKey }], AT),
    );
  await remember('Pellinor', 'scabiosa');
  await remember('Pellinor', 'stock');
  await remember('Norrholt', 'iris');
  expect(await shop.inside(manySupplierWords)).toEqual({
    Pellinor: { 'widows thrill': 'stock' },
    Norrholt: { 'widows thrill': 'iris' },
  });
});

test('another shop sees none of it', async () => {
  for (const table of ['claim', 'lot_flaw', 'supplier_terms', 'supplier_word'])
    expect(
      await shop.app.transaction(async (trx) => {
        await trx.raw("select set_config('app.shop_id', '00000000-0000-7000-8000-000000000000', true)");
        return trx(table).select('shop_id');
      }),
    ).toEqual([]);
});
