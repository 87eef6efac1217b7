import { freshShop, type TestShop } from '../../tests/support/database';
import { makeArrangement } from '../data/arrangements';
import { RefusedError } from '../data/errors';
import { insertFlaw, manyFlaws } from '../data/claims';
import { splitLot } from '../data/lot-parts';
import { binStems, changeLot, maybeLot } from '../data/lots';
import { changePail, fillPail, manyPails, onePailForUpdate } from '../data/pails';
import { manyNewestEntries, writeEntry } from '../data/record';
import { changeStep, manyStepsOfLot, stepStateOf } from '../data/steps';
import { canCorrect, takeBack } from './corrections';
import type { ActionContext } from './actions';
import type { SignedIn } from './session';

jest.mock('./session', () => ({}));
jest.mock('./actions', () => ({}));

let shop: TestShop;
beforeAll(async () => {
  shop = await freshShop();
});
afterAll(() => shop.close());

const context = (trx: ActionContext['trx']): ActionContext => ({
  trx,
  action: shop.action(),
  me: { shop: { timeZone: 'Etc/UTC' } } as SignedIn,
});
const newest = async () => (await shop.inside((trx) => manyNewestEntries(trx, 1)))[0] ?? { id: 0, words: '' };
const undo = (entryId: number) => shop.inside((trx) => takeBack(context(trx), entryId));
const lotOf = (id: string) => shop.inside((trx) => maybeLot(trx, id));

/** Logs a begun drink in a fresh pail, as the bench does. */
async function drink(lotId: string): Promise<{ entryId: number; pailId: string }> {
  return shop.inside(async (trx) => {
    const lot = await maybeLot(trx, lotId);
    const step = (await manyStepsOfLot(trx, lotId, lot?.planNo ?? 1)).find((s) => s.kind === 'drink');
    const clean = (await manyPails(trx)).find((p) => p.state === 'sanitised');
    if (!step?.step.pail || !clean) throw new Error('nothing to drink from');
    const pail = await onePailForUpdate(trx, clean.id);
    const action = shop.action();
    const fillId = await fillPail(
      trx,
      shop.shopId,
      pail,
      { ...step.step.pail, alone: false, litres: 2, overrideReason: null },
      action.at,
    );
    await changeLot(trx, lotId, { fill_id: fillId });
    await changeStep(trx, step.id, { status: 'running', started_at: action.at, due_at: action.at });
    const detail = {
      stepId: step.id,
      stepWas: stepStateOf(step),
      lotWas: { fill_id: lot?.fillId ?? null, room_id: lot?.roomId },
      poured: { fillId, opened: true, pailWas: { state: pail.state, contact_until: pail.contactUntil } },
    };
    const entryId = await writeEntry(trx, action, {
      kind: 'begin',
      subjectKind: 'lot',
      subjectId: lotId,
      words: 'begun',
      detail,
    });
    return { entryId, pailId: clean.id };
  });
}

test('a begun drink taken back: the step waits, the lot stands dry, the pail is clean and empty', async () => {
  const lotId = await shop.bookLot(10);
  const { entryId, pailId } = await drink(lotId);
  expect((await lotOf(lotId))?.pailId).toBe(pailId);
  await undo(entryId);
  const lot = await lotOf(lotId);
  expect(lot?.fillId).toBeNull();
  const steps = await shop.inside((trx) => manyStepsOfLot(trx, lotId, lot?.planNo ?? 1));
  expect(steps.find((s) => s.kind === 'drink')?.status).toBe('waiting');
  const pail = (await shop.inside((trx) => manyPails(trx))).find((p) => p.id === pailId);
  expect(pail).toMatchObject({ state: 'sanitised', fillId: null });
});

test('not while another lot stands in that water', async () => {
  const [first, second] = [await shop.bookLot(10), await shop.bookLot(10)];
  const { entryId } = await drink(first);
  const fillId = (await lotOf(first))?.fillId;
  await shop.inside((trx) => changeLot(trx, second, { fill_id: fillId }));
  await expect(undo(entryId)).rejects.toThrow('Another lot stands');
  expect((await lotOf(first))?.fillId).toBe(fillId);
});

test('binned stems come back, once', async () => {
  const lotId = await shop.bookLot(10);
  await shop.inside((trx) => binStems(trx, shop.action(), lotId, 4, 'broken'));
  const { id } = await newest();
  await undo(id);
  expect((await lotOf(lotId))?.stemsLeft).toBe(10);
  await expect(undo(id)).rejects.toThrow('already');
  expect((await lotOf(lotId))?.stemsLeft).toBe(10);
});

test('only the last action about a lot is taken back, then the one before it', async () => {
  const lotId = await shop.bookLot(10);
  await shop.inside((trx) => binStems(trx, shop.action(), lotId, 1, 'broken'));
  const first = await newest();
  await shop.inside((trx) => binStems(trx, shop.action(), lotId, 2, 'blown'));
  const second = await newest();
  await expect(undo(first.id)).rejects.toThrow(RefusedError);
  await undo(second.id);
  await undo(first.id);
  expect((await lotOf(lotId))?.stemsLeft).toBe(10);
});

