import { readDetail } from '@/core/record/entry-details';
import { maybeArrangement, maybeCard } from '@/data/arrangements';
import { manyFlaws } from '@/data/claims';
import { maybeLot } from '@/data/lots';
import { manyPails } from '@/data/pails';
import { lastDoneBy } from '@/server/take-back';
import {
  act,
  be,
  bookOf,
  cleanPail,
  does,
  later,
  lastEntry,
  openStep,
  pailsIn,
  portionById,
  portionOf,
  portionsOf,
  stepsOf,
  takeBackLast,
  until,
} from '../support/acting';
import { freshShop, type TestShop } from '../support/database';
import { stage } from '../support/stage';
import { manyClaims } from '../support/claims';

jest.mock('@/server/session', () => jest.requireActual<object>('../support/stage')['stagedSession' as never]);
jest.mock('@/server/clock', () => ({
  ...jest.requireActual<object>('@/server/clock'),
  now: () => stage.at,
}));

let shop: TestShop;
beforeAll(async () => {
  stage.shop = shop = await freshShop();
  await be('Wen');
});
afterAll(() => shop.close());

const lotOf = (id: string) => shop.inside((trx) => maybeLot(trx, id));
const pailOf = async (id: string) => (await shop.inside((trx) => manyPails(trx))).find((p) => p.id === id);
const make = (portionId: string, stems: number) =>
  act('make/make', {
    name: 'tray',
    vesselKind: 'vase',
    litres: 1,
    care: 'mixed',
    lines: [{ portionId, stems }],
  });
const lastOfMine = () => shop.inside((trx) => lastDoneBy(trx, stage.me.personId, stage.at, 'en'));

test('a begun drink taken back: the step waits, the lot stands dry, the pail is clean and empty', async () => {
  const { id } = await bookOf('gerbera', 10);
  const drink = await until(id, 'drink');
  const pailId = await cleanPail();
  const was = await shop.owner('stay').where({ portion_id: id }).orderBy('from_at');
  later(5);
  await act('bench/tap', { stepId: drink.id, to: 'running', pails: [{ pailId }] });
  expect((await portionById(id)).pailId).toBe(pailId);
  expect(await takeBackLast()).toBe('done');
  expect(await portionById(id)).toMatchObject({ fillId: null, isWet: false });
  expect((await openStep(id)).status).toBe('waiting');
  expect(await pailOf(pailId)).toMatchObject({ state: 'sanitised', fillId: null });
  // It never stood in that water: its line is what it was.
  expect(await shop.owner('stay').where({ portion_id: id }).orderBy('from_at')).toEqual(was);
});

test('not while another lot stands in that water', async () => {
  const [first, second] = [await bookOf('gerbera', 10), await bookOf('gerbera', 10)];
  const pailId = await cleanPail();
  const drink = await until(first.id, 'drink');
  await act('bench/tap', { stepId: drink.id, to: 'running', pails: [{ pailId }] });
  const opened = (await lastEntry()).id;
  const other = await until(second.id, 'drink');
  expect((await act('bench/tap', { stepId: other.id, to: 'running', pails: [{ pailId }] })).ok).toBe(true);
  expect(await does('desk/take-back', { entryId: opened })).toContain('something else stands in it');
  expect((await portionById(first.id)).pailId).toBe(pailId);
});

test('binned stems come back, once, and the correction names what it corrects', async () => {
  const lotId = await shop.bookLot(10);
  await does('dock/bin', { lotId, stems: 4, reason: 'broken' });
  const { id } = await lastEntry();
  expect(await does('desk/take-back', { entryId: id })).toBe('done');
  expect((await lotOf(lotId))?.stemsLeft).toBe(10);
  expect(await does('desk/take-back', { entryId: id })).toContain('already');
  const correction = await shop.owner('record_entry').where({ corrects: id }).first<object>();
  expect(correction).toMatchObject({ subject_kind: 'lot', subject_id: lotId });
  await does('pails/wash', { pailId: (await pailsIn('dirty'))[0]?.id ?? '', to: 'scrubbed' });
  await takeBackLast();
  const washed = await shop.owner('record_entry').orderBy('id', 'desc').first<object>();
  expect(washed).toMatchObject({ kind: 'correction', subject_kind: 'pail' });
});

