import { freshShop, type TestShop } from '../support/database';
import { insertFlaw, manyClaims } from '@/data/claims';
import { isBooked } from '@/data/deliveries';
import { manyTemperatures, manyPhotos, manyWeighings } from '@/data/evidence';
import { manyExpected } from '@/data/expected';
import { manyKeptLines } from '@/data/kept-lines';
import { changeLot, manyLotsInStock, maybeLot, returnStems, type LotRow } from '@/data/lots';
import { manyNewestEntries } from '@/data/record';
import { manyStepsOfLot } from '@/data/steps';
import { manySupplierColumns } from '@/data/supplier-words';
import { dockActions } from '@/features/dock/actions';
import { takeBack } from '@/server/corrections';
import type { ActionContext } from '@/server/actions';

let shop: TestShop;
let by: { personId: string; name: string };
let bram: string;
jest.mock('@/server/session', () => ({
  // Whoever the test says is signed in, in its own shop.
  maybeInMyShop: (work: (trx: unknown, me: unknown, at: Date) => Promise<unknown>) =>
    shop.inside((trx) =>
      work(
        trx,
        { ...by, role: 'hand', shop: { id: shop.shopId, timeZone: 'Etc/UTC', demo: true } },
        new Date('2026-11-24T06:50:00Z'),
      ),
    ),
}));
jest.mock('@/server/clock', () => ({
  ...jest.requireActual<object>('@/server/clock'),
  now: () => new Date('2026-11-24T06:50:00Z'),
}));

beforeAll(async () => {
  shop = await freshShop();
  by = { personId: shop.personId, name: 'Wen' };
  const other = await shop.owner('person').where({ name: 'Bram' }).first<{ id: string }>('id');
  bram = other.id;
});
afterAll(() => shop.close());

type ActionName = keyof typeof dockActions;
/** Does an action of the dock as a tablet sends it; answers what it said. */
async function does(name: ActionName, body: object, key: string = crypto.randomUUID()): Promise<string> {
  const outcome = await dockActions[name].run(key, body);
  return outcome.ok ? 'done' : outcome.message;
}
const newest = async () => (await shop.inside((trx) => manyNewestEntries(trx, 1)))[0] ?? { id: 0, words: '' };
async function takesBack(): Promise<void> {
  const standing = (await shop.inside((trx) => manyNewestEntries(trx, 10))).find(
    (e) => e.corrects === null && !e.corrected,
  );
  const id = standing?.id ?? 0;
  await shop.inside((trx) =>
    takeBack(
      { trx, action: shop.action(), me: { shop: { timeZone: 'Etc/UTC' } } } as unknown as ActionContext,
      id,
    ),
  );
}
const lotOf = async (id: string): Promise<LotRow> => {
  const lot = await shop.inside((trx) => maybeLot(trx, id));
  if (!lot) throw new Error('no such lot');
  return lot;
};
const line = (
  at: number,
  speciesKey: string | null,
  stems: number | null,
  cutDate: string | null = '2026-11-22',
) => ({
  line: at,
  speciesKey,
  variety: null,
  colour: null,
  lengthCm: 60,
  headsMin: null,
  stems,
  cutDate,
  origin: 'glasshouse by road',
  packing: 'dry box',
  unitPrice: 0.5,
  currency: 'EUR',
});
const kept = (at: number, fate: 'waiting' | 'refused') => ({
  fate,
  reason: fate === 'waiting' ? 'which species?' : 'not ordered',
  product: 'Widow’s thrill',
  said: line(at, null, 10),
});

