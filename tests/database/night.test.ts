import { planBench } from '@/core/bench/plan';
import { readFloor } from '@/features/bench/floor';
import type { SignedIn } from '@/server/session';
import { shellData } from '@/server/shell-data';
import { readStock, stockNow } from '@/server/stock';
import { act, be, bookOf, cleanPail, openStep, until } from '../support/acting';
import { freshShop, type TestShop } from '../support/database';
import { stage } from '../support/stage';

jest.mock('@/server/session', () => jest.requireActual<object>('../support/stage')['stagedSession' as never]);
jest.mock('@/server/clock', () => ({
  ...jest.requireActual<object>('@/server/clock'),
  now: () => stage.at,
}));

/** One evening at the bench, the turn of the day, and the morning after, on tablets that are never reloaded. */
let shop: TestShop;
const people: Record<string, string> = {};
const ZONE = 'Europe/Berlin';
const EVENING = new Date('2026-11-24T22:58:00Z'); // 23:58 there
const PAST_MIDNIGHT = new Date('2026-11-24T23:01:00Z');
const MORNING = new Date('2026-11-25T05:40:00Z');

beforeAll(async () => {
  stage.shop = shop = await freshShop();
  for (const p of await shop.owner('person').select<{ id: string; name: string }[]>('id', 'name'))
    people[p.name] = p.id;
  await shop.owner('shop').update({ time_zone: ZONE });
  stage.at = EVENING;
  stage.zone = ZONE;
  await be('Wen');
});
afterAll(() => shop.close());

const me = (): SignedIn =>
  ({
    ...stage.me,
    shop: { id: shop.shopId, timeZone: ZONE, demo: true, promiseConfidence: 0.9 },
  }) as SignedIn;
const floorAt = (at: Date) => shop.inside((trx) => readFloor(trx, me(), at, null));
const shellAt = (at: Date) => shop.inside((trx) => shellData(trx, me(), at));

test('at two to midnight both stand at the bench, with a plan of today; past midnight they and it are yesterday’s', async () => {
  for (const name of ['Wen', 'Bram'])
    await act('bench/stand', { personId: people[name] ?? '', isHere: true });
  await bookOf('rose', 40);
  await bookOf('gerbera', 20);
  const evening = await floorAt(EVENING);
  expect(evening.hands.map((h) => h.name)).toEqual(['Wen', 'Bram']);
  const plan = planBench({ ...evening.input, tries: 100 });
  expect(await act('bench/plan', { fromVersion: evening.planVersion, plan })).toMatchObject({
    value: { isPut: true },
  });
  expect((await floorAt(EVENING)).plan).toEqual(plan);

  stage.at = PAST_MIDNIGHT;
  const night = await floorAt(PAST_MIDNIGHT);
  expect(night.plan).toBeNull();
  expect(night.hands.map((h) => h.name)).toEqual(['Wen']);
  // The tablet that still shows yesterday's version, and one that looked again: neither is shut out.
  const made = planBench({ ...night.input, tries: 100 });
  expect(await act('bench/plan', { fromVersion: evening.planVersion, plan: made })).toMatchObject({
    value: { isPut: false },
  });
  expect(await act('bench/plan', { fromVersion: night.planVersion, plan: made })).toMatchObject({
    value: { isPut: true },
  });
  expect((await floorAt(PAST_MIDNIGHT)).plan).toEqual(made);

  stage.at = MORNING;
  const morning = await floorAt(MORNING);
  // 00:01 is of the same day as 06:40.
  expect(morning.plan).toEqual(made);
});

test('a clock that was begun in the evening runs through the night, and is late in the morning by as much', async () => {
  stage.at = EVENING;
  const { id } = await bookOf('carnation', 20);
  const drink = await until(id, 'drink');
  await act('bench/tap', { stepId: drink.id, to: 'running', pails: [{ pailId: await cleanPail() }] });
  const { dueAt } = await openStep(id);
  for (const at of [EVENING, PAST_MIDNIGHT, MORNING]) {
    const next = (await shellAt(at)).next.find((n) => n.href.endsWith(id));
    expect(next).toMatchObject({ dueAt: dueAt?.getTime() });
  }
  const late = (await floorAt(MORNING)).lots.find((l) => l.lot.id === id);
  expect(late?.current.status).toBe('running');
  expect((await shellAt(MORNING)).notes.bench.late).toBe(true);
});

const stockAt = async (at: Date) => stockNow(await shop.inside((trx) => readStock(trx, me(), at)));

test('days left go down through the night by what the night was, and a box for tomorrow is of today after midnight', async () => {
  stage.at = EVENING;
  const { lotId } = await bookOf('rose', 20);
  // One that has stood in its pail in the cold since the day before yesterday.
  const stock = await stockAt(EVENING);
  const id = stock.find((s) => s.lot.variety === 'Evening Buoy')?.lot.id;
  const daysAt = async (at: Date) =>
    (await stockAt(at)).find((s) => s.lot.id === id)?.forecast.daysLeft.p50 ?? 0;
  const [evening, night, morning] = [
    await daysAt(EVENING),
    await daysAt(PAST_MIDNIGHT),
    await daysAt(MORNING),
  ];
  expect(night).toBeLessThanOrEqual(evening);
  expect(morning).toBeLessThan(evening);
  expect(evening - morning).toBeLessThan(0.4);
  expect(await act('dock/keep-for', { lotId, day: '2026-11-25' })).toMatchObject({ ok: true });
  const laterAt = async (at: Date) => (await stockAt(at)).find((s) => s.lot.lotId === lotId)?.isForLater;
  expect([await laterAt(EVENING), await laterAt(PAST_MIDNIGHT), await laterAt(MORNING)]).toEqual([
    true,
    false,
    false,
  ]);
});
