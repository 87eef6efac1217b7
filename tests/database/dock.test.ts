import { insertFlaw } from '@/data/claims';
import { isBooked } from '@/data/deliveries';
import { manyPhotos, manyTemperatures, manyWeighings } from '@/data/evidence';
import { manyExpected } from '@/data/expected';
import { manyKeptLines } from '@/data/kept-lines';
import { manyLotsInStock, maybeLot, type LotRow } from '@/data/lots';
import { manyUsualStems } from '@/data/supplier-history';
import { manySupplierColumns } from '@/data/supplier-words';
import { be, does, lastEntry, portionOf, stepsOf, takeBackLast } from '../support/acting';
import { noteLine } from '../support/bodies';
import { freshShop, type TestShop } from '../support/database';
import { stage } from '../support/stage';
import { manyClaims } from '../support/claims';
import { inEnglish } from '@/core/words/say';

jest.mock('@/server/session', () => jest.requireActual<object>('../support/stage')['stagedSession' as never]);
jest.mock('@/server/clock', () => ({
  ...jest.requireActual<object>('@/server/clock'),
  now: () => stage.at,
}));

let shop: TestShop;
beforeAll(async () => {
  stage.shop = shop = await freshShop();
  stage.at = new Date('2026-11-24T06:50:00Z');
  await be('Wen');
});
afterAll(() => shop.close());

const takesBack = async (): Promise<void> => {
  expect(await takeBackLast()).toBe('done');
};
const lotOf = async (id: string): Promise<LotRow> => {
  const lot = await shop.inside((trx) => maybeLot(trx, id));
  if (!lot) throw new Error('no such lot');
  return lot;
};
const line = <K extends string | null>(at: number, speciesKey: K, stems: number, cutDate = '2026-11-22') => ({
  ...noteLine(at, '', stems),
  speciesKey,
  cutDate,
  origin: 'glasshouse by road',
});
/** The lines kept of a lot's own delivery; others that wait are told with them. */
const keptOf = async (lot: LotRow | undefined) =>
  (await shop.inside((trx) => manyKeptLines(trx, lot ? [lot.deliveryId] : []))).filter(
    (k) => k.deliveryId === lot?.deliveryId,
  );
const kept = (at: number, fate: 'waiting' | 'refused') => ({
  fate,
  reason: fate === 'waiting' ? 'which species?' : 'not ordered',
  product: 'Widow’s thrill',
  said: line(at, null, 10),
});

test('every line of a note ends booked, waiting or refused, and its order has come; all of it is taken back together', async () => {
  const [order] = await shop.inside((trx) => manyExpected(trx, '2026-11-24'));
  const note = {
    supplier: 'Norrholt Growers',
    deliveryRef: 'ALL-1',
    expectedId: order?.id ?? '',
    columns: { shape: '2 columns', saved: { columns: { product: 0, stems: 1 }, hasHeading: false } },
    lines: [line(1, 'rose', 40), line(2, 'rose', 20)],
    kept: [kept(3, 'waiting'), kept(4, 'refused')],
  };
  const key = crypto.randomUUID();
  expect(await does('dock/book-in', note, { key })).toBe('done');
  expect(await does('dock/book-in', note, { key })).toBe('done');
  const [first] = (await shop.inside(manyLotsInStock)).filter((l) => l.deliveryRef === 'ALL-1');
  const fates = await keptOf(first);
  expect(fates.map((f) => [f.line, f.fate, f.reason])).toEqual([
    [3, 'waiting', 'which species?'],
    [4, 'refused', 'not ordered'],
  ]);
  expect((await shop.inside((trx) => manyExpected(trx, '2026-11-24'))).some((e) => e.id === order?.id)).toBe(
    false,
  );
  expect((await shop.inside(manySupplierColumns))['Norrholt Growers']).toEqual({
    '2 columns': note.columns.saved,
  });

  await takesBack();
  expect((await shop.inside(manyLotsInStock)).some((l) => l.deliveryRef === 'ALL-1')).toBe(false);
  expect((await shop.inside((trx) => manyExpected(trx, '2026-11-24'))).some((e) => e.id === order?.id)).toBe(
    true,
  );
  expect(await shop.inside((trx) => isBooked(trx, 'Norrholt Growers', 'ALL-1'))).toBe(false);
  // The same note can be booked again, once; and not taken back once somebody has looked.
  expect(await does('dock/book-in', note)).toBe('done');
  const booking = (await lastEntry()).id;
  expect(await does('dock/book-in', note)).toContain('booked in already');
  const [again] = (await shop.inside(manyLotsInStock)).filter((l) => l.deliveryRef === 'ALL-1');
  expect(await does('dock/look', { lotId: again?.id ?? '', stage: 0.25, droop: 'soft' })).toBe('done');
  expect(await does('desk/take-back', { entryId: booking })).toContain('looked at');
});

