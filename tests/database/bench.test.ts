import { benchActions } from '@/features/bench/actions';
import { readFloor } from '@/features/bench/floor';
import { houseActions } from '@/features/desk/house-actions';
import { manyHouseSettings, manyOwnSpecies } from '@/data/house';
import { maybeLot, type LotRow } from '@/data/lots';
import { manyPails } from '@/data/pails';
import { manyStepsOfLot, type StepRow } from '@/data/steps';
import { findSpecies, ownMark } from '@/core/species/species';
import { planBench } from '@/core/bench/plan';
import { takeBack } from '@/server/corrections';
import type { SignedIn } from '@/server/session';
import type { Outcome } from '@/shell/outcome';
import { freshShop, type TestShop } from '../support/database';

let shop: TestShop;
let me: SignedIn;
jest.mock('@/server/session', () => ({
  maybeInMyShop: (work: (trx: unknown, me: unknown) => Promise<unknown>) =>
    shop.inside((trx) => work(trx, me)),
}));
const clock = { at: new Date('2026-11-24T06:55:00Z') };
jest.mock('@/server/clock', () => ({
  ...jest.requireActual<object>('@/server/clock'),
  now: () => clock.at,
}));
const people: Record<string, string> = {};

beforeAll(async () => {
  shop = await freshShop();
  for (const p of await shop.owner('person').select<{ id: string; name: string }[]>('id', 'name'))
    people[p.name] = p.id;
  be('Wen');
});
afterAll(() => shop.close());

function be(name: string, role: 'hand' | 'manager' = 'hand'): void {
  me = {
    personId: people[name],
    name,
    role,
    shop: { id: shop.shopId, timeZone: 'Etc/UTC', demo: true },
  } as SignedIn;
}
const later = (minutes: number): void => {
  clock.at = new Date(clock.at.getTime() + minutes * 60_000);
};
async function bench(name: keyof typeof benchActions, body: object): Promise<Outcome> {
  return benchActions[name].run(crypto.randomUUID(), body);
}
async function house(name: keyof typeof houseActions, body: object): Promise<Outcome> {
  return houseActions[name].run(crypto.randomUUID(), body);
}
const lotOf = async (id: string): Promise<LotRow> =>
  (await shop.inside((trx) => maybeLot(trx, id))) as LotRow;
const stepsOf = async (id: string): Promise<StepRow[]> => {
  const { planNo } = await lotOf(id);
  return shop.inside((trx) => manyStepsOfLot(trx, id, planNo));
};
const openStep = async (id: string): Promise<StepRow> =>
  (await stepsOf(id)).find((s) => s.status === 'waiting' || s.status === 'running') as StepRow;
const cleanPail = async (): Promise<string> =>
  (await shop.inside((trx) => manyPails(trx))).find((p) => p.state === 'sanitised')?.id ?? '';

/** A lot of that kind, booked as another species of the same note would be. */
async function bookOf(speciesKey: string, stems = 20): Promise<string> {
  const id = await shop.bookLot(stems);
  await shop.owner('lot').where({ id }).update({ species_key: speciesKey });
  be('Wen');
  await bench('purpose', { lotId: id, purpose: 'hold' });
  await bench('purpose', { lotId: id, purpose: 'usual' });
  return id;
}

/** Taps a lot's steps through, as the card suggests, until one of the kind is open. */
async function until(id: string, kind: string): Promise<StepRow> {
  for (let i = 0; i < 20; i++) {
    const step = await openStep(id);
    if (step.kind === kind) return step;
    const isWait = step.step.waitSeconds > 0 && step.status === 'waiting';
    const poured =
      step.step.pail && step.status === 'waiting' ? { pailId: await cleanPail(), litres: 2 } : {};
    const done = await bench('tap', { stepId: step.id, to: isWait ? 'running' : 'done', ...poured });
    if (!done.ok) throw new Error(done.message);
  }
  throw new Error(`no ${kind}`);
}

