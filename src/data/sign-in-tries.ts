import type { WrongTries } from '../core/people/sign-in-locks';
import type { Trx } from './connection';

/** Stands for every place that nobody of the shop signed in from. */
export const STRANGERS = 'strangers';

interface TryRow {
  readonly failed: number;
  readonly last_at: Date;
  readonly locked_until: Date | null;
}

/** Wrong tries for somebody from one place; null where there are none. `who` is an id, or what was typed for one. */
export async function maybeTries(trx: Trx, who: string, address: string): Promise<WrongTries | null> {
  const row = await trx<TryRow & { who: string; address: string }>('sign_in_try')
    .where({ who, address })
    .first();
  return row
    ? { failed: row.failed, lastAt: row.last_at.getTime(), lockedUntil: row.locked_until?.getTime() ?? null }
    : null;
}

/** Guesses for one person are counted one at a time, whether there is such a person or not. */
export async function lockTries(trx: Trx, shopId: string, who: string): Promise<void> {
  await trx.raw('select pg_advisory_xact_lock(hashtextextended(?, 5))', [`${shopId} ${who}`]);
}

export async function setTries(
  trx: Trx,
  shopId: string,
  who: string,
  address: string,
  tries: WrongTries,
): Promise<void> {
  const row = {
    shop_id: shopId,
    who,
    address,
    failed: tries.failed,
    last_at: new Date(tries.lastAt),
    locked_until: tries.lockedUntil === null ? null : new Date(tries.lockedUntil),
  };
  await trx('sign_in_try').insert(row).onConflict(['shop_id', 'who', 'address']).merge();
}

/** Forgets what was tried for somebody, from one place or from everywhere. */
export async function forgetTries(trx: Trx, who: string, address?: string): Promise<void> {
  await trx('sign_in_try')
    .where({ who, ...(address === undefined ? {} : { address }) })
    .delete();
}

/** Forgets what was tried so long ago that it locks nobody; what strangers typed does not stay for ever. */
export async function forgetOldTries(trx: Trx, before: Date): Promise<void> {
  await trx('sign_in_try').where('last_at', '<', before).delete();
}

/** Who is locked out somewhere now. */
export async function manyLocked(
  trx: Trx,
  at: Date,
): Promise<{ readonly who: string; readonly until: Date }[]> {
  return trx('sign_in_try')
    .where('locked_until', '>', at)
    .groupBy('who')
    .select('who')
    .max({ until: 'locked_until' }) as unknown as Promise<{ who: string; until: Date }[]>;
}
