import { planBench } from '@/core/bench/plan';
import { manyHouseSettings } from '@/data/house';
import type { PortionRow } from '@/data/portions';
import type { StepRow } from '@/data/steps';
import { sharerOf } from '@/features/bench/water-in';
import { SHIPPED_SPECIES } from '@/core/species/registry';
import { lotsOf } from '@/server/stock';
import { readFloor } from '@/features/bench/floor';
import { madeFrom } from '@/features/bench/plan-input';
import type { SignedIn } from '@/server/session';
import {
  act,
  be,
  bookOf,
  cleanPail,
  later,
  openStep,
  portionById,
  portionsOf,
  send,
  stepsOf,
  SURE,
  takeBackLast,
  until,
} from '../support/acting';
import { freshShop, type TestShop } from '../support/database';
import { stage } from '../support/stage';
import { inEnglish } from '@/core/words/say';

jest.mock('@/server/session', () => jest.requireActual<object>('../support/stage')['stagedSession' as never]);
jest.mock('@/server/clock', () => ({
  ...jest.requireActual<object>('@/server/clock'),
  now: () => stage.at,
}));

let shop: TestShop;
const people: Record<string, string> = {};
beforeAll(async () => {
  stage.shop = shop = await freshShop();
  for (const p of await shop.owner('person').select<{ id: string; name: string }[]>('id', 'name'))
    people[p.name] = p.id;
  await be('Wen');
});
afterAll(() => shop.close());

const me = (): SignedIn =>
  ({ ...stage.me, shop: { id: shop.shopId, timeZone: 'Etc/UTC', demo: true } }) as SignedIn;
const floorNow = () => shop.inside((trx) => readFloor(trx, me(), stage.at, null));
const stepOf = async (portion: PortionRow, kind: string): Promise<StepRow> =>
  (await stepsOf(await portionById(portion.id))).find((s) => s.kind === kind) as StepRow;

test('dock, bench and vessel say one thing of how a lot stands: what was seen of it last', async () => {
  const tulip = await bookOf('tulip', 20);
  await act('dock/look', { lotId: tulip.lotId, stage: tulip.stage, droop: 'hanging' });
  const seen = async (portion: PortionRow) => {
    const now = await portionById(portion.id);
    const atDock = lotsOf(await portionsOf(now.lotId))[0];
    return [atDock?.droop, atDock?.stands, sharerOf(now, [], false, SHIPPED_SPECIES).droop];
  };
  expect(await seen(tulip)).toEqual(['hanging', 'hanging', 'hanging']);
  const look = await until(tulip.id, 'look-back');
  await act('bench/look-back', { stepId: look.id, outcome: 'recovering' });
  expect(await seen(tulip)).toEqual(['hanging', 'soft', 'soft']);
  const again = await until(tulip.id, 'look-back');
  await act('bench/look-back', { stepId: again.id, outcome: 'upright' });
  // How it came stays what its forecast starts from.
  expect(await seen(tulip)).toEqual(['hanging', 'firm', 'firm']);
  expect((await portionById(tulip.id)).droop).toBe('hanging');
});

test('while pods soak their stems stand wet, in no pail yet; taken back, they are dry again', async () => {
  const birds = await bookOf('bird-of-paradise', 10);
  const soak = await until(birds.id, 'plunge');
  const stands = async () => {
    const { isWet, fillId } = await portionById(birds.id);
    return [isWet, fillId];
  };
  expect(await stands()).toEqual([false, null]);
  expect((await act('bench/tap', { stepId: soak.id, to: 'running' })).ok).toBe(true);
  expect(await stands()).toEqual([true, null]);
  await takeBackLast();
  expect(await stands()).toEqual([false, null]);
});