test('every line of a note ends booked, waiting or refused, and its order has come; all of it is taken back together', async () => {
  const [order] = await shop.inside(manyExpected);
  const note = {
    supplier: 'Norrholt Growers',
    deliveryRef: 'ALL-1',
    expectedId: order?.id,
    columns: { shape: '2 columns', saved: { columns: { product: 0, stems: 1 }, hasHeading: false } },
    lines: [line(1, 'rose', 40), line(2, 'rose', 20)],
    kept: [kept(3, 'waiting'), kept(4, 'refused')],
  };
  const key = crypto.randomUUID();
  expect(await does('book-in', note, key)).toBe('done');
  expect(await does('book-in', note, key)).toBe('done');
  const [first] = (await shop.inside(manyLotsInStock)).filter((l) => l.deliveryRef === 'ALL-1');
  const fates = await shop.inside((trx) => manyKeptLines(trx, [first?.deliveryId ?? '']));
  expect(fates.map((f) => [f.line, f.fate, f.reason])).toEqual([
    [3, 'waiting', 'which species?'],
    [4, 'refused', 'not ordered'],
  ]);
  expect((await shop.inside(manyExpected)).some((e) => e.id === order?.id)).toBe(false);
  expect((await shop.inside(manySupplierColumns))['Norrholt Growers']).toEqual({
    '2 columns': note.columns.saved,
  });

  await takesBack();
  expect((await shop.inside(manyLotsInStock)).some((l) => l.deliveryRef === 'ALL-1')).toBe(false);
  expect((await shop.inside(manyExpected)).some((e) => e.id === order?.id)).toBe(true);
  expect(await shop.inside((trx) => isBooked(trx, 'Norrholt Growers', 'ALL-1'))).toBe(false);
  // The same note can be booked again, once; and not taken back once somebody has looked.
  expect(await does('book-in', note)).toBe('done');
  const { id: booking } = await newest();
  expect(await does('book-in', note)).toContain('booked in already');
  const [again] = (await shop.inside(manyLotsInStock)).filter((l) => l.deliveryRef === 'ALL-1');
  expect(await does('look', { lotId: again?.id, stage: 0.25, droop: 'soft' })).toBe('done');
  const back = shop.inside((trx) =>
    takeBack(
      { trx, action: shop.action(), me: { shop: { timeZone: 'Etc/UTC' } } } as unknown as ActionContext,
      booking,
    ),
  );
  await expect(back).rejects.toThrow('looked at');
});

test('a waiting line is booked or refused once, by whoever comes first', async () => {
  await does('book-in', {
    supplier: 'Salt Hill',
    deliveryRef: 'W-1',
    lines: [line(1, 'rose', 5)],
    kept: [kept(2, 'waiting'), kept(3, 'waiting')],
  });
  const [lot] = (await shop.inside(manyLotsInStock)).filter((l) => l.deliveryRef === 'W-1');
  const [two, three] = await shop.inside((trx) => manyKeptLines(trx, [lot?.deliveryId ?? '']));
  const bookings = await Promise.all([
    does('book-kept', { keptId: two?.id, line: line(2, 'scabiosa', 10) }),
    does('book-kept', { keptId: two?.id, line: line(2, 'scabiosa', 10) }),
  ]);
  expect(bookings.filter((b) => b === 'done')).toHaveLength(1);
  expect(bookings.find((b) => b !== 'done')).toContain('meanwhile');
  expect(await does('refuse-kept', { keptId: three?.id, reason: 'never came' })).toBe('done');
  await takesBack();
  const left = await shop.inside((trx) => manyKeptLines(trx, [lot?.deliveryId ?? '']));
  expect(left.map((k) => [k.line, k.fate])).toEqual([[3, 'waiting']]);
});

test('what was counted goes before what the note said: short, over, weighed, and taken back', async () => {
  const id = await shop.bookLot(40, 'COUNT-1');
  await shop.inside((trx) => changeLot(trx, id, { stems_left: 34 }));
  expect(await does('count', { lotId: id, stems: 30, weighed: { stems: 10, grams: 260 } })).toBe('done');
  expect(await lotOf(id)).toMatchObject({ stemsBooked: 30, stemsLeft: 24, stemsShort: 10 });
  expect((await newest()).words).toContain('10 short of the note; 10 weigh 260 g');
  expect(await shop.inside(manyWeighings)).toEqual([
    { speciesKey: 'tulip', lengthCm: 40, stems: 10, grams: 260 },
  ]);
  expect(await does('claim', { lotId: id, kind: 'short' })).toBe('done');
  const claims = await shop.inside((trx) => manyClaims(trx, 5));
  expect(claims[0]).toMatchObject({
    stems: 10,
    value: 3,
    words: 'short of the note: 30 counted, 40 on the note',
  });
  expect(await does('count', { lotId: id, stems: 5 })).toContain('6 stems of lot');
  expect(await does('count', { lotId: id, stems: 44 })).toBe('done');
  expect(await lotOf(id)).toMatchObject({ stemsBooked: 44, stemsLeft: 38, stemsShort: -4 });
  await takesBack();
  expect(await lotOf(id)).toMatchObject({ stemsBooked: 30, stemsLeft: 24, stemsShort: 10 });
});

