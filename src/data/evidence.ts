import type { Weighing } from '../core/dock/grams';
import type { Trx } from './connection';
import { RefusedError } from './errors';
import { newId } from './ids';
import type { Action } from './record';

export type TakenAt = 'box' | 'water';

export interface TemperatureRow {
  readonly lotId: string;
  readonly place: TakenAt;
  readonly tempC: number;
}

/** The last temperature taken in each lot's box and water; those taken back left out. */
export async function manyTemperatures(trx: Trx, lotIds: readonly string[]): Promise<TemperatureRow[]> {
  const latest = trx('lot_temperature')
    .whereIn('lot_id', lotIds)
    .distinctOn('lot_id', 'place')
    .orderBy(['lot_id', 'place', { column: 'seq', order: 'desc' }])
    .as('t');
  return trx
    .from(latest)
    .whereNotNull('t.temp_c')
    .select({ lotId: 't.lot_id', place: 't.place', tempC: 't.temp_c' });
}

/** Writes down a temperature; null takes the last one back. */
export async function insertTemperature(
  trx: Trx,
  action: Action,
  lotId: string,
  place: TakenAt,
  tempC: number | null,
): Promise<void> {
  await trx('lot_temperature').insert({
    id: newId(),
    shop_id: action.shopId,
    lot_id: lotId,
    place,
    temp_c: tempC,
    taken_at: action.at,
    taken_by: action.personId,
  });
}

export interface PhotoRow {
  readonly id: string;
  readonly lotId: string;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly takenAt: Date;
}

const PHOTO_COLUMNS = {
  id: 'id',
  lotId: 'lot_id',
  widthPx: 'width_px',
  heightPx: 'height_px',
  takenAt: 'taken_at',
};
/** Of one lot; more says nothing that these do not. */
export const PHOTOS_A_LOT = 6;

/** Photographs of these lots, the oldest first, without their pictures. */
export async function manyPhotos(trx: Trx, lotIds: readonly string[]): Promise<PhotoRow[]> {
  return trx('lot_photo')
    .whereIn('lot_id', lotIds)
    .whereNull('withdrawn_at')
    .orderBy(['lot_id', 'taken_at'])
    .select(PHOTO_COLUMNS) as Promise<PhotoRow[]>;
}

/** The picture itself; undefined when the shop has no such one. */
export async function maybePhoto(trx: Trx, id: string): Promise<Buffer | undefined> {
  const row = await trx('lot_photo')
    .where({ id })
    .whereNull('withdrawn_at')
    .first<{ jpeg: Buffer } | undefined>('jpeg');
  return row?.jpeg;
}

/** The first pictures of each of these lots, for a sheet of paper. */
export async function manyPictures(
  trx: Trx,
  lotIds: readonly string[],
  eachAtMost: number,
): Promise<{ readonly lotId: string; readonly jpeg: Buffer }[]> {
  const ranked = trx('lot_photo')
    .whereIn('lot_id', lotIds)
    .whereNull('withdrawn_at')
    .select('lot_id', 'jpeg', trx.raw('row_number() over (partition by lot_id order by taken_at) as place'))
    .as('p');
  return trx.from(ranked).where('p.place', '<=', eachAtMost).select({ lotId: 'p.lot_id', jpeg: 'p.jpeg' });
}

/** Keeps a picture of a lot. @throws RefusedError when it has its fill of them */
export async function insertPhoto(
  trx: Trx,
  action: Action,
  lotId: string,
  picture: { readonly bytes: Uint8Array; readonly widthPx: number; readonly heightPx: number },
): Promise<string> {
  const there = await manyPhotos(trx, [lotId]);
  if (there.length >= PHOTOS_A_LOT)
    throw new RefusedError(
      `That lot has ${PHOTOS_A_LOT} photographs. This one was not kept; take one away first.`,
    );
  const id = newId();
  await trx('lot_photo').insert({
    id,
    shop_id: action.shopId,
    lot_id: lotId,
    jpeg: Buffer.from(picture.bytes),
    width_px: picture.widthPx,
    height_px: picture.heightPx,
    taken_at: action.at,
    taken_by: action.personId,
  });
  return id;
}

/** Takes a picture away, or with `at` null puts it back. */
export async function withdrawPhoto(trx: Trx, id: string, at: Date | null): Promise<void> {
  await trx('lot_photo').where({ id }).update({ withdrawn_at: at });
}

/** Bunches this shop has counted and weighed, of one species where it is asked; those taken back left out. */
export async function manyWeighings(trx: Trx, speciesKey?: string): Promise<Weighing[]> {
  return trx('bunch_weighing as w')
    .where(speciesKey === undefined ? {} : { 'w.species_key': speciesKey })
    .whereNull('w.corrects')
    .whereNotExists(trx('bunch_weighing as c').select(trx.raw('1')).whereRaw('c.corrects = w.id'))
    .orderBy('w.weighed_at', 'desc')
    .limit(2000)
    .select({
      speciesKey: 'w.species_key',
      lengthCm: 'w.length_cm',
      stems: 'w.stems',
      grams: 'w.grams',
    }) as Promise<Weighing[]>;
}

/** Writes a weighing down and answers its id. */
export async function insertWeighing(
  trx: Trx,
  action: Action,
  lotId: string,
  weighing: Weighing,
): Promise<string> {
  const id = newId();
  await trx('bunch_weighing').insert({
    id,
    shop_id: action.shopId,
    lot_id: lotId,
    species_key: weighing.speciesKey,
    length_cm: weighing.lengthCm,
    stems: weighing.stems,
    grams: weighing.grams,
    weighed_at: action.at,
    weighed_by: action.personId,
  });
  return id;
}

/** Takes a weighing back by a row that corrects it: both stand. */
export async function correctWeighing(trx: Trx, action: Action, id: string): Promise<void> {
  await trx.raw(
    `insert into bunch_weighing (id, shop_id, lot_id, species_key, length_cm, stems, grams, weighed_at, weighed_by, corrects)
     select ?::uuid, shop_id, lot_id, species_key, length_cm, stems, grams, ?, ?, id from bunch_weighing where id = ?`,
    [newId(), action.at, action.personId, id],
  );
}
