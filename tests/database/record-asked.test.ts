import Papa from 'papaparse';
import { ENTRY_GROUPS, kindsOf } from '@/core/record/entry-groups';
import { manyEntriesAsked, type RecordQuestion } from '@/data/record-asked';
import { askedRecord, addressOf } from '@/features/desk/record-address';
import { recordCsv } from '@/features/desk/record-file';
import { understood } from '@/features/desk/record-question';
import { act, be } from '../support/acting';
import type { World } from '../support/bodies';
import { freshShop, type TestShop } from '../support/database';
import { stage } from '../support/stage';
import { newWorld } from '../support/world';

jest.mock('@/server/session', () => jest.requireActual<object>('../support/stage')['stagedSession' as never]);
jest.mock('@/server/clock', () => ({
  ...jest.requireActual<object>('@/server/clock'),
  now: () => stage.at,
}));
jest.setTimeout(120_000);

let shop: TestShop;
let world: World;
let everything: { id: number; kind: string; subjectId: string; personName: string; at: Date }[];

const ask = async (search: Record<string, string>, limit = 500, before?: number) => {
  const means = await shop.inside((trx) =>
    understood(trx, askedRecord(search), stage.at.toISOString().slice(0, 10), stage.zone),
  );
  if ('nothing' in means) return means.nothing;
  return shop.inside((trx) =>
    manyEntriesAsked(trx, means.question, {
      limit,
      order: search.order === 'oldest' ? 'oldest' : 'newest',
      beyondId: before,
    }),
  );
};
const idsOf = (answer: Awaited<ReturnType<typeof ask>>): number[] =>
  typeof answer === 'string' ? [] : answer.map((e) => e.id);

beforeAll(async () => {
  stage.shop = shop = await freshShop();
  await be('Ilse');
  world = await newWorld(shop);
  await be('Wen');
  await act('pails/tip-out', { pailId: world.pailId });
  await act('pails/wash', { pailId: world.dirtyPailId, to: 'scrubbed' });
  everything = await shop.inside((trx) => manyEntriesAsked(trx, {}, { limit: 500, order: 'newest' }));
});
afterAll(() => shop.close());

test('who booked a lot is in its own record, with its claim and what was made of it, and nothing of its mate’s', async () => {
  const { number } = await shop.owner('lot').where({ id: world.lotId }).first<{ number: number }>('number');
  const answer = await ask({ lot: String(number) });
  if (typeof answer === 'string') throw new Error(answer);
  const kinds = answer.map((e) => e.kind);
  expect(kinds).toEqual(
    expect.arrayContaining(['book-in', 'flaw', 'claim', 'make', 'photo', 'bin', 'begin']),
  );
  expect(answer.find((e) => e.kind === 'book-in')?.personName).toBe('Ilse');
  expect(answer.map((e) => e.subjectId)).not.toContain(world.mateLotId);
  expect(answer.map((e) => e.id)).toEqual([...idsOf(answer)].sort((a, b) => b - a));
});

test('a pail’s record has its washes, and what was stood in it', async () => {
  const nameOf = async (id: string) =>
    (await shop.owner('pail').where({ id }).first<{ name: string }>('name')).name;
  const stood = await ask({ pail: await nameOf(world.pailId) });
  if (typeof stood === 'string') throw new Error(stood);
  expect(stood.map((e) => e.subjectId)).toContain(world.lotId);
  const washed = await ask({ pail: (await nameOf(world.dirtyPailId)).toUpperCase() });
  expect(typeof washed === 'string' ? washed : washed.map((e) => e.kind)).toEqual(['wash']);
});

test('groups part the record: every entry is under one of them', async () => {
  const found = await Promise.all(ENTRY_GROUPS.map(async (what) => idsOf(await ask({ what }))));
  expect(found.flat().sort((a, b) => a - b)).toEqual(everything.map((e) => e.id).sort((a, b) => a - b));
  expect(kindsOf('pails')).toContain('wash');
});

test('by person, by day, and page by page it is what all of it says', async () => {
  const { id } = await shop.owner('person').where({ name: 'Wen' }).first<{ id: string }>('id');
  expect(idsOf(await ask({ who: id }))).toEqual(
    everything.filter((e) => e.personName === 'Wen').map((e) => e.id),
  );
  const today = stage.at.toISOString().slice(0, 10);
  expect(idsOf(await ask({ day: 'today' }))).toEqual(
    everything.filter((e) => e.at.toISOString().startsWith(today)).map((e) => e.id),
  );
  const newest = everything.map((e) => e.id);
  for (const [order, all] of [
    ['newest', newest],
    ['oldest', [...newest].reverse()],
  ] as const) {
    const pages: number[] = [];
    for (let beyond: number | undefined; ;) {
      const page = idsOf(await ask({ order }, 4, beyond));
      if (page.length === 0) break;
      pages.push(...page);
      beyond = page.at(-1);
    }
    expect(pages).toEqual(all);
  }
});

test('what is not there is said, and an address holds its question', async () => {
  expect(await ask({ lot: '999999' })).toBe('There is no lot 999999.');
  expect(await ask({ lot: "1'; drop table" })).toMatch(/^There is no lot/);
  expect(await ask({ pail: 'nowhere' })).toBe('There is no pail nowhere.');
  expect(await ask({ day: '31/2' })).toBe('“31/2” is no day.');
  expect(await ask({ who: 'me' })).toBe('There is nobody of that name.');
  const asked = askedRecord({ lot: ' 12 ', what: 'taken back', day: ['x'] });
  expect(addressOf(asked, 40)).toBe('/desk?lot=12&what=taken+back&beyond=40');
  expect(addressOf(askedRecord({}))).toBe('/desk');
});

test('the answer as CSV has a row an entry, in its order, and no cell that a sheet would reckon', async () => {
  const csv = (await recordCsv(askedRecord({ order: 'oldest' }))) ?? '';
  const { data } = Papa.parse<Record<string, string>>(csv, { header: true, skipEmptyLines: true });
  expect(data.map((row) => Number(row.entry))).toEqual([...everything].map((e) => e.id).reverse());
  // The demo's own bookings came before: the last is this world's.
  expect(data.filter((row) => row.kind === 'book-in').at(-1)).toMatchObject({
    tapped_by: 'Ilse',
    taken_back: 'no',
  });
  for (const row of data) for (const cell of Object.values(row)) expect(cell).not.toMatch(/^[=+\-@]/);
  expect(await recordCsv(askedRecord({ lot: '999999' }))).toMatch(/^entry,.*\n$/);
});

test('no question reads another shop’s record', async () => {
  const question: RecordQuestion = { lot: { id: world.lotId, deliveryId: world.deliveryId } };
  const other = await freshShop();
  try {
    expect(
      await other.inside((trx) => manyEntriesAsked(trx, question, { limit: 50, order: 'newest' })),
    ).toEqual([]);
  } finally {
    await other.close();
  }
});
