import { codeOf } from '@/core/labels/codes';
import { manyDevices, manyReadings } from '@/data/devices';
import { newId } from '@/data/ids';
import { maybePail } from '@/data/pails';
import { manyWaterSeen } from '@/data/water-seen';
import { answerDevice } from '@/server/answer-device';
import { deviceToken } from '@/server/device-token';
import { act, be, does, later } from '../support/acting';
import type { World } from '../support/bodies';
import { freshShop, type TestShop } from '../support/database';
import { stage } from '../support/stage';
import { newWorld } from '../support/world';

jest.mock('@/server/session', () => jest.requireActual<object>('../support/stage')['stagedSession' as never]);
jest.mock('@/server/clock', () => ({
  ...jest.requireActual<object>('@/server/clock'),
  now: () => stage.at,
}));

let shop: TestShop;
let world: World;
let deviceId = '';
beforeAll(async () => {
  process.env.HUSH_PAIL_SESSION_SECRET = 'only for tests, thirty-two letters and more';
  stage.shop = shop = await freshShop();
  process.env.HUSH_PAIL_DATABASE_URL = shop.appUrl;
  await be('Ilse');
  world = await newWorld(shop);
  const added = await act('shop/add-device', { name: 'Reader at the sink', kind: 'strip reader' });
  deviceId = added.ok ? (added.value as { deviceId: string }).deviceId : '';
});
afterAll(async () => {
  await (globalThis as { hushPailPool?: { destroy: () => Promise<void> } }).hushPailPool?.destroy();
  await shop.close();
});

async function sends(
  body: unknown,
  { token = deviceToken({ shopId: shop.shopId, deviceId }), type = 'application/json' } = {},
): Promise<{ status: number; told: Record<string, unknown> }> {
  const answer = await answerDevice(
    new Request('http://shop.test/devices/readings', {
      method: 'POST',
      headers: { authorization: `Bearer ${token}`, 'content-type': type },
      body: typeof body === 'string' ? body : JSON.stringify(body),
    }),
  );
  return { status: answer.status, told: (await answer.json()) as Record<string, unknown> };
}
const label = async (): Promise<string> => {
  const pail = await shop.inside((trx) => maybePail(trx, world.pailId));
  return codeOf({ kind: 'pail', number: pail?.labelNo ?? 0 });
};
const seen = async (): Promise<string[]> =>
  (await shop.inside((trx) => manyWaterSeen(trx))).map((s) => s.kind);

test('what a reader sends counts once for the pail it was held into, however often it comes', async () => {
  later(30);
  const strip = { seq: 1, at: stage.at.toISOString(), kind: 'strip', pail: await label(), ph: 5.5 };
  expect(await sends({ readings: [strip] })).toEqual({
    status: 200,
    told: { kept: 1, known: 0, refused: [] },
  });
  expect(await sends({ readings: [strip] })).toMatchObject({ told: { kept: 0, known: 1 } });
  // Two at once, with the old one among them.
  const more = { ...strip, seq: 2, ph: null, chlorinePpm: 5 };
  const both = await Promise.all([sends({ readings: [strip, more] }), sends({ readings: [more, strip] })]);
  expect(both.map((b) => b.told.kept).sort()).toEqual([0, 1]);
  expect(await seen()).toEqual(['water-reading', 'water-reading']);
  const entry = await shop
    .owner('record_entry')
    .where({ kind: 'water-reading' })
    .first<{ person_id: string }>('person_id');
  expect(entry.person_id).toBe(
    (await shop.owner('person').where({ name: 'Ilse' }).first<{ id: string }>('id')).id,
  );
});

test('what comes late is kept and does not count for another water; what cannot be is told by its number', async () => {
  const yesterday = new Date(stage.at.getTime() - 26 * 3_600_000).toISOString();
  const { status, told } = await sends({
    readings: [
      { seq: 10, at: yesterday, kind: 'strip', pail: await label(), ph: 7 },
      { seq: 11, at: stage.at.toISOString(), kind: 'strip', pail: '%P999999X', ph: 7 },
      { seq: 12, at: '2031-01-01T00:00:00Z', kind: 'strip', pail: await label(), ph: 7 },
      { seq: 13, kind: 'strip' },
    ],
  });
  expect([status, told.kept]).toEqual([200, 1]);
  expect((told.refused as { seq: number }[]).map((r) => r.seq).sort()).toEqual([11, 12, 13]);
  expect(await seen()).toHaveLength(2);
  expect(await shop.inside((trx) => manyReadings(trx, deviceId, 50))).toHaveLength(3);
});

test.each([
  ['no token', () => sends({ readings: [] }, { token: 'none' }), 401],
  [
    'another device’s number under its seal',
    () => sends({ readings: [{}] }, { token: deviceToken({ shopId: shop.shopId, deviceId: newId() }) }),
    401,
  ],
  [
    'a seal of another shop',
    () => sends({ readings: [{}] }, { token: deviceToken({ shopId: newId(), deviceId }) }),
    401,
  ],
  ['a form', () => sends('a=b', { type: 'application/x-www-form-urlencoded' }), 415],
  ['no JSON', () => sends('{"readings": ['), 422],
  ['no readings', () => sends({}), 422],
  ['too many', () => sends({ readings: Array.from({ length: 201 }, () => ({})) }), 422],
  ['far too much', () => sends({ readings: ['x'.repeat(300_000)] }), 413],
])('%s keeps nothing, and is told why', async (_, send, status) => {
  const before = await shop.owner('device_reading').count<{ count: string }[]>();
  const answer = await send();
  expect(answer.status).toBe(status);
  expect(String(answer.told.message)).toMatch(/\w/);
  expect(await shop.owner('device_reading').count()).toEqual(before);
});

test('a device that was taken out of use is none; its readings stand, and nobody writes them over', async () => {
  expect(await does('shop/add-device', { name: 'reader AT the sink', kind: 'doser' })).toMatch(
    /goes by that name/,
  );
  await act('shop/retire-device', { deviceId });
  expect(await shop.inside((trx) => manyDevices(trx))).toEqual([]);
  expect((await sends({ readings: [{}] })).status).toBe(401);
  await expect(shop.owner('device_reading').delete()).rejects.toThrow();
  expect(await does('shop/retire-device', { deviceId })).toMatch(/not in use/);
});
