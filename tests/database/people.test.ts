import { act, be, does, later } from '../support/acting';
import { freshShop, type TestShop } from '../support/database';
import { stage } from '../support/stage';
import { maybePersonToAsk } from '@/data/people';
import { maybeWhoAsks } from '@/data/who-asks';
import { beginSession, manyOpenSessions } from '@/data/sessions';
import { newId } from '@/data/ids';
import { Secret, TOTP } from 'otpauth';
import { offerFactor, stepOfCode } from '@/server/second-factor';
import { trySecret, type Tried } from '@/server/secret-tries';
import { isSecretOf } from '@/server/secrets';

jest.mock('@/server/session', () => jest.requireActual<object>('../support/stage')['stagedSession' as never]);
jest.mock('@/server/clock', () => ({
  ...jest.requireActual<object>('@/server/clock'),
  now: () => stage.at,
}));

let shop: TestShop;
const MORNING = new Date('2026-11-24T06:55:00Z');
beforeEach(async () => {
  stage.at = MORNING;
  stage.shop = shop = await freshShop();
  await be('Ilse');
});
afterEach(() => shop.close());

const idOf = async (name: string): Promise<string> =>
  (await shop.owner('person').where({ name }).first<{ id: string }>('id')).id;
const names = async (): Promise<string[]> =>
  (await shop.owner('person').where({ shop_id: shop.shopId, active: true }).pluck<string[]>('name')).sort();

/** Signs somebody in on some tablet; answers whether that session opens the shop. */
async function signIn(personId: string, address = '10.0.0.7'): Promise<() => Promise<boolean>> {
  const id = newId();
  await shop.inside((trx) =>
    beginSession(
      trx,
      shop.shopId,
      { id, personId, beganAt: stage.at, address, device: 'tablet or phone' },
      14 * 3_600_000,
    ),
  );
  return async () =>
    (await maybeWhoAsks(shop.app, { shopId: shop.shopId, personId, sessionId: id }, null))?.active === true;
}

/** One try at somebody's PIN from a tablet. */
const guess = (personId: string, secret: string, address: string): Promise<Tried> =>
  trySecret(
    {
      shopId: shop.shopId,
      inside: shop.inside,
      by: { id: personId },
      secret,
      address,
      at: stage.at,
      isFor: () => true,
    },
    () => Promise.resolve(),
  );
const isIn = (tried: Tried): boolean => 'person' in tried && tried.person !== undefined;
const isLocked = (tried: Tried): boolean => 'lockedMinutes' in tried;

test('somebody who is added signs in; a name or sign-in that is taken is refused, a retired one’s too', async () => {
  const added = await act('shop/add-person', { role: 'hand', name: 'Hedda', pin: '5093' });
  expect(added.ok).toBe(true);
  expect(isIn(await guess(await idOf('Hedda'), '5093', '10.0.0.7'))).toBe(true);
  const again = { role: 'hand', name: 'hedda', pin: '7706' } as const;
  expect(await does('shop/add-person', again)).toMatch(/goes by that name/);
  await does('shop/retire', { personId: await idOf('Hedda'), isHere: false });
  expect(await does('shop/add-person', again)).toMatch(/goes by that name/);
  const ilse = {
    role: 'manager',
    name: 'Ilse the younger',
    login: 'ILSE',
    password: 'a quiet harbour',
  } as const;
  expect(await does('shop/add-person', ilse)).toMatch(/signs in by that/);
  const guessable = await act('shop/add-person', { role: 'hand', name: 'Odd', pin: '1234' });
  expect(guessable.ok).toBe(false);
});

test('of a PIN nothing is kept but its hash: not in the record, nor with the tap that set it', async () => {
  await act('shop/add-person', { role: 'hand', name: 'Hedda', pin: '5093' });
  const { rows } = await shop.owner.raw<{ rows: { text: string }[] }>(
    `select coalesce(string_agg(t, ' '), '') as text from (
       select a::text as t from action a union all select e::text from record_entry e) x`,
  );
  expect(rows[0]?.text).toContain('Hedda');
  expect(rows[0]?.text).not.toContain('5093');
  // Two taps that differ in their PIN alone have one hash: nobody can try ten thousand against it.
  const [one] = await shop.owner('action').where({ name: 'shop/add-person' }).pluck<string[]>('body_hash');
  await shop.owner('person').where({ name: 'Hedda' }).update({ name: 'Hedda of old' });
  await act('shop/add-person', { role: 'hand', name: 'Hedda', pin: '7706' });
  const hashes = await shop.owner('action').where({ name: 'shop/add-person' }).pluck<string[]>('body_hash');
  expect(hashes).toEqual([one, one]);
});

