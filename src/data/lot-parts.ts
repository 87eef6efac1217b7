import type { Trx } from './connection';
import { RefusedError } from './errors';
import { newId } from './ids';
import { changeLot, nextLotNumber, oneLotForUpdate, type LotRow } from './lots';
import { changePortion, manyPortionsOfLot, nextPortionNo, setApart, type PortionRow } from './portions';
import { endLine } from './stays';

/**
 * Takes some stems of a lot into a lot of their own: one line that came in two states. The new lot
 * is as the old one was booked, not yet looked at, in the same water and place.
 */
export async function splitLot(
  trx: Trx,
  lotId: string,
  stems: number,
): Promise<{ lotId: string; portionId: string; number: number; from: LotRow }> {
  const from = await oneLotForUpdate(trx, lotId);
  const whole = await manyPortionsOfLot(trx, lotId);
  const source = whole.find((p) => p.stemsLeft > stems) ?? whole.find((p) => p.stemsLeft === stems);
  if (!source || from.stemsLeft <= stems)
    throw new RefusedError(
      from.stemsLeft === stems
        ? `That is all of lot ${from.number}: nothing would be left in it. Nothing was split; take fewer.`
        : `Lot ${from.number} has ${from.stemsLeft} left${whole.length > 1 ? ' in several pails' : ''}, not ${stems} together. Nothing was split; take fewer.`,
    );
  const [id, number] = [newId(), await nextLotNumber(trx)];
  await trx.raw(
    `insert into lot (id, shop_id, number, delivery_id, line, supplier_line, remark, species_key, variety, colour, length_cm, heads_min,
       stems_booked, stems_left, cut_date, origin, packing, unit_price, currency, arrived_at, aged_days, air_share,
       stage, droop)
     select ?::uuid, shop_id, ?, delivery_id, line, supplier_line, remark, species_key, variety, colour, length_cm, heads_min,
       ?, 0, cut_date, origin, packing, unit_price, currency, arrived_at, aged_days, air_share,
       stage, droop
     from lot where id = ?`,
    [id, number, stems, lotId],
  );
  let { id: portionId } = source;
  if (source.stemsLeft === stems) await changePortion(trx, source.id, { lot_id: id, no: 1 });
  else ({ portionId } = await setApart(trx, source, stems, id));
  await changeLot(trx, lotId, { stems_booked: from.stemsBooked - stems });
  return { lotId: id, portionId, number, from };
}

/** Two lots that may be one: why not, in words; null when they may. */
function whyNotOne(from: LotRow, into: LotRow): string | null {
  if (from.id === into.id) return 'That is the same lot.';
  if (from.speciesKey !== into.speciesKey) return 'They are two kinds of flower.';
  if (from.deliveryId !== into.deliveryId) return 'They came with two deliveries, and are not of one age.';
  if (from.cutDate !== into.cutDate) return 'They were cut on two days.';
  if (from.stemsLeft === 0 || into.stemsLeft === 0) return 'One of them has no stems left.';
  return null;
}

/** Two portions that are one heap: in the same place and water. */
const standTogether = (a: PortionRow, b: PortionRow): boolean =>
  a.fillId === b.fillId && a.roomId === b.roomId && a.isWet === b.isWet && a.sapOpen === b.sapOpen;

/** What a merge moved. */
export interface Merged {
  readonly fromId: string;
  readonly stems: number;
  readonly fromNumber: number;
  readonly intoNumber: number;
}

/**
 * Puts a lot to another of the same flower, delivery and cut: its portions become the other's, with
 * all that was used of them, so that what comes back to a portion comes back to where it is now.
 * @throws RefusedError when they are not one, with why
 */
export async function mergeLots(trx: Trx, fromId: string, intoId: string, at: Date): Promise<Merged> {
  const [from, into] = [await oneLotForUpdate(trx, fromId), await oneLotForUpdate(trx, intoId)];
  const why = whyNotOne(from, into);
  if (why) throw new RefusedError(`${why} Nothing was put together.`);
  await changeLot(trx, intoId, { stems_booked: into.stemsBooked + from.stemsBooked });
  const there = await manyPortionsOfLot(trx, intoId);
  const [heaps, moving] = [
    await manyPortionsOfLot(trx, fromId),
    await trx('portion').where({ lot_id: fromId }).orderBy('no').select<{ id: string }[]>('id'),
  ];
  let no = await nextPortionNo(trx, intoId);
  for (const { id } of moving) {
    await changePortion(trx, id, { lot_id: intoId, no: no++ });
    const heap = heaps.find((h) => h.id === id);
    const mate = heap && there.find((t) => standTogether(t, heap));
    if (!heap || !mate) continue;
    await trx('portion').where({ id: mate.id }).increment('stems', heap.stemsLeft);
    await changePortion(trx, id, { stems: 0 });
    await endLine(trx, id, at);
  }
  await changeLot(trx, fromId, { merged_into: intoId });
  return { fromId, stems: from.stemsLeft, fromNumber: from.number, intoNumber: into.number };
}
