import { randomUUID } from 'node:crypto';
import { freshShop, type TestShop } from '../../tests/support/database';
import {
  insertPeople,
  isStill,
  isTaken,
  manyActivePeople,
  manyPeople,
  maybePerson,
  setActive,
} from './people';
import { maybeWhoAsks, type SessionIds } from './who-asks';
import { dropFactor, insertFactor, manyWithFactor, maybeFactor, takeStep } from './second-factors';
import { beginSession, endSessions, isKnownAddress, manyOpenSessions } from './sessions';
import {
  forgetOldTries,
  forgetTries,
  lockTries,
  manyLocked,
  maybeTries,
  setTries,
  STRANGERS,
} from './sign-in-tries';

const AT = new Date('2026-11-24T06:50:00Z');
const SECRET = 'JBSWY3DPEHPK3PXPJBSWY3DPEHPK3PXP';
const LASTS_MS = 12 * 3_600_000;
const later = (hours: number): Date => new Date(AT.getTime() + hours * 3_600_000);

let shop: TestShop;
beforeAll(async () => {
  shop = await freshShop();
});
afterAll(() => shop.close());

const begin = (at: Date, address = '10.0.0.4', personId = shop.personId): Promise<string> => {
  const id = randomUUID();
  return shop.inside(async (trx) => {
    await beginSession(trx, shop.shopId, { id, personId, beganAt: at, address, device: 'tablet' }, LASTS_MS);
    return id;
  });
};
const open = (since: Date) => shop.inside((trx) => manyOpenSessions(trx, since));

describe('sessions', () => {
  test('a person is known by an open session of their own, and not once it has ended', async () => {
    const id = await begin(AT);
    const known = () =>
      maybeWhoAsks(shop.app, { shopId: shop.shopId, personId: shop.personId, sessionId: id }, null);
    expect(await known()).toMatchObject({ id: shop.personId, active: true });
    expect(await shop.inside((trx) => endSessions(trx, shop.personId, id, later(1)))).toBe(1);
    expect(await known()).toBeUndefined();
    // Ending it again ends nothing.
    expect(await shop.inside((trx) => endSessions(trx, shop.personId, id, later(2)))).toBe(0);
  });

  test('another person’s session is nobody’s', async () => {
    const id = await begin(AT);
    const { shopId, personId } = shop;
    const asks = (ids: Partial<SessionIds>) =>
      maybeWhoAsks(shop.app, { shopId, personId, sessionId: id, ...ids }, null);
    expect(await asks({})).toMatchObject({ id: personId, shopId });
    expect(await asks({ personId: randomUUID() })).toBeUndefined();
    expect(await asks({ sessionId: randomUUID() })).toBeUndefined();
    // A person's own session opens no other shop.
    expect(await asks({ shopId: randomUUID() })).toBeUndefined();
  });

  test('a new one ends those that are older than a session lasts, at their last hour', async () => {
    const old = await begin(AT, '10.0.0.5');
    await begin(later(13), '10.0.0.5');
    const ended = await shop.owner('session').where({ id: old }).first<{ ended_at: Date }>('ended_at');
    expect(ended.ended_at.toISOString()).toBe(later(12).toISOString());
  });

  test('all of somebody’s end at once where they are put out, and none of anybody else’s', async () => {
    const other = await shop.owner('person').where({ name: 'Bram' }).first<{ id: string }>('id');
    await begin(later(20), '10.0.0.6');
    await begin(later(20), '10.0.0.7');
    await begin(later(20), '10.0.0.8', other.id);
    await shop.inside((trx) => endSessions(trx, shop.personId, null, later(21)));
    const left = await open(later(19));
    expect(left.map((s) => s.personId)).toEqual([other.id]);
  });

  test('a place is known where somebody of the shop signed in of late', async () => {
    const known = (address: string, since: Date) => shop.inside((trx) => isKnownAddress(trx, address, since));
    expect(await known('10.0.0.8', AT)).toBe(true);
    expect(await known('10.0.0.8', later(30))).toBe(false);
    expect(await known('203.0.113.9', AT)).toBe(false);
  });
});