test('whoever is retired is out everywhere at once, stands at no bench, and comes back as they were', async () => {
  const wen = await idOf('Wen');
  const isOpen = await signIn(wen);
  await does('bench/stand', { personId: wen, isHere: true });
  later(1);
  expect(await does('shop/retire', { personId: wen, isHere: false })).toBe('done');
  expect(await isOpen()).toBe(false);
  expect(await names()).not.toContain('Wen');
  expect(await shop.owner('at_bench').where({ person_id: wen }).whereNull('left_at')).toEqual([]);
  expect(isIn(await guess(wen, '2468', '10.0.0.7'))).toBe(false);
  const entry = await shop.owner('record_entry').where({ kind: 'person' }).first<{ id: number }>('id');
  later(1);
  expect(await does('desk/take-back', { entryId: entry.id })).toBe('done');
  expect(await names()).toContain('Wen');
  expect(isIn(await guess(wen, '2468', '10.0.0.7'))).toBe(true);
});

test('nobody retires themselves, and a manager does not touch an owner or another manager', async () => {
  const ilse = await idOf('Ilse');
  expect(await does('shop/retire', { personId: ilse, isHere: false })).toMatch(/Nobody retires themselves/);
  await act('shop/add-person', {
    role: 'manager',
    name: 'Hedda',
    login: 'hedda',
    password: 'a quiet harbour',
  });
  await be('Hedda');
  for (const name of ['shop/retire', 'shop/unlock'] as const)
    expect(await does(name, { personId: ilse, isHere: false })).toMatch(/Only the owner/);
  expect(
    await does('shop/add-person', {
      role: 'auditor',
      name: 'Odd',
      login: 'odd',
      password: 'a quiet harbour',
    }),
  ).toMatch(/Only the owner/);
  expect(await does('shop/retire', { personId: await idOf('Wen'), isHere: false })).toBe('done');
});

test('one changes one’s own PIN with the one that holds; every session of theirs ends with it', async () => {
  await be('Wen');
  const wen = await idOf('Wen');
  const isOpen = await signIn(wen);
  expect(await does('shop/set-secret', { personId: wen, secret: '5093', current: '1111' })).toMatch(
    /not the one you have/,
  );
  expect(await isOpen()).toBe(true);
  expect(await does('shop/set-secret', { personId: wen, secret: '12', current: '2468' })).toMatch(
    /four digits/,
  );
  expect(await does('shop/set-secret', { personId: wen, secret: '5093', current: '2468' })).toBe('done');
  expect(await isOpen()).toBe(false);
  const kept = await shop.inside((trx) => maybePersonToAsk(trx, { id: wen }));
  expect(await isSecretOf(kept?.secret_hash, '5093')).toBe(true);
  expect(
    await does('shop/set-secret', { personId: await idOf('Bram'), secret: '5093', current: null }),
  ).toMatch(/Only a manager/);
});

test('one session is ended and the others last; a session is somebody’s own or a manager’s to end', async () => {
  const [wen, bram] = [await idOf('Wen'), await idOf('Bram')];
  const [here, there, brams] = [await signIn(wen), await signIn(wen, '10.0.0.8'), await signIn(bram)];
  const open = await shop.inside((trx) => manyOpenSessions(trx, new Date(0)));
  const theOther = open.find((s) => s.address === '10.0.0.8');
  await be('Bram');
  expect(await does('shop/end-sessions', { personId: wen, sessionId: null })).toMatch(/Only a manager/);
  await be('Wen');
  // A session that is not theirs is not ended by naming themselves with it.
  const other = open.find((s) => s.personId === bram);
  expect(await does('shop/end-sessions', { personId: wen, sessionId: other?.id ?? '' })).toMatch(/nowhere/);
  expect(await does('shop/end-sessions', { personId: wen, sessionId: theOther?.id ?? '' })).toBe('done');
  expect([await here(), await there(), await brams()]).toEqual([true, false, true]);
});

test('a guesser locks out the place they guess from, and nobody who signs in where the shop does', async () => {
  const wen = await idOf('Wen');
  await signIn(wen, '10.0.0.7');
  for (let i = 0; i < 5; i++) expect(isIn(await guess(wen, '9999', '10.6.6.6'))).toBe(false);
  expect(isLocked(await guess(wen, '2468', '10.6.6.6'))).toBe(true);
  expect(isIn(await guess(wen, '2468', '10.0.0.7'))).toBe(true);
  // From ever new places: strangers together are slowed, the shop's own tablets are not.
  for (let i = 0; i < 20; i++) await guess(wen, '9999', `10.6.7.${i}`);
  expect(isLocked(await guess(wen, '2468', '10.6.8.1'))).toBe(true);
  expect(isIn(await guess(wen, '2468', '10.0.0.7'))).toBe(true);
  await does('shop/unlock', { personId: wen });
  expect(isIn(await guess(wen, '2468', '10.6.6.6'))).toBe(true);
});

