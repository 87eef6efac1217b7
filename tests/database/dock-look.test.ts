import { SHIPPED_SPECIES } from '@/core/species/registry';
import { codeOf } from '@/core/labels/codes';
import { insertFlaw } from '@/data/claims';
import { insertTemperature, insertWeighing } from '@/data/evidence';
import { changeLot, maybeLot, takeInHand, type LotRow } from '@/data/lots';
import { changePortion, manyPortionsInStock, manyPortionsOfLot } from '@/data/portions';
import { endLine } from '@/data/stays';
import { manyPails } from '@/data/pails';
import { manyStepsOfPortion } from '@/data/steps';
import { lookData, readLook, type Look } from '@/features/dock/look-data';
import { outlookKey } from '@/features/dock/outlook';
import { STAGES } from '@/features/dock/words';
import { findLabelled, type Scanned } from '@/features/labels/find-labelled';
import { isForLater } from '@/server/lot-forecasts';
import type { ActionContext } from '@/server/handler';
import { replanLot } from '@/server/replan';
import type { SignedIn } from '@/server/session';
import { canWait, shellData } from '@/server/shell-data';
import { lotBrief, lotsOf } from '@/server/stock';
import { freshShop, type TestShop } from '../support/database';
import { inEnglish } from '@/core/words/say';

let shop: TestShop;
let me: SignedIn;
let bram: string;
jest.mock('@/server/session', () => ({
  maybeInMyShop: (work: (trx: unknown, me: unknown) => Promise<unknown>) =>
    shop.inside((trx) => work(trx, me)),
}));
beforeAll(async () => {
  shop = await freshShop();
  me = {
    personId: shop.personId,
    role: 'hand',
    language: 'en',
    species: SHIPPED_SPECIES,
    shop: { id: shop.shopId, timeZone: 'Etc/UTC', demo: true },
  } as unknown as SignedIn;
  bram = (await shop.owner('person').where({ name: 'Bram' }).first<{ id: string }>('id')).id;
});
afterAll(() => shop.close());

const AT = new Date('2026-11-24T06:55:00Z');
const later = (minutes: number): Date => new Date(AT.getTime() + minutes * 60_000);
const lotOf = async (id: string): Promise<LotRow> => {
  const lot = await shop.inside((trx) => maybeLot(trx, id));
  if (!lot) throw new Error('no such lot');
  return lot;
};
const heapOf = async (id: string) => {
  const [heap] = await shop.inside((trx) => manyPortionsOfLot(trx, id));
  if (!heap) throw new Error('the lot is used up');
  return heap;
};
const look = async (id: string, at = AT): Promise<Look> => {
  const read = await shop.inside(async (trx) => {
    const rows = lotsOf(await manyPortionsInStock(trx));
    const lots = rows.map((l) => lotBrief(l, isForLater(l, at, 'Etc/UTC'), me));
    const row = rows.find((l) => l.id === id);
    if (!row) throw new Error('no such lot in stock');
    return readLook(trx, me, at, row, lots);
  });
  if (!read) throw new Error('the lot is used up');
  const props = await lookData(read);
  if (!props) throw new Error('nothing was made of it');
  return props;
};

test('what the drawing shows for a touch is what stands once that touch is logged', async () => {
  const id = await shop.bookLot(40, 'LOOK-1');
  const before = await look(id);
  const open = STAGES[2].stage;
  const promised = before.outlooks[outlookKey(open, 'hanging')];
  expect(promised?.daysLeft.p50).toBeLessThan(
    before.outlooks[outlookKey(before.lot.stage, 'firm')]?.daysLeft.p50 ?? 0,
  );
  await shop.inside(async (trx) => {
    await changeLot(trx, id, { stage: open, droop: 'hanging' });
    await replanLot({ trx, action: shop.action(), me } as ActionContext, id);
  });
  const after = await look(id);
  expect(after.lot.daysLeft).toEqual(promised?.daysLeft);
  expect(after.outlooks[outlookKey(open, 'hanging')]).toEqual(promised);
  const heap = await heapOf(id);
  const plan = (await shop.inside((trx) => manyStepsOfPortion(trx, heap.id, heap.planNo))).map((s) =>
    inEnglish(s.step.title),
  );
  expect(promised?.changes.length).toBeGreaterThan(0);
  for (const title of promised?.changes ?? []) expect(plan).toContain(title);
});