test('a waiting line is booked or refused once, by whoever comes first', async () => {
  await does('dock/book-in', {
    supplier: 'Salt Hill',
    deliveryRef: 'W-1',
    lines: [line(1, 'rose', 5)],
    kept: [kept(2, 'waiting'), kept(3, 'waiting')],
  });
  const [lot] = (await shop.inside(manyLotsInStock)).filter((l) => l.deliveryRef === 'W-1');
  const [two, three] = await keptOf(lot);
  const bookings = await Promise.all([
    does('dock/book-kept', { keptId: two?.id ?? '', line: line(2, 'scabiosa', 10) }),
    does('dock/book-kept', { keptId: two?.id ?? '', line: line(2, 'scabiosa', 10) }),
  ]);
  expect(bookings.filter((b) => b === 'done')).toHaveLength(1);
  expect(bookings.find((b) => b !== 'done')).toContain('meanwhile');
  expect(await does('dock/refuse-kept', { keptId: three?.id ?? '', reason: 'never came' })).toBe('done');
  await takesBack();
  const left = await keptOf(lot);
  expect(left.map((k) => [k.line, k.fate])).toEqual([[3, 'waiting']]);
});

test('what was counted goes before what the note said: short, over, weighed, and taken back', async () => {
  const id = await shop.bookLot(40, 'COUNT-1');
  await does('dock/bin', { lotId: id, stems: 6, reason: 'broken' });
  expect(await does('dock/count', { lotId: id, stems: 30, weighed: { stems: 10, grams: 260 } })).toBe('done');
  expect(await lotOf(id)).toMatchObject({ stemsBooked: 30, stemsLeft: 24, stemsShort: 10 });
  expect(inEnglish((await lastEntry()).words)).toContain('10 short of the note; 10 weigh 260 g');
  expect(await shop.inside(manyWeighings)).toEqual([
    { speciesKey: 'tulip', lengthCm: 40, stems: 10, grams: 260 },
  ]);
  expect(await does('dock/claim', { lotId: id, kind: 'short' })).toBe('done');
  const claims = await shop.inside((trx) => manyClaims(trx, 5));
  expect(claims[0]).toMatchObject({
    stems: 10,
    value: 3,
    says: { message: 'claim.short', with: { counted: 30, noted: 40 } },
  });
  expect(await does('dock/count', { lotId: id, stems: 5 })).toContain('6 stems of lot');
  // What was short is claimed: found after all, its claim is withdrawn before.
  expect(await does('dock/count', { lotId: id, stems: 44 })).toContain('withdraw a claim first');
  const claimId = claims[0]?.id ?? '';
  expect(await does('dock/claim-moved', { claimId, state: 'withdrawn' })).toBe('done');
  expect(await does('dock/count', { lotId: id, stems: 44 })).toBe('done');
  expect(await lotOf(id)).toMatchObject({ stemsBooked: 44, stemsLeft: 38, stemsShort: -4 });
  await takesBack();
  expect(await lotOf(id)).toMatchObject({ stemsBooked: 30, stemsLeft: 24, stemsShort: 10 });
});

