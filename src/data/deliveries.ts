import type { ProtocolStep } from '../core/protocol/types';
import type { Trx } from './connection';
import { RefusedError } from './errors';
import { newId } from './ids';
import { writeEntry, type Action } from './record';
import { nextLotNumber } from './lots';
import { beginLines } from './stays';
import { insertFirstPlans } from './steps';

export interface NewLot {
  readonly line: number;
  /** The supplier's own number of the line, as it is written. */
  readonly supplierLine?: string | null;
  readonly speciesKey: string;
  readonly variety: string | null;
  readonly colour: string | null;
  readonly lengthCm: number | null;
  readonly headsMin: number | null;
  readonly stems: number;
  /** As it was sold, where by the bunch. */
  readonly bunches?: number | null;
  readonly stemsPerBunch?: number | null;
  readonly remark?: string | null;
  readonly cutDate: string;
  readonly origin: string | null;
  readonly packing: string;
  /** Its feet stand in water as it comes. */
  readonly isWetPacked: boolean;
  readonly unitPrice: number | null;
  readonly currency: string | null;
  readonly agedDays: number;
  readonly airShare: number;
  readonly stage: number;
  readonly droop: string;
  readonly plan: readonly ProtocolStep[];
  /** When somebody looked at it; nobody has yet where it is not told. */
  readonly lookedAt?: Date;
}

export interface NewDelivery {
  readonly supplier: string;
  readonly deliveryRef: string;
  readonly roomId: string;
  readonly arrivedAt: Date;
  readonly lots: readonly NewLot[];
}

/** A lot's row; its stems are counted by its portions. */
const lotRow = (lot: NewLot, at: { shopId: string; deliveryId: string; arrivedAt: Date }) => ({
  shop_id: at.shopId,
  delivery_id: at.deliveryId,
  line: lot.line,
  supplier_line: lot.supplierLine ?? null,
  species_key: lot.speciesKey,
  variety: lot.variety,
  colour: lot.colour,
  length_cm: lot.lengthCm,
  heads_min: lot.headsMin,
  stems_booked: lot.stems,
  stems_left: 0,
  bunches: lot.bunches ?? null,
  stems_per_bunch: lot.stemsPerBunch ?? null,
  remark: lot.remark ?? null,
  cut_date: lot.cutDate,
  origin: lot.origin,
  packing: lot.packing,
  unit_price: lot.unitPrice,
  currency: lot.currency,
  arrived_at: at.arrivedAt,
  aged_days: lot.agedDays,
  air_share: lot.airShare,
  stage: lot.stage,
  droop: lot.droop,
  looked_at: lot.lookedAt ?? null,
});

/** Books lots of a delivery that is there, each one portion at the bench, under the shop's counters. */
export async function bookLots(
  trx: Trx,
  shopId: string,
  deliveryId: string,
  { lots, arrivedAt, roomId }: Pick<NewDelivery, 'lots' | 'arrivedAt' | 'roomId'>,
): Promise<string[]> {
  const first = await nextLotNumber(trx);
  const made = lots.map((lot, i) => ({ lot, number: first + i, lotId: newId(), portionId: newId() }));
  await trx.batchInsert(
    'lot',
    made.map(({ lot, number, lotId }) => ({
      id: lotId,
      number,
      ...lotRow(lot, { shopId, deliveryId, arrivedAt }),
    })),
    200,
  );
  await trx.batchInsert(
    'portion',
    made.map(({ lot, lotId, portionId }) => ({
      id: portionId,
      shop_id: shopId,
      lot_id: lotId,
      no: 1,
      stems: lot.stems,
    })),
    500,
  );
  await beginLines(
    trx,
    shopId,
    'portion_id',
    arrivedAt,
    made.map(({ lot, portionId }) => ({
      subjectId: portionId,
      roomId,
      wet: lot.isWetPacked,
      fillId: null,
    })),
  );
  await insertFirstPlans(
    trx,
    shopId,
    made.map(({ lot, portionId }) => ({ portionId, plan: lot.plan })),
  );
  return made.map((m) => m.lotId);
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
    says: {
      message: 'record.booked-stems',
      with: {
        delivery: delivery.deliveryRef,
        supplier: delivery.supplier,
        n: delivery.lots.length,
        stems: delivery.lots.reduce((sum, lot) => sum + lot.stems, 0),
      },
    },
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

export interface NamedDelivery {
  readonly supplier: string;
  readonly deliveryRef: string;
}

/** A delivery by what it is called. @throws RefusedError when the shop has no such delivery */
export async function oneDelivery(trx: Trx, id: string): Promise<NamedDelivery> {
  const found = await trx('delivery')
    .where({ id })
    .whereNull('taken_back_at')
    .first<NamedDelivery | undefined>({ supplier: 'supplier', deliveryRef: 'delivery_ref' });
  if (!found) throw new RefusedError('That delivery is not in this shop. Nothing was changed.', 'deliveryId');
  return found;
}

/** Calls a delivery by another supplier or number. */
export async function correctDelivery(trx: Trx, id: string, to: NamedDelivery): Promise<void> {
  await trx('delivery').where({ id }).update({ supplier: to.supplier, delivery_ref: to.deliveryRef });
}

/**
 * Takes a whole booking back: its lots have no stems, its lines wait no more, its order is expected again.
 * @throws RefusedError when somebody has begun on any of it
 */
export async function unbookDelivery(trx: Trx, action: Action, deliveryId: string): Promise<void> {
  const begun: unknown = await trx('lot as l')
    .where('l.delivery_id', deliveryId)
    .where((one) => {
      void one
        .whereRaw('l.stems_left <> l.stems_booked')
        .orWhereNotNull('l.looked_at')
        .orWhereExists(
          trx('protocol_step as s')
            .join('portion as o', 'o.id', 's.portion_id')
            .select(trx.raw('1'))
            .whereRaw(`o.lot_id = l.id and s.status <> 'waiting'`),
        );
    })
    .first('l.id');
  if (begun !== undefined)
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
  const portions = trx('portion as o')
    .join('lot as l', 'l.id', 'o.lot_id')
    .where('l.delivery_id', deliveryId);
  await trx('stay').whereIn('subject_id', portions.clone().select('o.id')).delete();
  await trx('portion').whereIn('id', portions.clone().select('o.id')).update({ stems: 0 });
  await trx('kept_line')
    .where({ delivery_id: deliveryId, fate: 'waiting' })
    .update({ fate: 'refused', reason: 'the note was taken back' });
  await trx('expected_delivery')
    .where({ delivery_id: deliveryId })
    .update({ state: 'expected', delivery_id: null });
  await trx('delivery').where({ id: deliveryId }).update({ taken_back_at: action.at });
}