test('every way a lot can be seen has its days, its plan, and its place among its supplier’s', async () => {
  const id = await shop.bookLot(40, 'LOOK-2');
  const { outlooks } = await look(id);
  expect(Object.keys(outlooks)).toHaveLength(15);
  for (const { daysLeft, shareByDay, lifeUsed, usual } of Object.values(outlooks)) {
    expect(daysLeft.p10).toBeLessThanOrEqual(daysLeft.p90);
    expect(shareByDay.every((s) => s >= 0 && s <= 1)).toBe(true);
    expect(lifeUsed).toBeGreaterThan(0);
    // Eight weeks of vans are behind the demo.
    expect(usual).toMatch(/of Norrholt Growers usually comes at \d+\s%.*\d+ lots/);
  }
  const used = (stage: number) => outlooks[outlookKey(stage, 'firm')]?.lifeUsed ?? 0;
  expect(used(1.1)).toBeGreaterThan(used(0));
});

test('flaws, a warm box and weighed bunches are there for the next who looks', async () => {
  const id = await shop.bookLot(40, 'LOOK-3');
  await shop.inside(async (trx) => {
    await insertFlaw(trx, shop.action(), { lotId: id, kind: 'grey-mould', seen: 4, sample: 20 });
    await insertTemperature(trx, shop.action(), id, 'box', 19);
    await insertTemperature(trx, shop.action(), id, 'water', 8);
    await insertWeighing(trx, shop.action(), id, {
      speciesKey: 'tulip',
      lengthCm: 40,
      stems: 10,
      grams: 270,
    });
  });
  const seen = await look(id);
  expect(seen.flaws).toMatchObject([{ kind: 'grey-mould', likelyStems: 8 }]);
  expect(seen.evidence).toMatchObject({ boxC: 19, waterC: 8 });
  expect(seen.measured.map(inEnglish)).toEqual([expect.stringContaining('times as fast')]);
  expect(seen.grams).toEqual({ grams: 27, basis: 'as weighed here at this grade' });
  expect(seen.outlooks[outlookKey(seen.lot.stage, 'firm')]?.changes.join()).toContain('soft or furred');
});

test('a box in other hands is said to be, for ten minutes, and the next to look at is another', async () => {
  const [mine, theirs] = [await shop.bookLot(10, 'HAND-1'), await shop.bookLot(10, 'HAND-2')];
  await shop.inside((trx) => takeInHand(trx, theirs, bram, AT));
  expect((await look(theirs)).alsoInHand).toBe('Bram');
  expect((await look(theirs, later(11))).alsoInHand).toBeNull();
  await shop.inside((trx) => takeInHand(trx, mine, shop.personId, AT));
  expect((await look(mine)).alsoInHand).toBeNull();
  expect((await look(mine)).nextId).not.toBe(theirs);
});

test('a box for tomorrow is no work of today, unless it cannot bear the night dry', async () => {
  const id = await shop.bookLot(10, 'LATER-1');
  const dueToday = async (at: Date) => (await shop.inside((trx) => shellData(trx, me, at))).notes.dock.words;
  const before = await dueToday(AT);
  await shop.inside((trx) => changeLot(trx, id, { for_day: '2026-11-25' }));
  expect(Number.parseInt(await dueToday(AT))).toBe(Number.parseInt(before) - 1);
  expect(canWait(await heapOf(id), AT, me)).toBe(true);
  expect(canWait({ ...(await heapOf(id)), speciesKey: 'hydrangea' }, AT, me)).toBe(false);
  expect(canWait(await heapOf(id), new Date('2026-11-25T06:00:00Z'), me)).toBe(false);
});

test('a scanned label opens its lot where it was scanned, a pail its rack, and nothing else anything', async () => {
  const id = await shop.bookLot(10, 'SCAN-1');
  const { number } = await lotOf(id);
  const scan = async (code: string, atBench = false): Promise<Scanned | null> => findLabelled(code, atBench);
  const code = codeOf({ kind: 'lot', number });
  expect(await scan(code)).toEqual({ href: `/dock?lot=${id}`, words: `Lot ${number}` });
  expect((await scan(code, true))?.href).toBe(`/bench?lot=${id}`);
  const [pail] = await shop.inside(manyPails);
  const label = codeOf({ kind: 'pail', number: pail?.labelNo ?? 0 });
  expect(await scan(label)).toEqual({ href: `/pails?pail=${pail?.id}`, words: `Pail ${pail?.name}` });
  expect((await scan(codeOf({ kind: 'lot', number: 9_999_999 })))?.words).toContain('No lot 9999999');
  expect((await scan("%L1' or 1=1"))?.href).toBeNull();
  const heap = await heapOf(id);
  await shop.inside(async (trx) => {
    await changePortion(trx, heap.id, { stems: 0 });
    await endLine(trx, heap.id, AT);
  });
  expect((await scan(code))?.words).toBe(`Lot ${number} is used up.`);
});
