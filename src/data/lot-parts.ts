import type { Trx } from './connection';
import { RefusedError } from './errors';
import { newId } from './ids';
import { changeLot, oneLotForUpdate, takeStems, type LotRow } from './lots';
import type { Action } from './record';

/**
 * Takes some stems of a lot into a lot of their own: one line that came in two states. The new lot
 * is as the old one was booked, not yet looked at, in the same water and place.
 */
export async function splitLot(
  trx: Trx,
  action: Action,
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
  await trx.raw('select pg_advisory_xact_lock(hashtextextended(?, 1))', [action.shopId]);
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

/** Two lots that may be one: why not, in words; null when they may. */
function whyNotOne(from: LotRow, into: LotRow): string | null {
  if (from.id === into.id) return 'That is the same lot.';
  if (from.speciesKey !== into.speciesKey) return 'They are two kinds of flower.';
  if (from.deliveryId !== into.deliveryId) return 'They came with two deliveries, and are not of one age.';
  if (from.cutDate !== into.cutDate) return 'They were cut on two days.';
  if (from.fillId !== into.fillId) return 'They do not stand in the same water.';
  if (from.stemsLeft === 0 || into.stemsLeft === 0) return 'One of them has no stems left.';
  return null;
}

/** What a merge moved, for taking it back. */
export interface Merged {
  readonly fromId: string;
  readonly stems: number;
  readonly fromNumber: number;
  readonly intoNumber: number;
}

/**
 * Puts what is left of a lot into another of the same flower, delivery and water.
 * @throws RefusedError when they are not one, with why
 */
export async function mergeLots(trx: Trx, fromId: string, intoId: string): Promise<Merged> {
  // Locked in one order, so that two merges the two ways round do not wait for each other.
  const [a, b] = [fromId, intoId].sort();
  const locked = [await oneLotForUpdate(trx, a ?? ''), await oneLotForUpdate(trx, b ?? '')];
  const [from, into] = [locked.find((l) => l.id === fromId), locked.find((l) => l.id === intoId)];
  if (!from || !into) throw new RefusedError('That lot is not in this shop. Nothing was changed.');
  const why = whyNotOne(from, into);
  if (why) throw new RefusedError(`${why} Nothing was put together.`);
  const stems = from.stemsLeft;
  await changeLot(trx, fromId, { stems_left: 0, merged_into: intoId });
  await changeLot(trx, intoId, {
    stems_booked: into.stemsBooked + stems,
    stems_left: into.stemsLeft + stems,
  });
  return { fromId, stems, fromNumber: from.number, intoNumber: into.number };
}

/**
 * Parts what was merged.
 * @throws RefusedError when fewer are left than were put in
 */
export async function partLots(trx: Trx, intoId: string, merged: Merged): Promise<void> {
  const into = await oneLotForUpdate(trx, intoId);
  if (into.stemsLeft <= merged.stems)
    throw new RefusedError(
      `Lot ${into.number} has ${into.stemsLeft} left: too few to part again. Nothing was changed.`,
    );
  await changeLot(trx, intoId, {
    stems_booked: into.stemsBooked - merged.stems,
    stems_left: into.stemsLeft - merged.stems,
  });
  await changeLot(trx, merged.fromId, { stems_left: merged.stems, merged_into: null });
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
