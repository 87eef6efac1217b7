import type { Droop } from '../core/vase-life/types';
import { isLocked, type Trx } from './connection';
import { RefusedError } from './errors';
import { newId } from './ids';
import { writeEntry, type Deed } from './record';

/** A lot as it stands, with where it is. */
export interface LotRow {
  readonly id: string;
  readonly number: number;
  readonly deliveryId: string;
  readonly supplier: string;
  readonly deliveryRef: string;
  readonly line: number;
  readonly speciesKey: string;
  readonly variety: string | null;
  readonly colour: string | null;
  readonly stemsBooked: number;
  readonly stemsLeft: number;
  readonly cutDate: string;
  readonly origin: string | null;
  readonly packing: string;
  readonly arrivedAt: Date;
  readonly agedDays: number;
  readonly airShare: number;
  readonly stage: number;
  readonly droop: Droop;
  readonly lookedAt: Date | null;
  readonly planNo: number;
  readonly fillId: string | null;
  readonly pailId: string | null;
  readonly pailName: string | null;
  readonly filledAt: Date | null;
  readonly fillSolution: string | null;
  readonly fillTempC: number | null;
  readonly fillStart: 'clean' | 'rinsed' | 'reused' | null;
  readonly roomId: string;
  /** Per stem; null where the note bore no price. */
  readonly unitPrice: number | null;
  readonly currency: string | null;
  readonly version: number;
}

const COLUMNS = {
  id: 'l.id',
  number: 'l.number',
  deliveryId: 'l.delivery_id',
  supplier: 'd.supplier',
  deliveryRef: 'd.delivery_ref',
  line: 'l.line',
  speciesKey: 'l.species_key',
  variety: 'l.variety',
  colour: 'l.colour',
  stemsBooked: 'l.stems_booked',
  stemsLeft: 'l.stems_left',
  cutDate: 'l.cut_date',
  origin: 'l.origin',
  packing: 'l.packing',
  arrivedAt: 'l.arrived_at',
  agedDays: 'l.aged_days',
  airShare: 'l.air_share',
  stage: 'l.stage',
  droop: 'l.droop',
  lookedAt: 'l.looked_at',
  planNo: 'l.plan_no',
  fillId: 'l.fill_id',
  pailId: 'f.pail_id',
  pailName: 'p.name',
  filledAt: 'f.filled_at',
  fillSolution: 'f.solution',
  fillTempC: 'f.temp_c',
  fillStart: 'f.start',
  roomId: 'l.room_id',
  unitPrice: 'l.unit_price',
  currency: 'l.currency',
  version: 'l.version',
};

function lots(trx: Trx) {
  return trx('lot as l')
    .join('delivery as d', 'd.id', 'l.delivery_id')
    .leftJoin('pail_fill as f', 'f.id', 'l.fill_id')
    .leftJoin('pail as p', 'p.id', 'f.pail_id')
    .select(COLUMNS);
}

/** Every lot with stems left, oldest number first. */
export async function manyLotsInStock(trx: Trx): Promise<LotRow[]> {
  return lots(trx).where('l.stems_left', '>', 0).orderBy('l.number') as Promise<LotRow[]>;
}

export async function maybeLot(trx: Trx, id: string): Promise<LotRow | undefined> {
  return lots(trx).where('l.id', id).first() as Promise<LotRow | undefined>;
}

/**
 * The lot, its row locked until the transaction ends.
 * @throws RefusedError when the shop has no such lot
 */
export async function oneLotForUpdate(trx: Trx, id: string): Promise<LotRow> {
  const lot = (await isLocked(trx, 'lot', id)) ? await maybeLot(trx, id) : undefined;
  if (!lot)
    throw new RefusedError('That lot is not in this shop. Nothing was changed; look at the dock again.');
  return lot;
}

export async function changeLot(
  trx: Trx,
  id: string,
  changes: Readonly<Record<string, unknown>>,
): Promise<void> {
  await trx('lot')
    .where({ id })
    .update({ ...changes, version: trx.raw('version + 1') });
}

export const lotWords = (lot: Pick<LotRow, 'number'>): string => `lot ${lot.number}`;