test('a flaw changes the plan, what is done staying done; taken back, the plan is as it was', async () => {
  const id = await shop.bookLot(40, 'PLAN-1');
  const plan = async () => {
    return (await stepsOf(await portionOf(id))).map((s) => inEnglish(s.step.title));
  };
  const before = await plan();
  expect(await does('dock/flaw', { lotId: id, kind: 'grey-mould', seen: 2, sample: 20 })).toBe('done');
  expect((await plan()).join()).toContain('Bin what is soft');
  await takesBack();
  expect(await plan()).toEqual(before);
});

test('what is decided is claimed where it costs, and unclaimed when it is taken back', async () => {
  const id = await shop.bookLot(40, 'DECIDE-1');
  expect(await does('dock/decide', { lotId: id, decision: 'reduced price', because: 'warm box' })).toContain(
    'How much less',
  );
  expect(
    await does('dock/decide', { lotId: id, decision: 'reduced price', percent: 25, because: 'warm box' }),
  ).toBe('done');
  const claim = async () => (await shop.inside((trx) => manyClaims(trx, 50))).find((c) => c.lotId === id);
  expect(await claim()).toMatchObject({
    stems: 40,
    value: 3,
    says: { message: 'claim.less', with: { percent: 25, because: 'warm box' } },
  });
  await does('dock/flaw', { lotId: id, kind: 'broken', seen: 4, sample: 20 });
  expect(await does('dock/claim', { lotId: id, kind: 'broken' })).toMatch(/Claim \d+ of lot \d+ stands/);
  await takesBack();
  await takesBack();
  expect(await claim()).toBeUndefined();
  expect(
    await does('dock/decide', { lotId: id, decision: 'refused', because: 'grey mould all through' }),
  ).toBe('done');
  expect(await lotOf(id)).toMatchObject({ stemsLeft: 0, decision: 'refused' });
  expect(await claim()).toMatchObject({ value: 12 });
  await takesBack();
  expect(await lotOf(id)).toMatchObject({ stemsLeft: 40, decision: null });
  expect(await does('dock/decide', { lotId: id, decision: 'use first', because: 'two days left' })).toBe(
    'done',
  );
  expect((await lotOf(id)).decision).toBe('use first');
});

test('lots of one flower and delivery are put together and parted; others never', async () => {
  await does('dock/book-in', {
    supplier: 'Salt Hill',
    deliveryRef: 'M-1',
    lines: [line(1, 'rose', 20), line(2, 'rose', 30), line(3, 'tulip', 30)],
  });
  const [a, b, tulip] = (await shop.inside(manyLotsInStock)).filter((l) => l.deliveryRef === 'M-1');
  expect(await does('dock/merge', { lotId: tulip?.id ?? '', intoId: a?.id ?? '' })).toContain(
    'two kinds of flower',
  );
  expect(await does('dock/merge', { lotId: a?.id ?? '', intoId: a?.id ?? '' })).toContain('the same lot');
  const bothWays = await Promise.all([
    does('dock/merge', { lotId: a?.id ?? '', intoId: b?.id ?? '' }),
    does('dock/merge', { lotId: b?.id ?? '', intoId: a?.id ?? '' }),
  ]);
  expect(bothWays.filter((o) => o === 'done')).toHaveLength(1);
  const stems = async () =>
    [(await lotOf(a?.id ?? '')).stemsLeft, (await lotOf(b?.id ?? '')).stemsLeft].sort((x, y) => x - y);
  expect(await stems()).toEqual([0, 50]);
  await takesBack();
  expect(await stems()).toEqual([20, 30]);
  expect(await does('dock/merge', { lotId: a?.id ?? '', intoId: b?.id ?? '' })).toBe('done');
  expect((await lotOf(b?.id ?? '')).stemsLeft).toBe(50);
});