test('a look that hangs is rescued, waits for the morning, and ends in the bin; each tap can be taken back', async () => {
  const id = await bookOf('rose', 30);
  const look = await until(id, 'look-back');
  const some = await bench('look-back', { stepId: look.id, outcome: 'hanging', stems: 6 });
  expect(some.ok).toBe(true);
  expect((await lotOf(id)).stemsLeft).toBe(24);
  expect((await openStep(id)).kind).not.toBe('look-back');
  const apart = await shop
    .owner('lot')
    .where({ stems_left: 6, species_key: 'rose' })
    .first<{ id: string }>('id');
  expect((await openStep(apart.id)).kind).toBe('hot-dip');
  expect((await openStep(apart.id)).step.params).toMatchObject({ tempC: 98 });
  const again = await until(apart.id, 'look-back');
  expect(again.step.params).toMatchObject({ round: 1 });
  expect((await lotOf(apart.id)).pailId).not.toBe((await lotOf(id)).pailId);
  await bench('look-back', { stepId: again.id, outcome: 'hanging' });
  const morning = await openStep(apart.id);
  expect(morning).toMatchObject({ kind: 'look-back', status: 'running' });
  await bench('look-back', { stepId: morning.id, outcome: 'hanging' });
  const bin = await openStep(apart.id);
  expect(bin.step.title).toBe('Bin what still hangs');
  const entry = await shop
    .owner('record_entry')
    .where({ subject_id: apart.id })
    .orderBy('id', 'desc')
    .first<{ id: number }>('id');
  await shop.inside((trx) => takeBack({ trx, action: shop.action(), me }, entry.id));
  expect(await openStep(apart.id)).toMatchObject({ kind: 'look-back', status: 'running' });
  const back = await openStep(apart.id);
  await bench('look-back', { stepId: back.id, outcome: 'hanging' });
  await bench('tap', { stepId: (await openStep(apart.id)).id, to: 'done', binned: 6 });
  expect((await lotOf(apart.id)).stemsLeft).toBe(0);
});

test('sap shares no water until it has soaked, whatever is tapped; a recut opens it again', async () => {
  const daffodil = await bookOf('daffodil');
  const tulip = await bookOf('tulip');
  expect((await lotOf(daffodil)).sapOpen).toBe(true);
  const soak = await until(daffodil, 'sap-soak');
  const pailId = await cleanPail();
  await bench('tap', { stepId: soak.id, to: 'running', pailId, litres: 2 });
  const drink = await until(tulip, 'drink');
  expect(await bench('tap', { stepId: drink.id, to: 'running', pailId })).toMatchObject({
    ok: false,
    why: 'refused',
  });
  // Past every check of ours, the database itself refuses.
  const { fillId } = await lotOf(daffodil);
  await expect(shop.owner('lot').where({ id: tulip }).update({ fill_id: fillId })).rejects.toMatchObject({
    code: 'HP003',
  });
  const before = (await stepsOf(daffodil)).find((s) => s.kind === 'drink') as StepRow;
  expect(await bench('tap', { stepId: before.id, to: 'running', pailId: await cleanPail() })).toMatchObject({
    ok: false,
  });
  await bench('tap', { stepId: soak.id, to: 'done' });
  expect((await lotOf(daffodil)).sapOpen).toBe(false);
  await bench('recut', { lotId: daffodil, cm: 2 });
  expect(await lotOf(daffodil)).toMatchObject({ sapOpen: true, fillId: null });
  expect((await openStep(daffodil)).kind).toBe('sap-soak');
});

