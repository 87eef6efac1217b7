import fc from 'fast-check';
import type { InputOf } from '@/core/actions/actions';
import { USUAL_SANITISER } from '@/core/sanitising/sanitiser';
import { SHIPPED_SPECIES } from '@/core/species/registry';
import { manyFillsStood } from '@/data/hygiene';
import { manyPails, type PailRow } from '@/data/pails';
import { manyStripMeans, maybeOpenRelay } from '@/data/sanitising';
import { manyWaterSeen } from '@/data/water-seen';
import { seenOf } from '@/server/water-seen';
import { waterLosses } from '@/core/hygiene/water-losses';
import { hygieneProof } from '@/features/desk/proof/hygiene-proof';
import { pailHistory } from '@/features/pails/one-pail/history';
import { closePool } from '@/server/pool/pool';
import type { SignedIn } from '@/server/session';
import { COST_WEEKS, stemsAsStood, readWaterAsStood } from '@/server/water-costs';
import { act, be, bookOf, does, later, until } from '../support/acting';
import { freshShop, type TestShop } from '../support/database';
import { unsound } from '../support/sound';
import { stage } from '../support/stage';

jest.mock('@/server/session', () => jest.requireActual<object>('../support/stage')['stagedSession' as never]);
jest.mock('@/server/clock', () => ({
  ...jest.requireActual<object>('@/server/clock'),
  now: () => stage.at,
}));
jest.setTimeout(180_000);

let shop: TestShop;
beforeAll(async () => {
  stage.shop = shop = await freshShop();
});
beforeEach(() => be('Wen'));
afterAll(async () => {
  await closePool();
  await shop.close();
});

const pails = () => shop.inside((trx) => manyPails(trx));
const inState = async (state: PailRow['state']) => (await pails()).filter((p) => p.state === state);
const looks = async () =>
  (await shop.inside((trx) => manyWaterSeen(trx))).flatMap((s) =>
    seenOf(s, 0).flatMap((l) => (l.kind === 'look' ? [l] : [])),
  );
const openRelay = () => shop.inside((trx) => maybeOpenRelay(trx));
const lastOfKind = async (kind: string): Promise<number> =>
  (await shop.owner('record_entry').where({ kind }).orderBy('id', 'desc').first<{ id: number }>('id')).id;

test('a look counts for the water it was taken of, until it is taken back or the water is gone', async () => {
  const [clean] = await inState('sanitised');
  const pailId = clean?.id ?? '';
  expect(await does('pails/look', { pailId, look: 'hazy' })).toMatch(/no water in it/);
  await act('pails/fill', { pailId, litres: 3, solution: 'plain', tempC: 20, depth: 'normal' });
  later(60);
  await act('pails/look', { pailId, look: 'hazy' });
  const first = await looks();
  expect(first.map((l) => l.look)).toEqual(['hazy']);
  later(1);
  await act('pails/look', { pailId, look: 'cloudy' });
  expect((await looks()).map((l) => l.look)).toEqual(['hazy', 'cloudy']);
  await act('desk/take-back', { entryId: await lastOfKind('water-look') });
  expect(await looks()).toEqual(first);
  await act('pails/tip-out', { pailId });
  expect(await looks()).toEqual([]);
});

test('a relay is one for all tablets, takes its pails through, and ends with the last of them', async () => {
  await be('Ilse');
  await act('shop/sanitiser', { ...USUAL_SANITISER, contactMin: 6 });
  await be('Wen');
  const wash = [...(await inState('dirty')), ...(await inState('scrubbed'))].slice(0, 5);
  const asked: InputOf<'pails/relay-begin'> = {
    ...{ pailIds: wash.map((p) => p.id), people: 1, taps: 1 },
    dirt: 'rinsed',
    mode: 'relay',
  };
  expect(await does('pails/relay-begin', asked)).toBe('done');
  await be('Bram');
  expect(await does('pails/relay-begin', asked)).toMatch(/being run already/);
  const job = (await openRelay())?.job;
  expect(job?.passes.flatMap((p) => p.pailIds).sort()).toEqual(wash.map((p) => p.id).sort());
  for (const { pailIds } of job?.passes ?? []) {
    const dirty = (await inState('dirty')).map((p) => p.id).filter((id) => pailIds.includes(id));
    if (dirty.length > 0) await act('pails/wash-many', { pailIds: dirty, to: 'scrubbed' });
    expect(await does('pails/wash-many', { pailIds: [...pailIds], to: 'contact' })).toBe('done');
    later(2);
    expect(await does('pails/wash-many', { pailIds: [...pailIds], to: 'sanitised' })).toMatch(
      /half its time/,
    );
    later(4);
    expect(await openRelay()).toBeDefined();
    expect(await does('pails/wash-many', { pailIds: [...pailIds], to: 'sanitised' })).toBe('done');
  }
  expect(await openRelay()).toBeUndefined();
  const ready = (await inState('sanitised')).map((p) => p.id);
  expect(wash.every((p) => ready.includes(p.id))).toBe(true);
});

