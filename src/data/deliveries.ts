import type { ProtocolStep } from '../core/protocol/types';
import type { Trx } from './connection';
import { RefusedError } from './errors';
import { newId } from './ids';
import { writeEntry, type Action } from './record';
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

/** Books lots of a delivery that is there: one at a time, so that no number is handed out twice. */
export async function bookLots(
  trx: Trx,
  shopId: string,
  deliveryId: string,
  { lots, arrivedAt, roomId }: Pick<NewDelivery, 'lots' | 'arrivedAt' | 'roomId'>,
): Promise<string[]> {
  // One at a time, so that two deliveries booked at once do not hand out the same lot numbers.
  await trx.raw('select pg_advisory_xact_lock(hashtextextended(?, 1))', [shopId]);
  const last = (await trx('lot').max<{ max: number | null }[]>('number'))[0]?.max ?? 0;
  const ids = lots.map(() => newId());
  await trx.batchInsert(
    'lot',
    lots.map((lot, i) => ({
      id: ids[i],
      shop_id: shopId,
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
      arrived_at: arrivedAt,
      aged_days: lot.agedDays,
      air_share: lot.airShare,
      stage: lot.stage,
      droop: lot.droop,
      room_id: roomId,
    })),
    200,
  );
  await insertFirstPlans(
    trx,
    shopId,
    lots.map((lot, i) => ({ lotId: ids[i] ?? '', plan: lot.plan })),
  );
  return ids;
}

/** Books a delivery in: its lots, their protocols and the entry, together or not at all. */
export async function bookDelivery(
  trx: Trx,
  action: Action,
  delivery: NewDelivery,
): Promise<{ deliveryId: string; lotIds: string[] }> {
  const deliveryId = newId();
  const shop_id = action.shopId;
  await trx('delivery').insert({
    id: deliveryId,
    shop_id,
    supplier: delivery.supplier,
    delivery_ref: delivery.deliveryRef,
    booked_at: action.at,
    booked_by: action.personId,
  });
  const ids = await bookLots(trx, shop_id, deliveryId, delivery);
  await writeEntry(trx, action, {
    kind: 'book-in',
    subjectKind: 'delivery',
    subjectId: deliveryId,
    words: `Booked in ${delivery.deliveryRef} from ${delivery.supplier}, ${delivery.lots.length} lots`,
    detail: { lots: ids },
  });
  return { deliveryId, lotIds: ids };
}

export async function isBooked(trx: Trx, supplier: string, deliveryRef: string): Promise<boolean> {
  const found: unknown = await trx('delivery')
    .where({ supplier, delivery_ref: deliveryRef })
    .whereNull('taken_back_at')
    .first('id');
  return found !== undefined;
}

interface LotUntouched {
  readonly id: string;
  readonly stems_booked: number;
  readonly stems_left: number;
  readonly fill_id: string | null;
  readonly looked_at: Date | null;
}

/**
 * Takes a whole booking back: its lots have no stems, its lines wait no more, its order is expected again.
 * @throws RefusedError when somebody has begun on any of it
 */
export async function unbookDelivery(trx: Trx, action: Action, deliveryId: string): Promise<void> {
  const lots = await trx('lot')
    .where({ delivery_id: deliveryId })
    .forUpdate()
    .select<LotUntouched[]>('id', 'stems_booked', 'stems_left', 'fill_id', 'looked_at');
  const begun = await trx('protocol_step')
    .whereIn(
      'lot_id',
      lots.map((l) => l.id),
    )
    .whereNot('status', 'waiting')
    .first<{ id: string } | undefined>('id');
  if (begun !== undefined || lots.some((l) => (l.stems_left !== l.stems_booked || l.fill_id) ?? l.looked_at))
    throw new RefusedError(
      'Some of it was looked at, put in water or used since. Nothing was changed; take that back first.',
    );
  const claimed = await trx('claim')
    .where({ delivery_id: deliveryId })
    .whereNot('state', 'withdrawn')
    .first<{ number: number } | undefined>('number');
  if (claimed)
    throw new RefusedError(
      `Claim ${claimed.number} of it stands. Nothing was changed; withdraw that one first.`,
    );
  await trx('lot')
    .where({ delivery_id: deliveryId })
    .update({ stems_left: 0, version: trx.raw('version + 1') });
  await trx('kept_line')
    .where({ delivery_id: deliveryId, fate: 'waiting' })
    .update({ fate: 'refused', reason: 'the note was taken back' });
  await trx('expected_delivery')
    .where({ delivery_id: deliveryId })
    .update({ state: 'expected', delivery_id: null });
  await trx('delivery').where({ id: deliveryId }).update({ taken_back_at: action.at });
}