describe('wrong tries', () => {
  const tries = (who: string, address: string) => shop.inside((trx) => maybeTries(trx, who, address));
  const wrong = (who: string, address: string, failed: number, lockedUntil: number | null = null, at = AT) =>
    shop.inside(async (trx) => {
      await lockTries(trx, shop.shopId, who);
      await setTries(trx, shop.shopId, who, address, { failed, lastAt: at.getTime(), lockedUntil });
    });

  test('are kept by person and place, whether there is such a person or not', async () => {
    await wrong('nobody called so', '10.0.0.4', 3);
    expect(await tries('nobody called so', '10.0.0.4')).toMatchObject({ failed: 3, lockedUntil: null });
    expect(await tries('nobody called so', STRANGERS)).toBeNull();
    await wrong('nobody called so', '10.0.0.4', 4);
    expect(await tries('nobody called so', '10.0.0.4')).toMatchObject({ failed: 4 });
  });

  test('whoever is locked somewhere is told with until when, each once', async () => {
    const until = later(1).getTime();
    await wrong(shop.personId, '10.0.0.4', 6, until);
    await wrong(shop.personId, STRANGERS, 6, until - 1000);
    const locked = await shop.inside((trx) => manyLocked(trx, AT));
    expect(locked.filter((l) => l.who === shop.personId)).toMatchObject([{ until: new Date(until) }]);
    expect(await shop.inside((trx) => manyLocked(trx, later(2)))).toEqual([]);
  });

  test('are forgotten from one place, from everywhere, or with time', async () => {
    await shop.inside((trx) => forgetTries(trx, shop.personId, '10.0.0.4'));
    expect(await tries(shop.personId, '10.0.0.4')).toBeNull();
    expect(await tries(shop.personId, STRANGERS)).not.toBeNull();
    await shop.inside((trx) => forgetTries(trx, shop.personId));
    expect(await tries(shop.personId, STRANGERS)).toBeNull();
    await wrong('long ago', '10.0.0.9', 2, null, later(-48));
    await shop.inside((trx) => forgetOldTries(trx, later(-24)));
    expect(await tries('long ago', '10.0.0.9')).toBeNull();
    expect(await tries('nobody called so', '10.0.0.4')).not.toBeNull();
  });
});

describe('second factors', () => {
  test('one a person; a code counts once, and none before it ever again', async () => {
    const give = () =>
      shop.inside((trx) =>
        insertFactor(trx, shop.shopId, { personId: shop.personId, secret: SECRET }, 100, AT),
      );
    expect([await give(), await give()]).toEqual([true, false]);
    expect(await shop.inside((trx) => maybeFactor(trx, shop.personId))).toMatchObject({ secret: SECRET });
    const take = (step: number) => shop.inside((trx) => takeStep(trx, shop.personId, step));
    expect([await take(100), await take(101), await take(101), await take(99)]).toEqual([
      false,
      true,
      false,
      false,
    ]);
    // Two tablets with one code at once: one of them is in.
    const both = await Promise.all([take(102), take(102)]);
    expect(both.filter(Boolean)).toHaveLength(1);
  });

  test('taken away it is gone, and may be given anew', async () => {
    expect(await shop.inside((trx) => manyWithFactor(trx))).toEqual([shop.personId]);
    expect(await shop.inside((trx) => dropFactor(trx, shop.personId))).toBe(true);
    expect(await shop.inside((trx) => dropFactor(trx, shop.personId))).toBe(false);
    expect(await shop.inside((trx) => manyWithFactor(trx))).toEqual([]);
  });
});

describe('people', () => {
  test('a name and a login are one person’s', async () => {
    const [id] = await shop.inside((trx) =>
      insertPeople(trx, shop.shopId, [
        { name: 'Maartje', role: 'hand', login: null, secretHash: 'x'.repeat(60) },
      ]),
    );
    const taken = (by: { name: string } | { login: string }) => shop.inside((trx) => isTaken(trx, by));
    expect(await taken({ name: 'Maartje' })).toBe(true);
    expect(await taken({ name: 'Nobody' })).toBe(false);
    expect(await taken({ login: 'ilse' })).toBe(true);
    expect(id).toBeDefined();
  });

  test('whoever has left is in no list to choose from, and stands in the list of all', async () => {
    const gone = (await shop.inside((trx) => manyPeople(trx))).find((p) => p.name === 'Maartje');
    await shop.inside((trx) => setActive(trx, gone?.id ?? '', false, AT));
    const names = async (of: typeof manyPeople): Promise<string[]> =>
      (await shop.inside((trx) => of(trx))).map((p) => p.name);
    expect(await names(manyActivePeople)).not.toContain('Maartje');
    expect(await names(manyPeople)).toContain('Maartje');
    await shop.inside((trx) => setActive(trx, gone?.id ?? '', true, AT));
    expect(await names(manyActivePeople)).toContain('Maartje');
  });

  test('a person whose word was changed meanwhile is not who was asked', async () => {
    const asked = await shop.inside((trx) => maybePerson(trx, shop.personId));
    if (!asked) throw new Error('they are there');
    expect(await shop.inside((trx) => isStill(trx, asked))).toBe(true);
    await shop
      .owner('person')
      .where({ id: shop.personId })
      .update({ secret_hash: 'y'.repeat(60) });
    expect(await shop.inside((trx) => isStill(trx, asked))).toBe(false);
  });
});
