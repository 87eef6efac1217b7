import type { RelayJob } from '../core/sanitising/relay-job';
import type { Sanitiser } from '../core/sanitising/sanitiser';
import { readStoredJob } from '../core/sanitising/stored-job';
import type { StripsOf } from '../core/sanitising/strip';
import type { Trx } from './connection';
import { newId } from './ids';

/** What the shop says it sanitises with. */
export async function maybeSanitiser(trx: Trx): Promise<Sanitiser | undefined> {
  const found = await trx('sanitiser').first<
    (Omit<Sanitiser, 'cup'> & { cupName: string | null; cupMl: number | null }) | undefined
  >({
    name: 'name',
    percent: 'percent',
    madeOn: 'made_on',
    storageC: 'storage_c',
    targetPpm: 'target_ppm',
    contactMin: 'contact_min',
    cupName: 'cup_name',
    cupMl: 'cup_ml',
    pricePerL: 'price_per_l',
    waterPerM3: 'water_per_m3',
  });
  if (!found) return undefined;
  const { cupName, cupMl, ...bottle } = found;
  return { ...bottle, cup: cupName === null || cupMl === null ? null : { name: cupName, ml: cupMl } };
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
      cup_name: s.cup?.name ?? null,
      cup_ml: s.cup?.ml ?? null,
      price_per_l: s.pricePerL,
      water_per_m3: s.waterPerM3,
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
  const found = await trx('relay')
    .whereNull('ended_at')
    .first<{ id: string; begunAt: Date; job: unknown } | undefined>({
      id: 'id',
      begunAt: 'begun_at',
      job: 'plan',
    });
  return found && { ...found, job: readStoredJob(found.job) };
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

/** What is still to come of a relay, reckoned anew. */
export async function setRelayJob(trx: Trx, id: string, job: RelayJob): Promise<void> {
  await trx('relay')
    .where({ id })
    .update({ plan: JSON.stringify(job) });
}

/** A strip as it was read. */
interface StripReading {
  readonly relayId: string;
  readonly pass: number;
  readonly dirt: StripsOf['dirt'];
  readonly predictedPpm: number;
  readonly readPpm: number;
  readonly demandMg: number;
}

/** Writes a reading down. @returns false where that pass has one already */
export async function insertStrip(
  trx: Trx,
  shopId: string,
  personId: string,
  strip: StripReading,
  at: Date,
): Promise<boolean> {
  const written = await trx('strip_reading')
    .insert({
      id: newId(),
      shop_id: shopId,
      relay_id: strip.relayId,
      pass: strip.pass,
      dirt: strip.dirt,
      predicted_ppm: strip.predictedPpm.toFixed(1),
      read_ppm: strip.readPpm,
      demand_mg: strip.demandMg.toFixed(1),
      read_at: at,
      read_by: personId,
    })
    .onConflict(['relay_id', 'pass'])
    .ignore()
    .returning<{ id: string }[]>('id');
  return written.length > 0;
}

/** What the shop's strips say its pails take up, by how dirty they were. */
export async function manyStripMeans(trx: Trx): Promise<StripsOf[]> {
  const { rows } = await trx.raw<{ rows: StripsOf[] }>(
    `select dirt, count(*)::int as readings, avg(demand_mg)::float8 as "meanMg" from strip_reading group by dirt`,
  );
  return rows;
}