test('hot water is for those who were shown it, or with one beside; the house may say otherwise', async () => {
  const id = await bookOf('hydrangea', 10);
  const dip = await until(id, 'hot-dip');
  be('Tove');
  const asTove = { stepId: dip.id, to: 'running', handsId: people.Tove };
  const refused = await bench('tap', asTove);
  expect(refused).toMatchObject({
    ok: false,
    message: expect.stringContaining('not been shown hot water') as string,
  });
  expect((await bench('tap', { ...asTove, withId: people.Bram, used: { tempC: 78, seconds: 25 } })).ok).toBe(
    true,
  );
  const begun = (await stepsOf(id)).find((s) => s.id === dip.id) as StepRow;
  expect(begun).toMatchObject({ used: { tempC: 78, seconds: 25 }, handsId: people.Tove });
  expect((begun.dueAt?.getTime() ?? 0) - (begun.startedAt?.getTime() ?? 0)).toBe(25_000);
  be('Ilse', 'manager');
  expect((await bench('skill', { personId: people.Tove, skill: 'hot water', shown: true })).ok).toBe(true);
  be('Tove');
  expect(await bench('skill', { personId: people.Tove, skill: 'knife', shown: true })).toMatchObject({
    ok: false,
  });
  const other = await bookOf('hydrangea', 10);
  const again = await until(other, 'hot-dip');
  expect((await bench('tap', { stepId: again.id, to: 'running', handsId: people.Tove })).ok).toBe(true);
});

test('out of turn is warned of and logged when it was seen; one step is done for several lots at once', async () => {
  const [a, b] = [await bookOf('rose'), await bookOf('carnation')];
  const cut = (await stepsOf(a)).find((s) => s.kind === 'cut') as StepRow;
  expect(await bench('tap', { stepId: cut.id, to: 'done' })).toMatchObject({ ok: false, why: 'refused' });
  expect((await bench('tap', { stepId: cut.id, to: 'done', despite: true })).ok).toBe(true);
  const [first, second] = [await openStep(a), await openStep(b)];
  expect((await bench('tap', { stepId: first.id, to: 'done', also: [second.id] })).ok).toBe(true);
  for (const [lot, step] of [
    [a, first],
    [b, second],
  ] as const)
    expect((await stepsOf(lot)).find((s) => s.id === step.id)?.status).toBe('done');
  // All or none: one of them done already, and nothing of it is logged.
  expect(await bench('tap', { stepId: (await openStep(a)).id, to: 'done', also: [second.id] })).toMatchObject(
    { ok: false },
  );
  expect((await openStep(a)).status).toBe('waiting');
});

test('the next change of water begins by itself, comes round again, and moves the lot to a clean pail', async () => {
  const id = await bookOf('carnation');
  const change = await until(id, 'recut');
  expect(change.status).toBe('running');
  later(60 * 24 * 4 + 5);
  const pailId = await cleanPail();
  expect((await bench('tap', { stepId: change.id, to: 'done', pailId, litres: 3 })).ok).toBe(true);
  const round = await openStep(id);
  expect(round).toMatchObject({ id: change.id, status: 'running' });
  expect(round.dueAt?.getTime()).toBeGreaterThan(clock.at.getTime());
  expect((await lotOf(id)).pailId).toBe(pailId);
  later(-60 * 24 * 4 - 5);
});

test('two tablets see one plan: the first put up stands, and who is at the bench is told', async () => {
  await bookOf('rose');
  await bookOf('gerbera');
  const floor = await shop.inside((trx) => readFloor(trx, me, clock.at, null));
  expect(floor.hands.map((h) => h.name)).toEqual(['Wen', 'Bram']);
  const plan = planBench({ ...floor.input, tries: 200 });
  const put = { fromVersion: floor.planVersion, plan };
  expect(await bench('plan', put)).toMatchObject({ ok: true, value: { isPut: true } });
  expect(await bench('plan', put)).toMatchObject({ ok: true, value: { isPut: false } });
  be('Bram');
  const other = await shop.inside((trx) => readFloor(trx, me, clock.at, null));
  expect(other.plan).toEqual(plan);
  const byHand = (f: typeof other): Record<string, string | null> =>
    Object.fromEntries(f.handed.map((h) => [h.hands, h.lot]));
  be('Wen');
  expect(byHand(await shop.inside((trx) => readFloor(trx, me, clock.at, null)))).toEqual(byHand(other));
  await bench('stand', { personId: people.Bram, isHere: false });
  const alone = await shop.inside((trx) => readFloor(trx, me, clock.at, null));
  expect(alone.hands.map((h) => h.name)).toEqual(['Wen']);
  const stale = { ...plan, assignment: [{ ...plan.assignment[0], hands: 'Bram', lot: plan.order[0] ?? '' }] };
  expect(await bench('plan', { fromVersion: alone.planVersion, plan: stale })).toMatchObject({
    ok: false,
    why: 'refused',
  });
  await bench('stand', { personId: people.Bram, isHere: true });
});

