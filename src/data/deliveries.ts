import type { ProtocolStep } from '../core/protocol/types';
import type { Trx } from './connection';
import { newId } from './ids';
import { writeEntry, type Deed } from './record';
import { insertFirstPlans } from './steps';

export interface NewLot {
  readonly line: number;
  readonly speciesKey: string;
  readonly variety: string | null;
  readonly colour: string | null;
  readonly lengthCm: number | null;
  readonly headsMin: number | null;
  readonly stems: number;
  readonly cutDate: string;
  readonly origin: string | null;
  readonly packing: string;
  readonly unitPrice: number | null;
  readonly currency: string | null;
  readonly agedDays: number;
  readonly airShare: number;
  readonly stage: number;
  readonly droop: string;
  readonly plan: readonly ProtocolStep[];
}

export interface NewDelivery {
  readonly supplier: string;
  readonly deliveryRef: string;
  readonly roomId: string;
  readonly arrivedAt: Date;
  readonly lots: readonly NewLot[];
}

/** Books a delivery in: its lots, their protocols and the entry, together or not at all. */
export async function bookDelivery(
  trx: Trx,
  deed: Deed,
  delivery: NewDelivery,
): Promise<{ deliveryId: string; lotIds: string[] }> {
  const deliveryId = newId();
  const shop_id = deed.shopId;
  await trx('delivery').insert({
    id: deliveryId,
    shop_id,
    supplier: delivery.supplier,
    delivery_ref: delivery.deliveryRef,
    booked_at: deed.at,
    booked_by: deed.personId,
  });
  // One at a time, so that two deliveries booked at once do not hand out the same lot numbers.
  await trx.raw('select pg_advisory_xact_lock(hashtextextended(?, 1))', [shop_id]);
  const last = (await trx('lot').max<{ max: number | null }[]>('number'))[0]?.max ?? 0;
  const ids = delivery.lots.map(() => newId());
  await trx.batchInsert(
    'lot',
    delivery.lots.map((lot, i) => ({
      id: ids[i],
      shop_id,
      number: last + 1 + i,
      delivery_id: deliveryId,
      line: lot.line,
      species_key: lot.speciesKey,
      variety: lot.variety,
      colour: lot.colour,
      length_cm: lot.lengthCm,
      heads_min: lot.headsMin,
      stems_booked: lot.stems,
      stems_left: lot.stems,
      cut_date: lot.cutDate,
      origin: lot.origin,
      packing: lot.packing,
      unit_price: lot.unitPrice,
      currency: lot.currency,
      arrived_at: delivery.arrivedAt,
      aged_days: lot.agedDays,
      air_share: lot.airShare,
      stage: lot.stage,
      droop: lot.droop,
      room_id: delivery.roomId,
    })),
    200,
  );
  await insertFirstPlans(
    trx,
    shop_id,
    delivery.lots.map((lot, i) => ({ lotId: ids[i] ?? '', plan: lot.plan })),
  );
  await writeEntry(trx, deed, {
    kind: 'book-in',
    subjectKind: 'delivery',
    subjectId: deliveryId,
    words: `Booked in ${delivery.deliveryRef} from ${delivery.supplier}, ${delivery.lots.length} lots`,
    detail: { lots: ids },
  });
  return { deliveryId, lotIds: ids };
}

export async function isBooked(trx: Trx, supplier: string, deliveryRef: string): Promise<boolean> {
  return (await trx('delivery').where({ supplier, delivery_ref: deliveryRef }).first('id')) !== undefined;
}