test('the last of it is binned and comes back to where it stood; that water tipped out since, it stands dry from then', async () => {
  const { id, lotId } = await bookOf('gerbera', 10);
  const drink = await until(id, 'drink');
  const pailId = await cleanPail();
  await act('bench/tap', { stepId: drink.id, to: 'running', pails: [{ pailId }] });
  later(60);
  await does('dock/bin', { lotId, stems: 10, reason: 'blown' });
  expect(await portionsOf(lotId)).toEqual([]);
  expect(await takeBackLast()).toBe('done');
  expect(await portionOf(lotId)).toMatchObject({ stemsLeft: 10, pailId });
  await does('dock/bin', { lotId, stems: 10, reason: 'blown' });
  const { id: bin } = await lastEntry();
  later(30);
  expect(await does('pails/tip-out', { pailId })).toBe('done');
  const tippedAt = stage.at;
  expect(await does('desk/take-back', { entryId: bin })).toBe('done');
  expect(await portionOf(lotId)).toMatchObject({ stemsLeft: 10, pailId: null, isWet: false });
  const open = await shop.owner('stay').where({ portion_id: id, to_at: null }).first<{ from_at: Date }>();
  expect(open.from_at).toEqual(tippedAt);
});

test('a tip-out and a turning over are taken back: the water is where it was, and what stood in it', async () => {
  const { id } = await bookOf('gerbera', 10);
  const drink = await until(id, 'drink');
  const [first, second] = await pailsIn('sanitised');
  if (!first || !second) throw new Error('two clean pails are wanted');
  await act('bench/tap', { stepId: drink.id, to: 'running', pails: [{ pailId: first.id }] });
  later(10);
  expect(await does('pails/turn-over', { pailId: first.id, toPailId: second.id })).toBe('done');
  expect((await portionById(id)).pailId).toBe(second.id);
  expect(await takeBackLast()).toBe('done');
  expect((await portionById(id)).pailId).toBe(first.id);
  expect(await pailOf(first.id)).toMatchObject({ state: 'filled' });
  expect(await pailOf(second.id)).toMatchObject({ state: 'sanitised', fillId: null });
  await does('pails/fill', { pailId: second.id, litres: 3, solution: 'plain', tempC: 20, depth: 'normal' });
  const fill = (await pailOf(second.id))?.fillId;
  await does('pails/tip-out', { pailId: second.id });
  expect(await takeBackLast()).toBe('done');
  expect(await pailOf(second.id)).toMatchObject({ state: 'filled', fillId: fill });
});

test('only the last action about a lot is taken back, then the one before it', async () => {
  const lotId = await shop.bookLot(10);
  await does('dock/bin', { lotId, stems: 1, reason: 'broken' });
  const first = await lastEntry();
  await does('dock/bin', { lotId, stems: 2, reason: 'blown' });
  expect(await does('desk/take-back', { entryId: first.id })).toMatch(/done after it: Binned 2 of lot/);
  expect(await takeBackLast()).toBe('done');
  expect(await takeBackLast()).toBe('done');
  expect((await lotOf(lotId))?.stemsLeft).toBe(10);
});

test('stems that an arrangement took come back to its lot, also where that was put to another since', async () => {
  const [a, b] = [await bookOf('rose', 20), await bookOf('rose', 30)];
  await shop
    .owner('lot')
    .where({ id: b.lotId })
    .update({
      delivery_id: (await shop.owner('lot').where({ id: a.lotId }).first<{ delivery_id: string }>())
        .delivery_id,
    });
  expect((await make(a.id, 3)).ok).toBe(true);
  const made = await lastEntry();
  expect(await does('dock/merge', { lotId: a.lotId, intoId: b.lotId })).toBe('done');
  expect((await lotOf(b.lotId))?.stemsLeft).toBe(47);
  const c = await bookOf('rose', 5);
  await shop
    .owner('lot')
    .where({ id: c.lotId })
    .update({
      delivery_id: (await shop.owner('lot').where({ id: b.lotId }).first<{ delivery_id: string }>())
        .delivery_id,
    });
  // And that one to a third: to the end of the line.
  expect(await does('dock/merge', { lotId: b.lotId, intoId: c.lotId })).toBe('done');
  expect(await does('desk/take-back', { entryId: made.id })).toBe('done');
  expect([
    (await lotOf(a.lotId))?.stemsLeft,
    (await lotOf(b.lotId))?.stemsLeft,
    (await lotOf(c.lotId))?.stemsLeft,
  ]).toEqual([0, 0, 55]);
});

