import { SHIPPED_SPECIES, ownMark } from '@/core/species/registry';
import { randomUUID } from 'node:crypto';
import { readStoredCard } from '@/core/care/stored-card';
import { readStoredStep } from '@/core/protocol/stored-step';
import { readDetail } from '@/core/record/entry-details';
import { manyOwnSpecies } from '@/data/house';
import { migrate } from '@/data/migrate';
import { up as speciesTraits } from '@/data/migrations/0011-species-traits';
import { act, be, openStep, portionOf, portionsOf, SURE } from '../support/acting';
import { olderShop, type TestShop } from '../support/database';
import { manyClaims } from '../support/claims';
import { stage } from '../support/stage';

jest.mock('@/server/session', () => jest.requireActual<object>('../support/stage')['stagedSession' as never]);
jest.mock('@/server/clock', () => ({
  ...jest.requireActual<object>('@/server/clock'),
  now: () => stage.at,
}));

/** A database that the version before filled: a demo worked with, and what its races could leave behind. */
let shop: TestShop;
interface Before {
  readonly lots: { id: string; number: number; stems_left: number; fill_id: string | null }[];
  readonly steps: { id: string; lot_id: string; status: string }[];
  readonly entries: number;
}
let before: Before;
beforeAll(async () => {
  stage.shop = shop = await olderShop();
  before = {
    lots: await shop.owner('lot').orderBy('number').select('id', 'number', 'stems_left', 'fill_id'),
    steps: await shop.owner('protocol_step').orderBy('id').select('id', 'lot_id', 'status'),
    entries: Number((await shop.owner('record_entry').count<{ n: number }[]>({ n: '*' }))[0]?.n),
  };
  await migrate(shop.owner);
  await be('Wen');
});
afterAll(() => shop.close());

const count = async (sql: string): Promise<number> =>
  Number((await shop.owner.raw<{ rows: { n: number }[] }>(sql)).rows[0]?.n);

test('every lot has its stems, every step its place, every entry its words', async () => {
  expect(before.lots.length).toBeGreaterThan(100);
  expect(before.lots.filter((l) => l.fill_id).length).toBeGreaterThan(5);
  const lots = await shop.owner('lot').orderBy('number').select('id', 'stems_left');
  expect(lots).toEqual(before.lots.map(({ id, stems_left }) => ({ id, stems_left })));
  const portions = await shop.owner('portion').select<{ lot_id: string; stems: number }[]>('lot_id', 'stems');
  expect(new Map(portions.map((p) => [p.lot_id, p.stems]))).toEqual(
    new Map(before.lots.map((l) => [l.id, l.stems_left])),
  );
  const steps = await shop
    .owner('protocol_step')
    .orderBy('id')
    .select('id', 'portion_id as lot_id', 'status');
  expect(steps).toEqual(before.steps);
  expect(await count('select count(*) n from record_entry')).toBe(before.entries);
});

test('what every step says to do is read as a step of today, and every card as it was issued', async () => {
  const steps = await shop.owner('protocol_step').select<{ step: unknown }[]>('step');
  expect(steps.length).toBeGreaterThan(400);
  for (const { step } of steps) expect(() => readStoredStep(step)).not.toThrow();
  const cards = await shop.owner('care_card').select<{ card: unknown }[]>('card');
  for (const { card } of cards) expect(() => readStoredCard(card)).not.toThrow();
});

test('each line of stays is whole: one open end where there are stems, no gap, no closed water', async () => {
  expect(
    await count(
      'select count(*) n from portion p where (stems > 0) <> exists (select 1 from stay where portion_id = p.id and to_at is null)',
    ),
  ).toBe(0);
  expect(
    await count(
      `select count(*) n from (select follows, lag(to_at) over (partition by subject_id order by from_at) ended from stay) s
       where s.follows is distinct from s.ended`,
    ),
  ).toBe(0);
  expect(
    await count(
      'select count(*) n from stay s join pail_fill f on f.id = s.fill_id where s.to_at is null and f.emptied_at is not null',
    ),
  ).toBe(0);
  expect(
    await count('select count(*) n from pail p where not exists (select 1 from stay where pail_id = p.id)'),
  ).toBe(0);
});

test('stems that were left in water tipped out since have stood dry from then', async () => {
  const lost = before.lots.find((l) => l.number === 141);
  const stays = await shop
    .owner('stay as s')
    .leftJoin('pail_fill as f', 'f.id', 's.fill_id')
    .where({ portion_id: lost?.id })
    .orderBy('s.from_at')
    .select<{ wet: boolean; fill_id: string | null; to_at: Date | null; emptied_at: Date | null }[]>(
      's.wet',
      's.fill_id',
      's.to_at',
      'f.emptied_at',
    );
  expect(stays.map((s) => s.wet)).toEqual([false, true, false]);
  expect(stays[1]?.to_at).toEqual(stays[1]?.emptied_at);
  expect(stays[2]).toMatchObject({ fill_id: null, to_at: null });
});

