import { sealData } from 'iron-session';
import type { Knex } from 'knex';
import { inShop } from '../../src/data/connection';
import { newId } from '../../src/data/ids';
import { beginSession } from '../../src/data/sessions';

const LASTS_S = 14 * 3600;

/** Signs somebody in without their secret, for benchmarks and hard tests. @returns the cookie their tablet would bear */
export async function signedIn(
  owner: Knex,
  person: { readonly id: string; readonly shop_id: string },
  at: Date,
): Promise<string> {
  const session = { id: newId(), personId: person.id, beganAt: at, address: 'a script', device: 'computer' };
  await inShop(owner, person.shop_id, (trx) => beginSession(trx, person.shop_id, session, LASTS_S * 1000));
  const sealed = await sealData(
    { shopId: person.shop_id, personId: person.id, sessionId: session.id },
    { password: process.env.HUSH_PAIL_SESSION_SECRET ?? '', ttl: LASTS_S },
  );
  return `hush-pail=${sealed}`;
}
