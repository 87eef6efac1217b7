import { newId } from '@/data/ids';
import { live } from '@/server/live';
import type { Told } from '@/shell/live-told';
import { act, be } from '../support/acting';
import { freshShop, type TestShop } from '../support/database';
import { stage } from '../support/stage';

jest.mock('@/server/session', () => jest.requireActual<object>('../support/stage')['stagedSession' as never]);
jest.mock('@/server/clock', () => ({
  ...jest.requireActual<object>('@/server/clock'),
  now: () => stage.at,
}));

let shop: TestShop;
const clock = (time: string): Date => new Date(`2026-11-24T${time}:00Z`);
beforeAll(async () => {
  stage.at = clock('06:55');
  stage.shop = shop = await freshShop();
  process.env.HUSH_PAIL_DATABASE_URL = shop.appUrl;
  await be('Ilse');
});
afterAll(async () => {
  await live().close();
  await shop.close();
});

const missed = (time: string, shopId = shop.shopId): boolean =>
  live().mayHaveMissed(shopId, clock(time).getTime());
async function until(isSo: () => boolean): Promise<void> {
  for (let i = 0; i < 200 && !isSo(); i++) await new Promise((resolve) => setTimeout(resolve, 25));
  expect(isSo()).toBe(true);
}

test('a tablet hears what is done, and is told to look where something was done before it listened', async () => {
  // Nobody listens yet: whatever was done is not known.
  expect(missed('06:54')).toBe(true);
  const heard: Told[] = [];
  const leave = live().hear(shop.shopId, (told) => heard.push(told));
  await until(() => !missed('06:56'));
  // A page that was read before anybody listened may be behind.
  expect(missed('06:54')).toBe(true);

  stage.at = clock('07:05');
  await act('desk/units', { units: 'us' });
  await until(() => heard.length > 0);
  expect(heard).toHaveLength(1);
  expect([missed('07:04'), missed('07:06')]).toEqual([true, false]);
  // What is done in one shop is nothing to another.
  expect(missed('07:04', newId())).toBe(false);

  leave?.();
  await act('desk/units', { units: 'metric' });
  expect(heard).toHaveLength(1);
});

test('while the database is not heard it says so, and hears again by itself; where nobody listens nothing is lost', async () => {
  expect(live().isLost).toBe(false);
  const leave = live().hear(shop.shopId, () => undefined);
  await until(() => !live().isLost);
  await shop.owner.raw(
    `select pg_terminate_backend(pid) from pg_stat_activity where query ilike 'listen %' and datname = current_database()`,
  );
  await until(() => live().isLost);
  await until(() => !live().isLost);
  leave?.();
});