test('a flaw changes the plan, what is done staying done; taken back, the plan is as it was', async () => {
  const id = await shop.bookLot(40, 'PLAN-1');
  const plan = async () => {
    const { planNo } = await lotOf(id);
    return (await shop.inside((trx) => manyStepsOfLot(trx, id, planNo))).map((s) => s.step.title);
  };
  const before = await plan();
  expect(await does('flaw', { lotId: id, kind: 'grey-mould', seen: 2, sample: 20 })).toBe('done');
  expect((await plan()).join()).toContain('Bin what is soft');
  await takesBack();
  expect(await plan()).toEqual(before);
});

test('what is decided is claimed where it costs, and unclaimed when it is taken back', async () => {
  const id = await shop.bookLot(40, 'DECIDE-1');
  expect(await does('decide', { lotId: id, decision: 'reduced price', because: 'warm box' })).toContain(
    'How much less',
  );
  expect(
    await does('decide', { lotId: id, decision: 'reduced price', percent: 25, because: 'warm box' }),
  ).toBe('done');
  const claim = async () => (await shop.inside((trx) => manyClaims(trx, 50))).find((c) => c.lotId === id);
  expect(await claim()).toMatchObject({ stems: 40, value: 3, words: 'kept at 25 % less: warm box' });
  await does('flaw', { lotId: id, kind: 'broken', seen: 4, sample: 20 });
  expect(await does('claim', { lotId: id, kind: 'broken' })).toMatch(/Claim \d+ of lot \d+ stands/);
  await takesBack();
  await takesBack();
  expect(await claim()).toBeUndefined();
  expect(await does('decide', { lotId: id, decision: 'refused', because: 'grey mould all through' })).toBe(
    'done',
  );
  expect(await lotOf(id)).toMatchObject({ stemsLeft: 0, decision: 'refused' });
  expect(await claim()).toMatchObject({ value: 12 });
  await takesBack();
  expect(await lotOf(id)).toMatchObject({ stemsLeft: 40, decision: null });
  expect(await does('decide', { lotId: id, decision: 'use first', because: 'two days left' })).toBe('done');
  expect((await lotOf(id)).decision).toBe('use first');
});

test('lots of one flower, delivery and water are put together and parted; others never', async () => {
  await does('book-in', {
    supplier: 'Salt Hill',
    deliveryRef: 'M-1',
    lines: [line(1, 'rose', 20), line(2, 'rose', 30), line(3, 'tulip', 30)],
  });
  const [a, b, tulip] = (await shop.inside(manyLotsInStock)).filter((l) => l.deliveryRef === 'M-1');
  expect(await does('merge', { lotId: tulip?.id, intoId: a?.id })).toContain('two kinds of flower');
  expect(await does('merge', { lotId: a?.id, intoId: a?.id })).toContain('the same lot');
  const bothWays = await Promise.all([
    does('merge', { lotId: a?.id, intoId: b?.id }),
    does('merge', { lotId: b?.id, intoId: a?.id }),
  ]);
  expect(bothWays.filter((o) => o === 'done')).toHaveLength(1);
  const stems = async () =>
    [(await lotOf(a?.id ?? '')).stemsLeft, (await lotOf(b?.id ?? '')).stemsLeft].sort((x, y) => x - y);
  expect(await stems()).toEqual([0, 50]);
  // Stems of the lot that is gone, un-taken, are with those it was put to.
  const gone = (await lotOf(a?.id ?? '')).stemsLeft === 0 ? a : b;
  await shop.inside((trx) => returnStems(trx, gone?.id ?? '', 3));
  expect(await stems()).toEqual([0, 53]);
  await takesBack();
  expect((await stems()).reduce((x, y) => x + y, 0)).toBe(53);
  expect(Math.min(...(await stems()))).toBeGreaterThanOrEqual(20);
});

