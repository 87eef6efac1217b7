import { newId } from '@/data/ids';
import type { Trx } from '@/data/connection';
import { beginSession } from '@/data/sessions';
import { act, be, does } from '../support/acting';
import { freshShop, type TestShop } from '../support/database';
import { stage } from '../support/stage';

jest.mock('@/server/session', () => jest.requireActual<object>('../support/stage')['stagedSession' as never]);
jest.mock('@/server/clock', () => ({
  ...jest.requireActual<object>('@/server/clock'),
  now: () => stage.at,
}));

let shop: TestShop;
beforeAll(async () => {
  stage.at = new Date('2026-11-24T06:55:00Z');
  stage.shop = shop = await freshShop();
  await be('Ilse');
});
afterAll(() => shop.close());

const GOOD = { sure: ['for good'] } as const;
const idOf = async (name: string): Promise<string> =>
  (await shop.owner('person').where({ name }).first<{ id: string }>('id')).id;

const signsIn = (trx: Trx, personId: string): Promise<void> =>
  beginSession(
    trx,
    shop.shopId,
    { id: newId(), personId, beganAt: stage.at, address: '10.0.0.7', device: 'tablet or phone' },
    3_600_000,
  );

/** All that the database holds, as one text. */
async function everything(): Promise<string> {
  const { rows } = await shop.owner.raw<{ rows: { name: string }[] }>(
    `select table_name as name from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE'`,
  );
  const texts = await Promise.all(
    rows.map(async ({ name }) => {
      const all = await shop.owner.raw<{ rows: { text: string | null }[] }>(
        `select string_agg(to_jsonb(t)::text, ' ') as text from ?? as t`,
        [name],
      );
      return all.rows[0]?.text ?? '';
    }),
  );
  return texts.join('\n');
}

test('a name that is erased stands nowhere any more, and every entry stands as it was', async () => {
  await act('shop/add-person', {
    role: 'manager',
    name: 'Hedda Quill',
    login: 'quill',
    password: 'a quiet harbour',
  });
  const hedda = await idOf('Hedda Quill');
  await act('bench/skill', { personId: hedda, skill: 'knife', shown: true });
  await shop.inside((trx) => signsIn(trx, hedda));
  await be('Hedda Quill');
  await act('desk/units', { units: 'us' });
  await be('Ilse');
  expect(await does('shop/erase-name', { personId: hedda })).toMatch(/works here\. Nothing was changed/);
  await act('shop/retire', { personId: hedda, isHere: false });
  const entries = () =>
    shop
      .owner('record_entry')
      .orderBy('id')
      .select<Record<string, unknown>[]>('id', 'kind', 'at', 'person_id', 'subject_id', 'detail');
  const before = await entries();
  expect(await everything()).toContain('Quill');
  expect(await does('shop/erase-name', { personId: hedda })).toMatch(/cannot be taken back/);
  expect((await act('shop/erase-name', { personId: hedda }, GOOD)).ok).toBe(true);
  expect(await everything()).not.toMatch(/quill/i);
  expect((await entries()).slice(0, before.length)).toEqual(before);
  expect((await entries()).length).toBe(before.length + 1);
  expect(await idOf('Name erased 1')).toBe(hedda);
  expect(await shop.owner('session').where({ person_id: hedda })).toEqual([]);
  for (const again of [
    does('shop/retire', { personId: hedda, isHere: true }),
    act('shop/erase-name', { personId: hedda }, GOOD).then((outcome) =>
      outcome.ok ? 'done' : outcome.message,
    ),
  ])
    expect(await again).toMatch(/was erased/);
});

test('while a name is erased nothing else of the record may change, and at no other time that', async () => {
  const rewrite = (set: Record<string, unknown>, isErasing: boolean) =>
    shop.owner.transaction(async (trx) => {
      if (isErasing) await trx.raw(`select set_config('app.erasing', 'a name', true)`);
      await trx('record_entry').update(set);
    });
  await act('shop/add-person', { role: 'hand', name: 'Hedda', pin: '5093' });
  await expect(rewrite({ words: 'otherwise' }, false)).rejects.toThrow('append-only');
  await expect(rewrite({ at: stage.at }, true)).rejects.toThrow('append-only');
  await expect(rewrite({ kind: 'wash' }, true)).rejects.toThrow('append-only');
  await expect(
    shop.owner.transaction(async (trx) => {
      await trx.raw(`select set_config('app.erasing', 'a name', true)`);
      await trx('action').update({ result: null });
    }),
  ).rejects.toThrow('append-only');
  // The application itself may rewrite no entry at all, whatever it sets.
  await expect(
    shop.inside(async (trx) => {
      await trx.raw(`select set_config('app.erasing', 'a name', true)`);
      await trx('record_entry').update({ words: 'otherwise' });
    }),
  ).rejects.toMatchObject({ cause: { code: '42501' } });
});
