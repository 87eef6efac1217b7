import { SHIPPED_SPECIES } from '@/core/species/registry';
import { manyExpected } from '@/data/expected';
import { manyPails, type PailRow } from '@/data/pails';
import { manyRooms } from '@/data/rooms';
import { nextVan } from '@/features/pails/next-van';
import { act, be, does, send } from '../support/acting';
import { freshShop, type TestShop } from '../support/database';
import { unsound } from '../support/sound';
import { stage } from '../support/stage';

jest.mock('@/server/session', () => jest.requireActual<object>('../support/stage')['stagedSession' as never]);
jest.mock('@/server/clock', () => ({
  ...jest.requireActual<object>('@/server/clock'),
  now: () => stage.at,
}));

let shop: TestShop;
beforeAll(async () => {
  stage.shop = shop = await freshShop();
  await be('Wen');
  await shop.owner('expected_delivery').where({ state: 'expected' }).update({ state: 'called-off' });
  // Five stand clean, the rest as they are.
  await shop.owner.raw(
    `update pail set state = 'sanitised', sanitised_at = ? where id in
       (select id from pail where state in ('dirty', 'scrubbed') order by length(name), name limit 5)`,
    [stage.at],
  );
});
afterAll(() => shop.close());

const TODAY = '2026-11-24';
const pails = (): Promise<PailRow[]> => shop.inside((trx) => manyPails(trx));
const clean = async (): Promise<PailRow[]> => (await pails()).filter((p) => p.state === 'sanitised');
const van = async () =>
  nextVan(await shop.inside((trx) => manyExpected(trx, TODAY)), await pails(), SHIPPED_SPECIES, {
    today: TODAY,
    locale: 'en-GB',
    rooms: await shop.inside((trx) => manyRooms(trx)),
  });
async function order(orderRef: string, stems: number, dueOn = TODAY): Promise<string> {
  const lines = [{ line: 1, speciesKey: 'tulip', variety: null, lengthCm: null, stems }];
  const placed = await act('dock/order', { supplier: 'Salt Hill', orderRef, dueOn, lines });
  if (!placed.ok) throw new Error(placed.message);
  return (placed.value as { expectedId: string }).expectedId;
}
const fill = (pailId: string) =>
  ({ pailId, litres: 3, solution: 'plain', tempC: 10, depth: 'third' }) as const;

test('what the next van needs is told with the pails that would be used, and what is short', async () => {
  expect(await van()).toBeNull();
  const expectedId = await order('KEPT-1', 60);
  const small = await van();
  expect(small).toMatchObject({ expectedId, supplier: 'Salt Hill', when: 'today', short: 0 });
  expect(small?.pailIds).toHaveLength(small?.needed ?? 0);
  await act('dock/call-off', { expectedId });
  await order('KEPT-2', 20_000, '2026-11-25');
  const large = await van();
  expect(large?.when).toBe('tomorrow');
  expect(large?.short).toBeGreaterThan(0);
  // What is short is washed out of what is there, told by where it stands: all of it, for so many stems.
  const toWash = (await pails()).filter((p) => ['dirty', 'scrubbed', 'contact'].includes(p.state));
  expect((large?.from ?? []).flatMap((f) => f.names).sort()).toEqual(toWash.map((p) => p.name).sort());
  expect(small?.from).toEqual([]);
  await act('dock/call-off', { expectedId: large?.expectedId ?? '' });
});

test('kept for a van they are poured into only when somebody says so, and are free again once they were', async () => {
  const expectedId = await order('KEPT-3', 60);
  const [one, two] = await clean();
  if (!one || !two) throw new Error('two stand clean');
  expect(await does('pails/reserve', { pailIds: [one.id, two.id], expectedId })).toBe('done');
  expect((await pails()).filter((p) => p.reservedFor === expectedId)).toHaveLength(2);
  const asked = await send('pails/fill', fill(one.id));
  expect(asked).toMatchObject({ ok: false, why: 'asked' });
  expect(asked.ok ? '' : asked.message).toContain(`Pail ${one.name} is kept for the van of Salt Hill`);
  expect(await does('pails/fill', fill(one.id), { sure: ['kept'] })).toBe('done');
  const after = await pails();
  expect(after.find((p) => p.id === one.id)).toMatchObject({ state: 'filled', reservedFor: null });
  expect(after.find((p) => p.id === two.id)?.reservedFor).toBe(expectedId);
  expect(await unsound(shop.owner)).toEqual([]);
});

test('the van that does not come, or was called off, keeps nothing', async () => {
  const kept = (await pails()).find((p) => p.reservedFor !== null);
  if (!kept?.reservedFor) throw new Error('one is kept');
  await act('dock/call-off', { expectedId: kept.reservedFor });
  expect((await pails()).find((p) => p.id === kept.id)?.reservedFor).toBeNull();
  expect(await does('pails/fill', fill(kept.id))).toBe('done');
  expect(await does('pails/reserve', { pailIds: [kept.id], expectedId: kept.reservedFor })).toContain(
    'expected no longer',
  );
});

test('only what stands clean is kept; let go, it is anybody’s', async () => {
  const expectedId = await order('KEPT-4', 30);
  const dirty = (await pails()).find((p) => p.state !== 'sanitised');
  const [one] = await clean();
  if (!dirty || !one) throw new Error('one is in use, one clean');
  expect(await does('pails/reserve', { pailIds: [one.id, dirty.id], expectedId })).toContain(
    `Pail ${dirty.name} does not stand clean`,
  );
  expect((await pails()).some((p) => p.reservedFor !== null)).toBe(false);
  await act('pails/reserve', { pailIds: [one.id], expectedId });
  expect(await does('pails/reserve', { pailIds: [one.id], expectedId: null })).toBe('done');
  expect(await does('pails/fill', fill(one.id))).toBe('done');
});

test('another van’s pails are not counted for this one', async () => {
  const first = (await van())?.expectedId ?? '';
  const later = await order('KEPT-5', 30, '2026-11-26');
  const before = await van();
  const ids = (await clean()).map((p) => p.id);
  await act('pails/reserve', { pailIds: ids, expectedId: later });
  expect(await van()).toMatchObject({ expectedId: first, short: before?.needed, pailIds: [] });
  // A page from before they were kept takes none of them away.
  expect(await does('pails/reserve', { pailIds: ids, expectedId: first })).toContain(
    'is kept for the van of',
  );
  expect((await pails()).filter((p) => p.reservedFor === later)).toHaveLength(ids.length);
});

test('whichever pails are kept, they are the van’s as long as they do', async () => {
  await shop.owner('expected_delivery').where({ state: 'expected' }).update({ state: 'called-off' });
  const expectedId = await order('KEPT-6', 10);
  const [would] = (await van())?.pailIds ?? [];
  const other = (await clean()).sort((a, b) => b.sizeL - a.sizeL).find((p) => p.id !== would);
  if (!other) throw new Error('more than one stands clean');
  await act('pails/reserve', { pailIds: [other.id], expectedId });
  expect(await van()).toMatchObject({ needed: 1, short: 0, pailIds: [other.id] });
});