test('what was claimed twice is marked and stands; from now on it is refused', async () => {
  const claims = await shop.owner('claim').orderBy('number').select('repeats', 'state', 'settled_value');
  expect(claims).toEqual([
    { repeats: false, state: 'open', settled_value: null },
    { repeats: true, state: 'open', settled_value: null },
    { repeats: true, state: 'credited', settled_value: 90 },
  ]);
  await expect(
    shop.owner
      .raw(`insert into claim (id, shop_id, number, delivery_id, lot_id, kind, words, stems, opened_at, opened_by, due_at, moved_at)
      select gen_random_uuid(), shop_id, 99, delivery_id, lot_id, kind, words, 1, opened_at, opened_by, due_at, moved_at from claim where number = 1`),
  ).rejects.toMatchObject({ constraint: 'claim_once' });
});

test('a claim that was written in English is read as it was written; one that says nothing is refused', async () => {
  const written = await shop.owner('claim').orderBy('number').pluck('words');
  const read = await shop.inside((trx) => manyClaims(trx));
  expect([...read].sort((a, b) => a.number - b.number).map((c) => c.says)).toEqual(written);
  expect(written.every((words) => typeof words === 'string' && words !== '')).toBe(true);
  await expect(shop.owner('claim').update({ words: null })).rejects.toMatchObject({
    constraint: 'claim_says_something',
  });
});

test('pails are told apart by their labels, in their shop', async () => {
  const labels = (await shop.owner('pail').select<{ label_no: number }[]>('label_no')).map((p) => p.label_no);
  expect(labels.sort((a, b) => a - b)).toEqual(labels.map((_, i) => i + 1));
  await expect(shop.owner('pail').where({ label_no: 1 }).update({ label_no: 2 })).rejects.toMatchObject({
    constraint: 'pail_label',
  });
});

test('every entry that stands in it is read by the schema of its kind and version', async () => {
  const entries = await shop
    .owner('record_entry')
    .select<{ kind: string; detail_v: number; detail: unknown }[]>('kind', 'detail_v', 'detail');
  expect(new Set(entries.map((e) => e.kind)).size).toBeGreaterThan(14);
  expect(entries.filter((e) => readDetail(e.kind, e.detail_v, e.detail) === null)).toEqual([]);
});

test('work goes on where it was, and what an older version entered is not taken back by a tap', async () => {
  const lot = before.lots.find((l) => l.number === 160);
  const portion = await portionOf(lot?.id ?? '');
  const step = await openStep(portion.id);
  const old = await shop
    .owner('record_entry')
    .where({ kind: 'purpose' })
    .orderBy('id', 'desc')
    .first<{ id: number }>('id');
  expect(await act('desk/take-back', { entryId: old.id })).toMatchObject({ ok: false, why: 'refused' });
  expect((await act('bench/tap', { stepId: step.id, to: 'done' }, { sure: SURE })).ok).toBe(true);
  const made = await shop.owner('arrangement').first<{ id: string }>('id');
  expect(
    await count(`select count(*) n from stay where arrangement_id = '${made.id}' and to_at is null`),
  ).toBe(1);
  expect((await portionsOf(lot?.id ?? '')).length).toBe(1);
});

test('plans that stand bear our own names for what is done; what was entered stays as it was written', async () => {
  const bearing = (words: string): Promise<number> =>
    count(`select (select count(*) from protocol_step where kind = '${words}' or step::text like '%${words}%')
      + (select count(*) from own_species where edits::text like '%${words}%') as n`);
  expect(await bearing('quick-dip')).toBe(0);
  expect(await bearing('warm feet')).toBe(0);
  expect(await bearing('hydrating-dip')).toBeGreaterThan(0);
  expect(await bearing('the flower itself stays in the cool')).toBeGreaterThan(5);
});

test('a species of a shop’s own from before there were traits gets those of what it was begun as', async () => {
  const author = await shop.owner('person').first<{ id: string }>('id');
  const begunAs = async (like: string, changes: object = {}): Promise<void> => {
    const row = { ...SHIPPED_SPECIES.byKey(like), traits: undefined, waterMostH: undefined };
    await shop.owner('own_species').insert({
      id: randomUUID(),
      shop_id: shop.shopId,
      species_key: `own-${ownMark(shop.shopId)}-like-${like}`,
      species: JSON.stringify({ ...row, key: `own-${ownMark(shop.shopId)}-like-${like}`, ...changes }),
      reason: 'before',
      set_at: stage.at,
      set_by: author.id,
    });
  };
  await begunAs('lily-oriental', { name: 'Trumpet lily', botanical: 'Lilium longiflorum' });
  await begunAs('tulip', { lifeDays20C: 5 });
  await begunAs('carnation', { arriveStage: 'half open', endMode: 'falls apart' });
  await speciesTraits(shop.owner);
  const own = (await shop.inside(manyOwnSpecies)).filter((o) => o.speciesKey.includes('-like-'));
  const told = own.map(({ speciesKey, species }) => [speciesKey.split('like-')[1], species?.traits]);
  expect(told).toEqual([
    ['carnation', []],
    ['lily-oriental', ['lily']],
    ['tulip', ['drinks in paper', 'grows on', 'comes muddy']],
  ]);
  expect(own.at(-1)?.species?.waterMostH).toBe(48);
  await expect(shop.owner('own_species').update({ reason: 'x' })).rejects.toMatchObject({ code: 'HP001' });
});