test('the house’s way, and a protocol of its own, hold for what comes from now on and change nothing that was planned', async () => {
  const planned = await bookOf('rose');
  const before = (await stepsOf(planned)).map((s) => s.step);
  be('Wen');
  const way = { kind: 'school', key: 'foliage', subject: '', value: 'bare', reason: 'a trial week' };
  expect(await house('set-way', way)).toMatchObject({ ok: false, why: 'refused' });
  be('Ilse', 'manager');
  expect((await house('set-way', way)).ok).toBe(true);
  expect((await house('set-way', { ...way, subject: 'carnation', value: 'waterline' })).ok).toBe(true);
  const edits = [{ op: 'change', kind: 'cut', params: { cm: 4 }, reason: 'a slow van' }];
  const file = {
    format: 'hush-pail species and protocol',
    version: 1,
    speciesKey: 'rose',
    species: null,
    edits,
  };
  expect((await house('set-protocol', { file, reason: 'a slow van' })).ok).toBe(true);
  expect(
    await house('set-protocol', {
      file: { ...file, edits: [{ op: 'leave out', kind: 'drink', reason: 'no time' }] },
      reason: 'no time',
    }),
  ).toMatchObject({ ok: false });
  expect(
    await house('set-protocol', {
      file: { ...file, edits: [{ op: 'change', kind: 'cut', params: { cm: 999 }, reason: 'no' }] },
      reason: 'why not',
    }),
  ).toMatchObject({ ok: false, why: 'invalid' });
  expect((await stepsOf(planned)).map((s) => s.step)).toEqual(before);
  const [rose, carnation] = [await bookOf('rose'), await bookOf('carnation')];
  const find = async (id: string, kind: string) => (await stepsOf(id)).find((s) => s.kind === kind)?.step;
  expect(await find(rose, 'cut')).toMatchObject({ params: { cm: 4 }, because: 'own protocol' });
  expect(await find(rose, 'strip')).toMatchObject({ params: { to: 'bare' }, because: 'house' });
  expect(await find(carnation, 'strip')).toMatchObject({ params: { to: 'waterline' } });
  be('Ilse', 'manager');
  expect((await house('set-way', { ...way, value: null })).ok).toBe(true);
  expect((await shop.inside((trx) => manyHouseSettings(trx))).map((s) => s.subject)).toEqual(['carnation']);
  await expect(shop.owner('house_setting').update({ value: 'x' })).rejects.toMatchObject({ code: 'HP001' });
});

test('a species of our own is added under our mark, known from then on, and another shop’s is refused', async () => {
  be('Ilse', 'manager');
  const added = await house('add-species', {
    name: 'Harbour phlox',
    botanical: 'Phlox paniculata',
    like: 'stock',
    reason: 'the garden grower brings it',
  });
  const key = `own-${ownMark(shop.shopId)}-harbour-phlox`;
  expect(added).toMatchObject({ ok: true, value: { key } });
  const [own] = (await shop.inside((trx) => manyOwnSpecies(trx))).filter((o) => o.speciesKey === key);
  expect(own?.species).toMatchObject({ name: 'Harbour phlox', basis: 'practice' });
  const file = {
    format: 'hush-pail species and protocol',
    version: 1,
    speciesKey: key,
    species: { ...own?.species, dryHours: 6 },
    edits: [],
  };
  expect((await house('set-protocol', { file, reason: 'wilts sooner' })).ok).toBe(true);
  const foreign = key.replace(ownMark(shop.shopId), 'aaaa1111');
  expect(
    await house('set-protocol', {
      file: { ...file, speciesKey: foreign, species: { ...file.species, key: foreign } },
      reason: 'from afar',
    }),
  ).toMatchObject({ ok: false, why: 'refused' });
  expect(findSpecies('rose')?.dryHours).toBe(8);
});
