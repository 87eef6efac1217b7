import type { RelayJob } from '../core/sanitising/relay-job';
import type { Sanitiser } from '../core/sanitising/sanitiser';
import type { Trx } from './connection';
import { newId } from './ids';

/** What the shop says it sanitises with. */
export async function maybeSanitiser(trx: Trx): Promise<Sanitiser | undefined> {
  return trx('sanitiser').first<Sanitiser | undefined>({
    name: 'name',
    percent: 'percent',
    madeOn: 'made_on',
    storageC: 'storage_c',
    targetPpm: 'target_ppm',
    contactMin: 'contact_min',
  });
}

export async function setSanitiser(trx: Trx, shopId: string, s: Sanitiser): Promise<void> {
  await trx('sanitiser')
    .insert({
      shop_id: shopId,
      name: s.name,
      percent: s.percent,
      made_on: s.madeOn,
      storage_c: s.storageC,
      target_ppm: s.targetPpm,
      contact_min: s.contactMin,
    })
    .onConflict('shop_id')
    .merge();
}

/** The relay that is being run. */
export interface OpenRelay {
  readonly id: string;
  readonly begunAt: Date;
  readonly job: RelayJob;
}

export async function maybeOpenRelay(trx: Trx): Promise<OpenRelay | undefined> {
  return trx('relay')
    .whereNull('ended_at')
    .first<OpenRelay | undefined>({ id: 'id', begunAt: 'begun_at', job: 'plan' });
}

export async function beginRelay(
  trx: Trx,
  shopId: string,
  personId: string,
  job: RelayJob,
  at: Date,
): Promise<string> {
  const id = newId();
  const plan = JSON.stringify(job);
  await trx('relay').insert({ id, shop_id: shopId, begun_at: at, begun_by: personId, plan });
  return id;
}

/** Ends a relay. @returns whether it was being run */
export async function endRelay(trx: Trx, id: string, at: Date): Promise<boolean> {
  const ended = await trx('relay')
    .where({ id })
    .whereNull('ended_at')
    .update({ ended_at: trx.raw('greatest(?::timestamptz, begun_at)', [at]) });
  return ended > 0;
}