test('whoever is retired, or given another PIN, while theirs is looked at, is not let in by the old one', async () => {
  const wen = await idOf('Wen');
  for (const change of [{ active: false }, { secret_hash: 'another' }]) {
    let turn = 0;
    const tried = await trySecret(
      {
        ...{ shopId: shop.shopId, by: { id: wen }, secret: '2468', address: '10.0.0.7', at: stage.at },
        isFor: () => true,
        inside: async (work) => {
          // What is looked at was read in the first turn; what is done is done in the second.
          if (++turn === 2) await shop.owner('person').where({ id: wen }).update(change);
          return shop.inside(work);
        },
      },
      () => Promise.reject(new Error('was let in')),
    );
    expect([change, isIn(tried)]).toEqual([change, false]);
    await shop.owner('person').where({ id: wen }).update({ active: true });
  }
});

test('a name that nobody has is counted and locked as one that somebody has', async () => {
  const told = async (login: string): Promise<string[]> => {
    const answers: string[] = [];
    for (let i = 0; i < 7; i++) {
      const tried = await trySecret(
        {
          shopId: shop.shopId,
          inside: shop.inside,
          by: { login },
          secret: 'wrong every time',
          address: '10.6.6.6',
          at: stage.at,
          isFor: () => true,
        },
        () => Promise.resolve(),
      );
      answers.push('lockedMinutes' in tried ? `locked ${tried.lockedMinutes}` : 'wrong');
    }
    return answers;
  };
  expect(await told('nobody of that name')).toEqual(await told('ilse'));
});

/** The code that a telephone shows for a secret at a moment. */
const codeAt = (secret: string, at: Date): string =>
  new TOTP({ secret: Secret.fromBase32(secret), digits: 6, period: 30 }).generate({
    timestamp: at.getTime(),
  });

test('a code as its standard has it: of now and half a minute either way, and of no other time or secret', () => {
  // The first of RFC 6238's examples, its last six digits: second 59 of "12345678901234567890".
  const secret = 'GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJQ';
  const at = (s: number): Date => new Date(s * 1000);
  expect(stepOfCode(secret, '287082', at(59))).toBe(1);
  expect(stepOfCode(secret, '287082', at(89))).toBe(1);
  for (const s of [0 - 31, 90, 300]) expect(stepOfCode(secret, '287082', at(s))).toBeNull();
  expect(stepOfCode('GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJA', '287082', at(59))).toBeNull();
  for (const code of ['', '28708', 'abcdef', '2870822']) expect(stepOfCode(secret, code, at(59))).toBeNull();
});

test('with a second factor the password alone lets nobody in; a code is taken once, and it can be given up', async () => {
  const ilse = await idOf('Ilse');
  const password = 'slow water';
  const enter = (code: string | undefined, secret = password): Promise<Tried> =>
    trySecret(
      {
        ...{ shopId: shop.shopId, inside: shop.inside, by: { login: 'ilse' }, secret, address: '10.0.0.7' },
        ...(code === undefined ? {} : { code }),
        at: stage.at,
        isFor: (person) => person.role !== 'hand',
      },
      () => Promise.resolve(),
    );
  expect(isIn(await enter(''))).toBe(true);
  const { secret, sealed } = await offerFactor(ilse, 'Ilse', 'Slow Tide');
  expect(await does('shop/second-factor', { sealed, code: '000000' })).toMatch(/not the code of now/);
  expect(await does('shop/second-factor', { sealed: 'x', code: codeAt(secret, stage.at) })).toMatch(
    /too long ago/,
  );
  expect((await act('shop/second-factor', { sealed, code: codeAt(secret, stage.at) })).ok).toBe(true);
  // What was shown to set it up signs nobody in.
  expect(await enter('')).toEqual({ needsCode: true });
  expect(isIn(await enter(codeAt(secret, stage.at)))).toBe(false);
  later(1);
  expect(isIn(await enter(codeAt(secret, stage.at), 'some water'))).toBe(false);
  expect(isIn(await enter(codeAt(secret, stage.at)))).toBe(true);
  expect(isIn(await enter(codeAt(secret, stage.at)))).toBe(false);
  // Nothing of it is in the record or with the tap.
  const rows = JSON.stringify([await shop.owner('record_entry'), await shop.owner('action')]);
  expect(rows.includes(secret) || rows.includes(sealed)).toBe(false);
  // A hand does not take it away; another's seal is worth nothing to them.
  await be('Wen');
  expect((await act('shop/end-second-factor', { personId: ilse })).ok).toBe(false);
  expect((await act('shop/second-factor', { sealed, code: codeAt(secret, stage.at) })).ok).toBe(false);
  await be('Ilse');
  expect((await act('shop/end-second-factor', { personId: ilse })).ok).toBe(true);
  expect(isIn(await enter(''))).toBe(true);
});