test('a strip that reads low makes the next pass stronger, once, and teaches the next plan', async () => {
  const wash = [...(await inState('dirty')), ...(await inState('scrubbed'))].slice(0, 4);
  const asked = {
    pailIds: wash.map((p) => p.id),
    people: 1,
    taps: 1,
    dirt: 'scummed',
    mode: 'relay',
  } as const;
  await act('pails/relay-begin', asked);
  const open = await openRelay();
  const [relayId, before] = [open?.id ?? '', open?.job];
  const strip = { relayId, pass: 0, ppm: 40 };
  expect((await act('pails/strip', strip)).ok).toBe(true);
  const after = (await openRelay())?.job;
  expect(after?.passes[0]?.readPpm).toBe(40);
  expect(after?.passes[1]?.doseMl).toBeGreaterThan(before?.passes[1]?.doseMl ?? 0);
  expect(after?.passes[1]?.ppmAtStart).toBeGreaterThanOrEqual(100);
  expect(await does('pails/strip', strip)).toMatch(/has its strip already/);
  expect(await does('pails/strip', { relayId, pass: 99, ppm: 40 })).toMatch(/no such pass/);
  const [mean] = await shop.inside((trx) => manyStripMeans(trx));
  expect(mean).toMatchObject({ dirt: 'scummed', readings: 1 });
  await act('pails/relay-end', { relayId });
  expect(await does('pails/strip', { relayId, pass: 1, ppm: 40 })).toMatch(/has ended already/);
  // The same pails planned once more: the walls are known to take up more.
  await act('pails/relay-begin', asked);
  const next = await openRelay();
  expect(next?.job.passes[0]?.ppmAtEnd).toBeLessThan(before?.passes[0]?.ppmAtEnd ?? 0);
  await act('pails/relay-end', { relayId: next?.id ?? '' });
});

test('a relay in tubs is kept with what its pails are laid in, and a strip reckons on with it', async () => {
  const wash = [...(await inState('dirty')), ...(await inState('scrubbed'))].slice(0, 2);
  const tubs = { count: 1, litres: 60, holds: 1 };
  const began = await act('pails/relay-begin', {
    ...{ pailIds: wash.map((p) => p.id), dirt: 'rinsed', people: 1, taps: 1, mode: 'tubs', tubs },
  });
  const { relayId } = (began.ok ? began.value : {}) as { relayId: string };
  const job = (await openRelay())?.job;
  expect(job).toMatchObject({ mode: 'tubs', litres: 60, ways: { tubs } });
  expect(job?.passes.map((p) => p.pailIds.length)).toEqual([1, 1]);
  expect(await does('pails/strip', { relayId, pass: 0, ppm: 20 })).toBe('done');
  // Far under the floor: the second pass has the tub brought back to its target, all sixty litres of it.
  const after = (await openRelay())?.job;
  expect(after?.passes[1]?.doseMl).toBeGreaterThan(100);
  expect(after?.ways?.tubs).toEqual(tubs);
  expect(await does('pails/relay-end', { relayId })).toBe('done');
});

test('of pails that are not all at one point none is washed', async () => {
  const [dirty] = await inState('filled');
  const [clean] = await inState('sanitised');
  const pailIds = [clean?.id ?? '', dirty?.id ?? ''];
  const before = await pails();
  expect(await does('pails/wash-many', { pailIds, to: 'scrubbed' })).toMatch(/not its next/);
  expect(
    await does('pails/wash-many', { pailIds: [pailIds[0] ?? '', pailIds[0] ?? ''], to: 'scrubbed' }),
  ).toMatch(/twice/);
  expect(await pails()).toEqual(before);
});

/** A tap on one of three pails, as any tablet may send it. */
const tap = fc.record({
  pail: fc.nat(2),
  what: fc.constantFrom('scrubbed', 'contact', 'sanitised', 'fill', 'fill, because', 'tip out', 'turn over'),
  waitMin: fc.constantFrom(0, 3, 12),
});
type Tap = { readonly pail: number; readonly what: string; readonly waitMin: number };

function send({ pail, what }: Tap, ids: readonly string[]): Promise<unknown> {
  const pailId = ids[pail] ?? '';
  const water = { litres: 2, solution: 'plain', tempC: 20, depth: 'normal' } as const;
  switch (what) {
    case 'fill':
      return act('pails/fill', { pailId, ...water });
    case 'fill, because':
      return act('pails/fill', { pailId, ...water, overrideReason: 'the van is here' });
    case 'tip out':
      return act('pails/tip-out', { pailId });
    case 'turn over':
      return act('pails/turn-over', { pailId, toPailId: ids[(pail + 1) % 3] ?? '' });
    default:
      return act('pails/wash', { pailId, to: what as 'scrubbed' });
  }
}