test('a look that hangs is rescued apart, waits for the morning, and ends in the bin; each tap can be taken back', async () => {
  const rose = await bookOf('rose', 30);
  const look = await until(rose.id, 'look-back');
  expect((await act('bench/look-back', { stepId: look.id, outcome: 'hanging', stems: 6 })).ok).toBe(true);
  const [rest, apart] = (await portionsOf(rose.lotId)) as [PortionRow, PortionRow];
  expect([rest.stemsLeft, apart.stemsLeft]).toEqual([24, 6]);
  expect([rest.number, apart.no, apart.droop, rest.droop]).toEqual([apart.number, 2, 'hanging', 'firm']);
  expect((await openStep(rest.id)).kind).not.toBe('look-back');
  expect(await openStep(apart.id)).toMatchObject({ kind: 'hot-dip', step: { params: { tempC: 98 } } });
  const again = await until(apart.id, 'look-back');
  expect(again.step.params).toMatchObject({ round: 1 });
  expect((await portionById(apart.id)).pailId).not.toBe((await portionById(rest.id)).pailId);
  await act('bench/look-back', { stepId: again.id, outcome: 'hanging' });
  const morning = await openStep(apart.id);
  expect(morning).toMatchObject({ kind: 'look-back', status: 'running' });
  await act('bench/look-back', { stepId: morning.id, outcome: 'hanging' });
  expect(inEnglish((await openStep(apart.id)).step.title)).toBe('Bin what still hangs');
  expect(await takeBackLast()).toBe('done');
  const back = await openStep(apart.id);
  expect(back).toMatchObject({ kind: 'look-back', status: 'running' });
  await act('bench/look-back', { stepId: back.id, outcome: 'hanging' });
  await act('bench/tap', { stepId: (await openStep(apart.id)).id, to: 'done', binned: 6 });
  expect((await portionsOf(rose.lotId)).map((p) => p.stemsLeft)).toEqual([24]);
  // One tap, one take-back: the step and what it binned.
  expect(await takeBackLast()).toBe('done');
  expect((await portionsOf(rose.lotId)).map((p) => p.stemsLeft)).toEqual([24, 6]);
  expect(inEnglish((await openStep(apart.id)).step.title)).toBe('Bin what still hangs');
});

test('sap shares no water until it has soaked, whatever is tapped; a recut opens it again', async () => {
  const daffodil = await bookOf('daffodil');
  const tulip = await bookOf('tulip');
  expect(daffodil.sapOpen).toBe(true);
  const soak = await until(daffodil.id, 'sap-soak');
  const pailId = await cleanPail();
  await act('bench/tap', { stepId: soak.id, to: 'running', pailId, litres: 2 });
  const drink = await until(tulip.id, 'drink');
  expect(await act('bench/tap', { stepId: drink.id, to: 'running', pailId })).toMatchObject({
    ok: false,
    why: 'refused',
  });
  // Past every check of ours, the database itself refuses.
  const { fillId } = await portionById(daffodil.id);
  await expect(
    shop.owner('stay').where({ portion_id: tulip.id, to_at: null }).update({ fill_id: fillId, wet: true }),
  ).rejects.toMatchObject({ code: 'HP003' });
  const before = await stepOf(daffodil, 'drink');
  expect(
    await act('bench/tap', { stepId: before.id, to: 'running', pailId: await cleanPail() }, { sure: SURE }),
  ).toMatchObject({ ok: false, why: 'refused' });
  // Ended early, it is asked about, with what that means; once its time is over it is not.
  const end = { stepId: soak.id, to: 'done' } as const;
  const early = await act('bench/tap', end);
  expect(early).toMatchObject({ ok: false, why: 'asked', question: 'early' });
  expect(early.ok || early.message).toContain('Sap that has not run out');
  const hours = soak.step.waitSeconds / 3600;
  later(hours * 60);
  expect((await act('bench/tap', end)).ok).toBe(true);
  later(-hours * 60);
  expect((await portionById(daffodil.id)).sapOpen).toBe(false);
  await act('bench/recut', { portionId: daffodil.id, cm: 2 });
  expect(await portionById(daffodil.id)).toMatchObject({ sapOpen: true, fillId: null, isWet: false });
  expect((await openStep(daffodil.id)).kind).toBe('sap-soak');
});