test('an arrangement taken apart gives its stems back to their lots', async () => {
  const [a, b] = [await shop.bookLot(10), await shop.bookLot(10)];
  await shop.inside((trx) =>
    makeArrangement(trx, shop.action(), {
      name: 'tray',
      vesselKind: 'foam',
      litres: 1,
      solution: 'plain',
      forecast: { modelVersion: 't', input: {}, result: {} },
      lines: [
        { lotId: a, stems: 3 },
        { lotId: b, stems: 4 },
      ],
    }),
  );
  expect([(await lotOf(a))?.stemsLeft, (await lotOf(b))?.stemsLeft]).toEqual([7, 6]);
  await undo((await newest()).id);
  expect([(await lotOf(a))?.stemsLeft, (await lotOf(b))?.stemsLeft]).toEqual([10, 10]);
});

test('a wash taken back leaves the pail as it was', async () => {
  const pail = (await shop.inside((trx) => manyPails(trx))).find((p) => p.state === 'dirty');
  if (!pail) throw new Error('no pail is dirty');
  const entryId = await shop.inside(async (trx) => {
    await changePail(trx, pail.id, { state: 'scrubbed' });
    return writeEntry(trx, shop.action(), {
      kind: 'wash',
      subjectKind: 'pail',
      subjectId: pail.id,
      words: 'scrubbed',
      detail: { pailWas: { state: 'dirty', contact_until: null, sanitised_at: null } },
    });
  });
  await undo(entryId);
  expect((await shop.inside((trx) => manyPails(trx))).find((p) => p.id === pail.id)?.state).toBe('dirty');
});

test('cards and arrangements of long ago are not taken back by a tap', async () => {
  expect(canCorrect('card')).toBe(false);
  await expect(undo(987654)).rejects.toThrow('too far back');
});

/** Writes an entry about a lot as the dock does. */
const logged = (kind: string, lotId: string, detail: Record<string, unknown>) =>
  shop.inside((trx) =>
    writeEntry(trx, shop.action(), { kind, subjectKind: 'lot', subjectId: lotId, words: kind, detail }),
  );

test('a lot split in two stands as two, with the same journey, and is one again when taken back', async () => {
  const lotId = await shop.bookLot(40);
  const made = await shop.inside((trx) => splitLot(trx, shop.action(), lotId, 15));
  const [old, own] = [await lotOf(lotId), await lotOf(made.lotId)];
  expect(old).toMatchObject({ stemsBooked: 25, stemsLeft: 25 });
  expect(own).toMatchObject({ stemsBooked: 15, stemsLeft: 15, number: made.number, lookedAt: null });
  expect([own?.agedDays, own?.cutDate, own?.deliveryId]).toEqual([
    old?.agedDays,
    old?.cutDate,
    old?.deliveryId,
  ]);
  await expect(shop.inside((trx) => splitLot(trx, shop.action(), lotId, 25))).rejects.toThrow(
    'nothing would be left',
  );
  await expect(shop.inside((trx) => splitLot(trx, shop.action(), lotId, 26))).rejects.toThrow('has 25 left');
  expect(await lotOf(lotId)).toMatchObject({ stemsBooked: 25, stemsLeft: 25 });

  const entry = await logged('split', lotId, { splitOffId: made.lotId, stems: 15 });
  await shop.inside((trx) => binStems(trx, shop.action(), made.lotId, 1, 'broken'));
  await expect(undo(entry)).rejects.toThrow('used or binned since');
  await undo((await newest()).id);
  await undo(entry);
  expect(await lotOf(lotId)).toMatchObject({ stemsBooked: 40, stemsLeft: 40 });
  expect((await lotOf(made.lotId))?.stemsLeft).toBe(0);
});

test('a flaw taken back leaves the count before it, or none', async () => {
  const lotId = await shop.bookLot(40);
  const flaw = (seen: number) => ({ lotId, kind: 'broken', seen, sample: 20 });
  const log = async (seen: number, before: number | null) => {
    await shop.inside((trx) => insertFlaw(trx, shop.action(), flaw(seen)));
    return logged('flaw', lotId, { counted: flaw(seen), before: before === null ? null : flaw(before) });
  };
  const first = await log(2, null);
  const second = await log(6, 2);
  const inForce = () => shop.inside((trx) => manyFlaws(trx, [lotId]));
  await undo(second);
  expect(await inForce()).toEqual([flaw(2)]);
  await undo(first);
  expect(await inForce()).toEqual([]);
});

test('a logger taken back gives each lot the age its route had made of it', async () => {
  const lotId = await shop.bookLot(40);
  const was = await lotOf(lotId);
  await shop.inside((trx) =>
    changeLot(trx, lotId, { aged_days: 3.5, air_share: 0.4, droop: 'hanging', plan_no: was?.planNo ?? 1 }),
  );
  const entry = await logged('logger', lotId, {
    before: [{ lotId, aged_days: was?.agedDays, air_share: was?.airShare, droop: was?.droop }],
  });
  await undo(entry);
  const now = await lotOf(lotId);
  expect([now?.agedDays, now?.airShare, now?.droop]).toEqual([was?.agedDays, was?.airShare, was?.droop]);
  expect(now?.planNo).toBe((was?.planNo ?? 1) + 1);
});