test('of two at one box the later is told what the first one saw', async () => {
  const id = await shop.bookLot(40, 'BOX-1');
  expect(await does('in-hand', { lotId: id })).toBe('done');
  expect((await lotOf(id)).inHandByName).toBe('Wen');
  expect(await does('look', { lotId: id, stage: 0.5, droop: 'soft', seenAt: null })).toBe('done');
  expect((await lotOf(id)).inHandBy).toBeNull();
  by = { personId: bram, name: 'Bram' };
  expect(await does('look', { lotId: id, stage: 0, droop: 'firm', seenAt: null })).toMatch(
    /^Wen looked at lot \d+ at 06:50: soft/,
  );
  const seenAt = (await lotOf(id)).lookedAt?.toISOString();
  expect(await does('look', { lotId: id, stage: 0, droop: 'firm', seenAt })).toBe('done');
  by = { personId: shop.personId, name: 'Wen' };
});

test('temperatures and photographs are evidence: written down, bounded, and taken back', async () => {
  const id = await shop.bookLot(40, 'EVIDENCE-1');
  expect(await does('temperature', { lotId: id, place: 'box', tempC: 90 })).toContain('over 60 °C');
  expect(await does('temperature', { lotId: id, place: 'box', tempC: 12 })).toBe('done');
  expect((await newest()).words).toContain('times as fast');
  expect(await shop.inside((trx) => manyTemperatures(trx, [id]))).toEqual([
    { lotId: id, place: 'box', tempC: 12 },
  ]);
  await takesBack();
  expect(await shop.inside((trx) => manyTemperatures(trx, [id]))).toEqual([]);
  expect(
    await does('photo', { lotId: id, jpeg: Buffer.from('no picture at all').toString('base64') }),
  ).toContain('not a JPEG');
  const jpeg = Buffer.concat([
    Buffer.from([
      0xff, 0xd8, 0xff, 0xc0, 0, 11, 8, 0, 90, 0, 120, 1, 1, 0x11, 0, 0xff, 0xda, 0, 8, 1, 1, 0, 0, 63, 0,
    ]),
    Buffer.alloc(100, 7),
    Buffer.from([0xff, 0xd9]),
  ]).toString('base64');
  for (let i = 0; i < 6; i++) expect(await does('photo', { lotId: id, jpeg })).toBe('done');
  expect(await does('photo', { lotId: id, jpeg })).toContain('has 6 photographs');
  await takesBack();
  expect(await shop.inside((trx) => manyPhotos(trx, [id]))).toHaveLength(5);
});

test('a box is set aside for a day to come, and brought back', async () => {
  const id = await shop.bookLot(40, 'TOMORROW-1');
  expect(await does('keep-for', { lotId: id, day: '2026-11-24' })).toContain('a day to come');
  expect(await does('keep-for', { lotId: id, day: '2026-11-25' })).toBe('done');
  expect((await lotOf(id)).forDay).toBe('2026-11-25');
  await takesBack();
  expect((await lotOf(id)).forDay).toBeNull();
});

test('what was measured stands, and no shop sees another’s', async () => {
  for (const table of ['bunch_weighing', 'lot_temperature'])
    await expect(shop.inside((trx) => trx(table).update({ shop_id: shop.shopId }))).rejects.toThrow();
  const id = await shop.bookLot(10, 'FLAW-9');
  await shop.inside((trx) =>
    insertFlaw(trx, shop.action(), { lotId: id, kind: 'broken', seen: 1, sample: 10 }),
  );
  for (const table of [
    'expected_delivery',
    'expected_line',
    'kept_line',
    'supplier_columns',
    'bunch_weighing',
    'lot_temperature',
    'lot_photo',
  ])
    expect(await shop.app(table).select('*')).toEqual([]);
});