test('hot water is for those who were shown it, or with one beside; the house may say otherwise', async () => {
  const { id } = await bookOf('hydrangea', 10);
  const dip = await until(id, 'hot-dip');
  await be('Tove');
  const asTove = { stepId: dip.id, to: 'running', handsId: people.Tove ?? '' } as const;
  const refused = await act('bench/tap', asTove);
  expect(refused).toMatchObject({
    ok: false,
    message: expect.stringContaining('not been shown hot water') as string,
  });
  expect(
    (await act('bench/tap', { ...asTove, withId: people.Bram ?? '', used: { tempC: 78, seconds: 25 } })).ok,
  ).toBe(true);
  const begun = (await stepsOf(await portionById(id))).find((s) => s.id === dip.id) as StepRow;
  expect(begun).toMatchObject({ used: { tempC: 78, seconds: 25 }, handsId: people.Tove });
  expect((begun.dueAt?.getTime() ?? 0) - (begun.startedAt?.getTime() ?? 0)).toBe(25_000);
  await be('Ilse');
  expect(
    (await act('bench/skill', { personId: people.Tove ?? '', skill: 'hot water', shown: true })).ok,
  ).toBe(true);
  await be('Tove');
  expect(
    await act('bench/skill', { personId: people.Tove ?? '', skill: 'knife', shown: true }),
  ).toMatchObject({
    ok: false,
  });
  const other = await bookOf('hydrangea', 10);
  const again = await until(other.id, 'hot-dip');
  expect((await act('bench/tap', { stepId: again.id, to: 'running', handsId: people.Tove ?? '' })).ok).toBe(
    true,
  );
});

test('out of turn is asked about and logged once that was answered; one step is done for several lots at once', async () => {
  const [a, b] = [await bookOf('rose'), await bookOf('carnation')];
  const cut = await stepOf(a, 'cut');
  expect(await act('bench/tap', { stepId: cut.id, to: 'done' })).toMatchObject({
    ok: false,
    why: 'asked',
    question: 'out of order',
  });
  expect((await act('bench/tap', { stepId: cut.id, to: 'done' }, { sure: ['out of order'] })).ok).toBe(true);
  const [first, second] = [await openStep(a.id), await openStep(b.id)];
  expect((await act('bench/tap', { stepId: first.id, to: 'done', also: [second.id] })).ok).toBe(true);
  for (const [lot, step] of [
    [a, first],
    [b, second],
  ] as const)
    expect((await stepsOf(await portionById(lot.id))).find((s) => s.id === step.id)?.status).toBe('done');
  // All or none: one of them done already, and nothing of it is logged.
  const { id } = await openStep(a.id);
  expect((await act('bench/tap', { stepId: id, to: 'done', also: [second.id] })).ok).toBe(false);
  expect((await openStep(a.id)).status).toBe('waiting');
});

test('the next change of water begins by itself, comes round again, and moves the lot to a clean pail', async () => {
  const { id } = await bookOf('carnation');
  const change = await until(id, 'recut');
  expect(change.status).toBe('running');
  later(60 * 24 * 4 + 5);
  const pailId = await cleanPail();
  expect((await act('bench/tap', { stepId: change.id, to: 'done', pailId, litres: 3 })).ok).toBe(true);
  const round = await openStep(id);
  expect(round).toMatchObject({ id: change.id, status: 'running' });
  expect(round.dueAt?.getTime()).toBeGreaterThan(stage.at.getTime());
  expect((await portionById(id)).pailId).toBe(pailId);
});