/** Takes stems out of a lot; two people after the last ones take turns, and the second is told. */
export async function takeStems(trx: Trx, lotId: string, stems: number): Promise<LotRow> {
  const lot = await oneLotForUpdate(trx, lotId);
  if (lot.stemsLeft < stems)
    throw new RefusedError(
      lot.stemsLeft === 0
        ? `Lot ${lot.number} is used up. Nothing was taken; choose another lot.`
        : `Lot ${lot.number} has ${lot.stemsLeft} left, not ${stems}. Nothing was taken; take fewer or choose another lot.`,
    );
  await changeLot(trx, lotId, { stems_left: lot.stemsLeft - stems });
  return lot;
}

/** Puts back stems that a correction un-takes. */
export async function returnStems(trx: Trx, lotId: string, stems: number): Promise<void> {
  const lot = await oneLotForUpdate(trx, lotId);
  await changeLot(trx, lotId, { stems_left: lot.stemsLeft + stems });
}

/** Bins stems of a lot, with the reason. */
export async function binStems(
  trx: Trx,
  deed: Deed,
  lotId: string,
  stems: number,
  reason: string,
): Promise<void> {
  const lot = await takeStems(trx, lotId, stems);
  await writeEntry(trx, deed, {
    kind: 'bin',
    subjectKind: 'lot',
    subjectId: lotId,
    words: `Binned ${stems} of ${lotWords(lot)}: ${reason}`,
    detail: { stems, reason },
  });
}

/**
 * Takes some stems of a lot into a lot of their own: one line that came in two states. The new lot
 * is as the old one was booked, not yet looked at, in the same water and place.
 */
export async function splitLot(
  trx: Trx,
  deed: Deed,
  lotId: string,
  stems: number,
): Promise<{ lotId: string; number: number; from: LotRow }> {
  const from = await takeStems(trx, lotId, stems);
  if (from.stemsLeft === stems)
    throw new RefusedError(
      `That is all of lot ${from.number}: nothing would be left in it. Nothing was split; take fewer.`,
    );
  await changeLot(trx, lotId, { stems_booked: from.stemsBooked - stems });
  // One at a time, as when a delivery is booked, so that no number is handed out twice.
  await trx.raw('select pg_advisory_xact_lock(hashtextextended(?, 1))', [deed.shopId]);
  const last = (await trx('lot').max<{ max: number | null }[]>('number'))[0]?.max ?? 0;
  const id = newId();
  await trx.raw(
    `insert into lot (id, shop_id, number, delivery_id, line, species_key, variety, colour, length_cm, heads_min,
       stems_booked, stems_left, cut_date, origin, packing, unit_price, currency, arrived_at, aged_days, air_share,
       stage, droop, plan_no, fill_id, room_id)
     select ?::uuid, shop_id, ?, delivery_id, line, species_key, variety, colour, length_cm, heads_min,
       ?, ?, cut_date, origin, packing, unit_price, currency, arrived_at, aged_days, air_share,
       stage, droop, 1, fill_id, room_id
     from lot where id = ?`,
    [id, last + 1, stems, stems, lotId],
  );
  return { lotId: id, number: last + 1, from };
}

/**
 * Puts a split-off lot back into the one it came from.
 * @throws RefusedError when something was done with either since
 */
export async function joinLots(trx: Trx, lotId: string, splitOffId: string): Promise<void> {
  const [lot, splitOff] = [await oneLotForUpdate(trx, lotId), await oneLotForUpdate(trx, splitOffId)];
  if (splitOff.stemsLeft !== splitOff.stemsBooked)
    throw new RefusedError(
      `Stems of lot ${splitOff.number} were used or binned since. Nothing was changed; take that back first.`,
    );
  const { stemsBooked } = splitOff;
  // A lot without stems is in no list; its number is never used again.
  await changeLot(trx, splitOffId, { stems_left: 0 });
  await changeLot(trx, lotId, {
    stems_booked: lot.stemsBooked + stemsBooked,
    stems_left: lot.stemsLeft + stemsBooked,
  });
}