test('of two at one box the later is told what the first one saw', async () => {
  const id = await shop.bookLot(40, 'BOX-1');
  expect(await does('dock/in-hand', { lotId: id })).toBe('done');
  expect((await lotOf(id)).inHandByName).toBe('Wen');
  expect(await does('dock/look', { lotId: id, stage: 0.5, droop: 'soft', seenAt: null })).toBe('done');
  expect((await lotOf(id)).inHandBy).toBeNull();
  await be('Bram');
  expect(await does('dock/look', { lotId: id, stage: 0, droop: 'firm', seenAt: null })).toMatch(
    /^Wen looked at lot \d+ at 06:50: soft/,
  );
  const seenAt = (await lotOf(id)).lookedAt?.toISOString() ?? null;
  expect(await does('dock/look', { lotId: id, stage: 0, droop: 'firm', seenAt })).toBe('done');
  await be('Wen');
});

test('temperatures and photographs are evidence: written down, bounded, and taken back', async () => {
  const id = await shop.bookLot(40, 'EVIDENCE-1');
  expect(await does('dock/temperature', { lotId: id, place: 'box', tempC: 90 })).toContain('over 60 °C');
  expect(await does('dock/temperature', { lotId: id, place: 'box', tempC: 12 })).toBe('done');
  expect(inEnglish((await lastEntry()).words)).toContain('times as fast');
  expect(await shop.inside((trx) => manyTemperatures(trx, [id]))).toEqual([
    { lotId: id, place: 'box', tempC: 12 },
  ]);
  await takesBack();
  expect(await shop.inside((trx) => manyTemperatures(trx, [id]))).toEqual([]);
  expect(
    await does('dock/photo', { lotId: id, jpeg: Buffer.from('no picture at all').toString('base64') }),
  ).toContain('not a JPEG');
  const jpeg = Buffer.concat([
    Buffer.from([
      0xff, 0xd8, 0xff, 0xc0, 0, 11, 8, 0, 90, 0, 120, 1, 1, 0x11, 0, 0xff, 0xda, 0, 8, 1, 1, 0, 0, 63, 0,
    ]),
    Buffer.alloc(100, 7),
    Buffer.from([0xff, 0xd9]),
  ]).toString('base64');
  for (let i = 0; i < 6; i++) expect(await does('dock/photo', { lotId: id, jpeg })).toBe('done');
  expect(await does('dock/photo', { lotId: id, jpeg })).toContain('has 6 photographs');
  await takesBack();
  expect(await shop.inside((trx) => manyPhotos(trx, [id]))).toHaveLength(5);
});

test('a box is set aside for a day to come, and brought back', async () => {
  const id = await shop.bookLot(40, 'TOMORROW-1');
  expect(await does('dock/keep-for', { lotId: id, day: '2026-11-24' })).toContain('a day to come');
  expect(await does('dock/keep-for', { lotId: id, day: '2026-11-25' })).toBe('done');
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

test('what a supplier usually sends is told of three lots and more, of each flower and of any', async () => {
  const sends = async (supplier: string, deliveryRef: string, stems: readonly number[]) => {
    const lines = stems.map((n, at) => line(at + 1, at === 0 ? 'tulip' : 'rose', n));
    await does('dock/book-in', {
      supplier,
      deliveryRef,
      expectedId: null,
      chosen: [],
      columns: null,
      kept: [],
      lines,
    });
  };
  await sends('Usual Growers', 'USUAL-1', [200, 40, 60, 50]);
  await sends('Seldom Growers', 'SELDOM-1', [200, 40]);
  const usual = await shop.inside(manyUsualStems);
  expect(usual['Usual Growers']).toEqual({ ofAny: 50, bySpecies: { rose: 50 } });
  expect(usual['Seldom Growers']).toBeUndefined();
});
