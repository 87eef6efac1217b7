import type { Trx } from './connection';

/** Somebody signed in somewhere. */
export interface SessionRow {
  readonly id: string;
  readonly personId: string;
  readonly beganAt: Date;
  readonly address: string;
  readonly device: string;
}

/** Begins a session; those of the same person that are older than a session lasts are ended with it. */
export async function beginSession(
  trx: Trx,
  shopId: string,
  session: SessionRow,
  lastsMs: number,
): Promise<void> {
  await trx('session')
    .where({ person_id: session.personId })
    .whereNull('ended_at')
    .where('began_at', '<', new Date(session.beganAt.getTime() - lastsMs))
    .update({ ended_at: trx.raw(`began_at + ? * interval '1 millisecond'`, [lastsMs]) });
  await trx('session').insert({
    id: session.id,
    shop_id: shopId,
    person_id: session.personId,
    began_at: session.beganAt,
    address: session.address,
    device: session.device,
  });
}

/** Sessions that may last still, the newest first. */
export async function manyOpenSessions(trx: Trx, since: Date): Promise<SessionRow[]> {
  return trx('session')
    .whereNull('ended_at')
    .where('began_at', '>=', since)
    .orderBy('began_at', 'desc')
    .select({
      id: 'id',
      personId: 'person_id',
      beganAt: 'began_at',
      address: 'address',
      device: 'device',
    }) as Promise<SessionRow[]>;
}

/** Ends one session of somebody's, or with null all of them. @returns how many */
export async function endSessions(
  trx: Trx,
  personId: string,
  sessionId: string | null,
  at: Date,
): Promise<number> {
  return trx('session')
    .where({ person_id: personId, ...(sessionId === null ? {} : { id: sessionId }) })
    .whereNull('ended_at')
    .update({ ended_at: trx.raw('greatest(?::timestamptz, began_at)', [at]) });
}

/** Whether anybody of the shop signed in from there of late. */
export async function isKnownAddress(trx: Trx, address: string, since: Date): Promise<boolean> {
  const found: unknown = await trx('session').where({ address }).where('began_at', '>=', since).first('id');
  return found !== undefined;
}