test('two tablets see one plan: the first put up stands, and who is at the bench is told', async () => {
  await be('Wen');
  for (const name of ['Wen', 'Bram'])
    await act('bench/stand', { personId: people[name] ?? '', isHere: true });
  await bookOf('rose');
  await bookOf('gerbera');
  const floor = await floorNow();
  expect(floor.hands.map((h) => h.name)).toEqual(['Wen', 'Bram']);
  const plan = planBench({ ...floor.input, tries: 200 });
  const put = { fromVersion: floor.planVersion, plan };
  expect(await act('bench/plan', put)).toMatchObject({ ok: true, value: { isPut: true } });
  expect(await act('bench/plan', put)).toMatchObject({ ok: true, value: { isPut: false } });
  await be('Bram');
  const other = await floorNow();
  expect(other.plan).toEqual(plan);
  // Whoever looks plans from the same, and plans anew once the hands are others.
  expect(madeFrom(other.input)).toBe(madeFrom(floor.input));
  const byHand = (f: typeof other): Record<string, string | null> =>
    Object.fromEntries(f.handed.map((h) => [h.hands, h.lot]));
  await be('Wen');
  expect(byHand(await floorNow())).toEqual(byHand(other));
  await act('bench/stand', { personId: people.Bram ?? '', isHere: false });
  const alone = await floorNow();
  expect(alone.hands.map((h) => h.name)).toEqual(['Wen']);
  expect(madeFrom(alone.input)).not.toBe(madeFrom(floor.input));
  const [work] = plan.assignment;
  if (!work) throw new Error('nothing is planned');
  const stale = { ...plan, assignment: [{ ...work, hands: 'Bram', lot: plan.order[0] ?? '' }] };
  // Of a bench that is no more: not put up, and not refused for ever either.
  expect(await act('bench/plan', { fromVersion: alone.planVersion, plan: stale })).toMatchObject({
    ok: true,
    value: { isPut: false },
  });
});

test('the house’s way, and a protocol of its own, hold for what comes from now on and change nothing that was planned', async () => {
  const planned = await bookOf('rose');
  const before = (await stepsOf(await portionById(planned.id))).map((s) => s.step);
  await be('Wen');
  const way = { kind: 'school', key: 'foliage', subject: '', value: 'bare', reason: 'a trial week' };
  expect(await send('desk/set-way', way)).toMatchObject({ ok: false, why: 'refused' });
  await be('Ilse');
  expect((await send('desk/set-way', way)).ok).toBe(true);
  expect((await send('desk/set-way', { ...way, subject: 'carnation', value: 'waterline' })).ok).toBe(true);
  const edits = [{ op: 'change', kind: 'cut', params: { cm: 4 }, reason: 'a slow van' }];
  const file = {
    format: 'hush-pail species and protocol',
    version: 1,
    speciesKey: 'rose',
    species: null,
    edits,
  };
  expect((await send('desk/set-protocol', { file, reason: 'a slow van' })).ok).toBe(true);
  expect(
    await send('desk/set-protocol', {
      file: { ...file, edits: [{ op: 'leave out', kind: 'drink', reason: 'no time' }] },
      reason: 'no time',
    }),
  ).toMatchObject({ ok: false });
  expect(
    await send('desk/set-protocol', {
      file: { ...file, edits: [{ op: 'change', kind: 'cut', params: { cm: 999 }, reason: 'no' }] },
      reason: 'why not',
    }),
  ).toMatchObject({ ok: false, why: 'invalid' });
  expect((await stepsOf(await portionById(planned.id))).map((s) => s.step)).toEqual(before);
  await be('Wen');
  const [rose, carnation] = [await bookOf('rose'), await bookOf('carnation')];
  const find = async (portion: PortionRow, kind: string) => (await stepOf(portion, kind)).step;
  expect(await find(rose, 'cut')).toMatchObject({ params: { cm: 4 }, because: 'own protocol' });
  expect(await find(rose, 'strip')).toMatchObject({ params: { to: 'bare' }, because: 'house' });
  expect(await find(carnation, 'strip')).toMatchObject({ params: { to: 'waterline' } });
  await be('Ilse');
  expect((await send('desk/set-way', { ...way, value: null })).ok).toBe(true);
  const schools = (await shop.inside((trx) => manyHouseSettings(trx))).filter((s) => s.kind === 'school');
  expect(schools.map((s) => s.subject)).toEqual(['carnation']);
  await expect(shop.owner('house_setting').update({ value: 'x' })).rejects.toMatchObject({ code: 'HP001' });
});