test('what a pail held and what its water cost: the one that was filled unsanitised, by lot, pail and cause', async () => {
  const rose = await bookOf('rose', 20);
  const drink = await until(rose.id, 'drink');
  const [dirty] = [...(await inState('dirty')), ...(await inState('scrubbed'))];
  const pails = [{ pailId: dirty?.id ?? '', litres: 3 }];
  const tap = { stepId: drink.id, to: 'running', pails, reason: 'no clean one left' } as const;
  expect(await act('bench/tap', tap)).toMatchObject({ ok: true });
  later(5 * 24 * 60);
  await act('pails/look', { pailId: dirty?.id ?? '', look: 'hazy' });
  later(60);
  const me = { ...stage.me, shop: { id: shop.shopId, timeZone: 'Etc/UTC', demo: true } } as SignedIn;
  const read = await shop.inside((trx) => readWaterAsStood(trx, stage.at));
  const losses = waterLosses(await stemsAsStood(read, me), stage.at.getTime(), COST_WEEKS);
  const mine = losses.byLot.find((l) => l.of.lotId === rose.lotId);
  expect(mine?.stemDays).toBeGreaterThan(1);
  expect(losses.byPail[0]?.of).toBe(dirty?.name);
  expect(losses.byCause.map((c) => c.stemDays > 0)).toEqual([true, true]);
  // Nobody is named until a manager allows it.
  expect(losses.byPerson).toEqual([]);
  const named = await shop.inside((trx) => readWaterAsStood(trx, stage.at, true));
  const told = waterLosses(await stemsAsStood(named, me), stage.at.getTime(), COST_WEEKS);
  expect(told.byPerson.map((l) => l.of)).toEqual(['Wen']);

  const history = await shop.inside((trx) => pailHistory(trx, me, stage.at, dirty?.id ?? ''));
  expect(history?.fills[0]).toMatchObject({ isClean: false, reason: 'no clean one left', emptiedAt: null });
  expect(history?.fills[0]?.lots.map((l) => l.lotId)).toEqual([rose.lotId]);
  expect(history?.done[0]?.what).toBe('looks hazy');
  // The count that is drawn ends now, and a pail that is not this shop's is none.
  const course = history?.fills[0]?.course ?? [];
  expect(course.at(-1)?.atHour).toBeLessThanOrEqual(5 * 24 + 2);
  for (const id of ['no id', shop.shopId])
    expect(await shop.inside((trx) => pailHistory(trx, me, stage.at, id))).toBeNull();
});

test('no order of taps from two tablets fills an unsanitised pail without a reason in the record', async () => {
  const ids = (await pails())
    .filter((p) => p.state !== 'filled')
    .slice(0, 3)
    .map((p) => p.id);
  await fc.assert(
    fc.asyncProperty(fc.array(fc.tuple(tap, tap), { minLength: 4, maxLength: 14 }), async (pairs) => {
      for (const [a, b] of pairs) {
        later(a.waitMin);
        await Promise.all([send(a, ids), send(b, ids)]);
      }
      // What the record says was done to each pail, in its order, read by a rule of its own.
      const { rows } = await shop.owner.raw<{
        rows: { pail: string; kind: string; to: string | null; fill: string | null; reason: string | null }[];
      }>(
        `select coalesce(e.detail->>'toPailId', e.subject_id::text) as pail, e.kind, e.detail->>'to' as to,
                e.detail->>'fillId' as fill, f.override_reason as reason
           from record_entry e left join pail_fill f on f.id::text = e.detail->>'fillId'
          where e.kind in ('wash','fill','turn-over') order by e.id`,
      );
      const isClean = new Map<string, boolean>();
      const wasWashed = new Set<string>();
      for (const { pail, kind, to, fill, reason } of rows) {
        if (kind === 'wash') {
          isClean.set(pail, to === 'sanitised');
          wasWashed.add(pail);
        } else if (fill !== null) {
          if (wasWashed.has(pail) && !isClean.get(pail)) expect([pail, reason]).not.toEqual([pail, null]);
          isClean.set(pail, false);
          wasWashed.add(pail);
        }
      }
      expect(await unsound(shop.owner)).toEqual([]);
    }),
    { numRuns: 25 },
  );
});

test('water that lilies stood in is proved by their own limit: three days of food, where others have four', async () => {
  const HOUR_MS = 3_600_000;
  const fills = await shop.inside((trx) =>
    manyFillsStood(trx, { from: new Date(0), before: new Date(stage.at.getTime() + HOUR_MS) }),
  );
  const standing = fills.filter((f) => f.emptiedAt === null && f.solution !== 'plain');
  const lilies = standing.find((f) => f.species.some((key) => key.startsWith('lily')));
  const others = standing.find(
    (f) => f.species.length > 0 && !f.species.some((key) => key.startsWith('lily')),
  );
  const gapOf = async (fill: typeof lilies, hours: number) => {
    const at = new Date((fill?.filledAt.getTime() ?? 0) + hours * HOUR_MS);
    const day = at.toISOString().slice(0, 10);
    const { rows } = await shop.inside((trx) =>
      hygieneProof(
        trx,
        { from: day, to: day },
        { language: 'en', timeZone: 'UTC', species: SHIPPED_SPECIES },
        at,
      ),
    );
    return rows.find((r) => r.pail === fill?.pail && r.what === 'not changed')?.gap ?? null;
  };
  expect(await gapOf(lilies, 71)).toBeNull();
  expect(await gapOf(lilies, 73)).toBe('water stood too long');
  expect(await gapOf(others, 73)).toBeNull();
  expect(await gapOf(others, 97)).toBe('water stood too long');
});