test('a card is withdrawn, asked first, and its arrangement stays; the arrangement goes only without one', async () => {
  const { id, lotId } = await bookOf('rose', 20);
  const outcome = await make(id, 4);
  const arrangementId = outcome.ok ? (outcome.value as { arrangementId: string }).arrangementId : '';
  const made = await lastEntry();
  await does('send-off/issue', { arrangementId });
  const card = await lastEntry();
  expect(await does('desk/take-back', { entryId: made.id })).toContain('take the card back first');
  expect(await act('desk/take-back', { entryId: card.id })).toMatchObject({
    why: 'asked',
    question: 'handed over',
  });
  expect(await takeBackLast(['handed over'])).toBe('done');
  expect((await shop.inside((trx) => maybeCard(trx, card.subjectId)))?.isWithdrawn).toBe(true);
  const row = await shop.inside((trx) => maybeArrangement(trx, arrangementId));
  expect(row).toMatchObject({ cardId: null, takenApartAt: null });
  expect((await lotOf(lotId))?.stemsLeft).toBe(16);
  expect(await does('desk/take-back', { entryId: made.id })).toBe('done');
  expect((await lotOf(lotId))?.stemsLeft).toBe(20);
});

test('the last thing of one’s own is said before, whatever it was, and can be done again', async () => {
  const lotId = await shop.bookLot(20);
  await does('dock/bin', { lotId, stems: 2, reason: 'broken' });
  await be('Bram');
  const theirs = await lastOfMine();
  expect(theirs.last).toBeNull();
  const { id: wens } = await lastEntry();
  expect(await does('desk/take-back', { entryId: wens })).toContain('Wen did that');
  await be('Wen');
  expect((await lastOfMine()).last?.words).toMatch(/^Binned 2 of lot/);
  expect(await takeBackLast()).toBe('done');
  const { redo } = await lastOfMine();
  expect(redo).toMatchObject({ name: 'dock/bin', input: { lotId, stems: 2, reason: 'broken' } });
  expect(await does(redo?.name as 'dock/bin', redo?.input as never)).toBe('done');
  expect((await lotOf(lotId))?.stemsLeft).toBe(18);
  expect((await lastOfMine()).redo).toBeNull();
});

test('what stands as it was written is corrected by another row: flaws, house, figures, protocols, skills', async () => {
  const lotId = await shop.bookLot(40);
  const flaw = (seen: number) => does('dock/flaw', { lotId, kind: 'broken', seen, sample: 20 });
  await flaw(2);
  await flaw(6);
  const inForce = async () => (await shop.inside((trx) => manyFlaws(trx, [lotId]))).map((f) => f.seen);
  await takeBackLast();
  expect(await inForce()).toEqual([2]);
  await takeBackLast();
  expect(await inForce()).toEqual([]);
  await be('Ilse');
  const last = async (table: string) =>
    await shop.owner(table).orderBy('seq', 'desc').first<{ value: unknown; shown: unknown }>();
  const reason = 'a trial week';
  await does('desk/set-way', { kind: 'school', key: 'foliage', subject: '', value: 'bare', reason });
  await takeBackLast();
  expect((await last('house_setting')).value).toBeNull();
  await does('desk/set-figure', {
    kind: 'species',
    subject: 'rose',
    figure: 'lifeDays20C',
    value: 12,
    reason,
  });
  await does('desk/set-figure', {
    kind: 'species',
    subject: 'rose',
    figure: 'lifeDays20C',
    value: 13,
    reason,
  });
  await takeBackLast();
  expect((await last('own_figure')).value).toBe(12);
  const tove = (await shop.owner('person').where({ name: 'Tove' }).first<{ id: string }>('id')).id;
  await does('bench/skill', { personId: tove, skill: 'secateurs', shown: true });
  await takeBackLast();
  expect((await last('skill_shown')).shown).toBe(false);
  await be('Wen');
});

test('a claim that was opened is withdrawn; one that was sent is asked about', async () => {
  const lotId = await shop.bookLot(40);
  await does('dock/flaw', { lotId, kind: 'broken', seen: 4, sample: 20 });
  await does('dock/claim', { lotId, kind: 'broken' });
  const claims = () => shop.inside((trx) => manyClaims(trx, 50));
  const claimId = (await claims())[0]?.id ?? '';
  await does('dock/claim-moved', { claimId, state: 'sent' });
  expect(await takeBackLast()).toContain('supplier may have it');
  expect(await takeBackLast(['handed over'])).toBe('done');
  expect((await claims())[0]?.state).toBe('open');
  expect(await takeBackLast()).toBe('done');
  expect((await claims()).some((c) => c.id === claimId)).toBe(false);
});

test('every entry this file wrote is read by the schema of its kind', async () => {
  const rows = await shop
    .owner('record_entry')
    .select<{ kind: string; detail_v: number; detail: unknown }[]>('*');
  expect(new Set(rows.map((r) => r.kind)).size).toBeGreaterThan(14);
  expect(rows.filter((r) => readDetail(r.kind, r.detail_v, r.detail) === null)).toEqual([]);
  expect((await stepsOf(await bookOf('rose', 5))).length).toBeGreaterThan(3);
});
