import { randomUUID } from 'node:crypto';
import { ROLES } from '@/core/actions/contract';
import { ACTIONS, specOf, type ActionName } from '@/core/actions/actions';
import { SHIPPED_SPECIES } from '@/core/species/registry';
import { inShop } from '@/data/connection';
import { be, send, SURE } from '../support/acting';
import { BODIES, type World } from '../support/bodies';
import { freshShop, type TestShop } from '../support/database';
import { stage } from '../support/stage';
import { newWorld } from '../support/world';

jest.mock('@/server/session', () => jest.requireActual<object>('../support/stage')['stagedSession' as never]);
jest.mock('@/server/clock', () => ({
  ...jest.requireActual<object>('@/server/clock'),
  now: () => stage.at,
}));
jest.setTimeout(180_000);

const NAMES = Object.keys(ACTIONS) as ActionName[];
const bodyOf = (name: ActionName, world: World): unknown =>
  (BODIES[name] as (w: World, n: number) => unknown)(world, 0);

/** How somebody is told that a thing is not theirs to do. */
const NOT_THEIRS = /(manager|owner)’s to do|change nothing here/;

let shop: TestShop;
let next: TestShop;
let world: World;
const strangers: Record<string, string> = {};

/** A shop next door in the same database, with people of its own and a bench. */
async function nextDoor(): Promise<TestShop> {
  const shopId = randomUUID();
  await shop
    .owner('shop')
    .insert({ id: shopId, slug: 'next-door', name: 'Next door', time_zone: 'Etc/UTC', created_at: stage.at });
  for (const role of ROLES) {
    strangers[role] = randomUUID();
    await shop.owner('person').insert({
      id: strangers[role],
      shop_id: shopId,
      name: `Stranger, ${role}`,
      role,
      login: role === 'hand' ? null : `stranger-${role}`,
      secret_hash: 'none',
    });
  }
  await shop.owner('room').insert({
    id: randomUUID(),
    shop_id: shopId,
    name: 'Bench',
    temp_c: 18,
    humidity_pct: 60,
    lit_hours: 12,
    kind: 'bench',
  });
  return { ...shop, shopId, inside: (work) => inShop(shop.app, shopId, work) };
}

/** Every row of a shop in every table that has shops, as one text a table. */
async function rowsOf(shopId: string): Promise<Record<string, string>> {
  const { rows: tables } = await shop.owner.raw<{ rows: { name: string }[] }>(
    `select table_name as name from information_schema.columns
      where table_schema = 'public' and column_name = 'shop_id' order by 1`,
  );
  const found: Record<string, string> = {};
  for (const { name } of tables) {
    const { rows } = await shop.owner.raw<{ rows: { sum: string | null }[] }>(
      `select md5(string_agg(t::text, '|' order by t::text)) as sum from ?? t where shop_id = ?`,
      [name, shopId],
    );
    found[name] = rows[0]?.sum ?? 'none';
  }
  return found;
}

beforeAll(async () => {
  stage.shop = shop = await freshShop();
  await be('Ilse');
  world = await newWorld(shop);
  next = await nextDoor();
});
afterAll(() => shop.close());

test('whatever a stranger of another shop sends, in any role, nothing of this one changes or is told', async () => {
  const before = await rowsOf(shop.shopId);
  expect(Object.keys(before).length).toBeGreaterThan(25);
  const mine = Object.values(world)
    .map(String)
    .filter((id) => id.length > 20);
  const answers: Record<string, string> = {};
  stage.shop = next;
  for (const role of ROLES) {
    stage.me = {
      personId: strangers[role] ?? '',
      name: 'Stranger',
      role,
      language: 'en',
      species: SHIPPED_SPECIES,
    };
    for (const name of NAMES) {
      const outcome = await send(name, bodyOf(name, world), { sure: SURE });
      answers[`${name} as ${role}`] = outcome.ok ? 'done' : outcome.why;
      if (outcome.ok)
        expect([name, mine.filter((id) => JSON.stringify(outcome).includes(id))]).toEqual([name, []]);
    }
  }
  stage.shop = shop;
  expect(await rowsOf(shop.shopId)).toEqual(before);
  expect(Object.entries(answers).filter(([, why]) => why === 'broken' || why === 'unavailable')).toEqual([]);
  // What is of no thing (an order, a plan, a way of the house) is done in their own shop, and there alone.
  expect(answers['dock/order as owner']).toBe('done');
  expect(answers['dock/bin as manager']).toBe('refused');
  expect(answers['bench/tap as manager']).toBe('refused');
});

test('every action is refused to a role that its contract does not name, and to no other for that', async () => {
  for (const role of ROLES) {
    await be('Ilse');
    const here = await newWorld(shop);
    await be(role === 'hand' ? 'Wen' : 'Ilse');
    stage.me = { ...stage.me, role };
    const refused: string[] = [];
    for (const name of NAMES) {
      const outcome = await send(name, bodyOf(name, here), { sure: SURE });
      if (!outcome.ok && NOT_THEIRS.test(outcome.message)) refused.push(name);
    }
    expect(refused).toEqual(NAMES.filter((name) => !specOf(name).roles.includes(role)));
  }
});
