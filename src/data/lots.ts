import type { Droop } from '../core/vase-life/types';
import { isLocked, type Trx } from './connection';
import { RefusedError } from './errors';

/** What is so of a lot as a whole, wherever its stems stand. */
export interface LotFacts {
  readonly number: number;
  readonly deliveryId: string;
  readonly supplier: string;
  readonly deliveryRef: string;
  readonly line: number;
  /** The supplier's own number of the line; null where it had none. */
  readonly supplierLine: string | null;
  readonly speciesKey: string;
  readonly variety: string | null;
  readonly colour: string | null;
  readonly stemsBooked: number;
  /** As it was sold, where by the bunch. */
  readonly bunches: number | null;
  readonly stemsPerBunch: number | null;
  readonly remark: string | null;
  readonly cutDate: string;
  readonly origin: string | null;
  readonly packing: string;
  readonly arrivedAt: Date;
  readonly agedDays: number;
  readonly airShare: number;
  readonly stage: number;
  /** As it came; of a portion, as it was last seen to hang. */
  readonly droop: Droop;
  readonly lookedAt: Date | null;
  /** Per stem; null where the note bore no price. */
  readonly unitPrice: number | null;
  readonly currency: string | null;
  readonly lengthCm: number | null;
  readonly headsMin: number | null;
  /** Counted fewer than the note said; negative where there were more. */
  readonly stemsShort: number;
  readonly decision: DockDecision | null;
  /** ISO date it is set aside for; null when it is for use now. */
  readonly forDay: string | null;
  readonly inHandBy: string | null;
  readonly inHandByName: string | null;
  readonly inHandAt: Date | null;
}

/** A lot as it stands, over all its portions. */
export interface LotRow extends LotFacts {
  readonly id: string;
  readonly stemsLeft: number;
  /** Names of the pails it stands in, in words; null while it stands in none. */
  readonly pailName: string | null;
  /** The lot it was put to; null while it is its own. */
  readonly mergedInto: string | null;
  readonly version: number;
}

/** What was decided of a lot at the dock. */
export type DockDecision = 'accepted' | 'use first' | 'reduced price' | 'refused';

/** Columns of what is so of a whole lot, of `lot as l`, `delivery as d` and whoever has it in hand, `h`. */
export const FACT_COLUMNS = {
  number: 'l.number',
  deliveryId: 'l.delivery_id',
  supplier: 'd.supplier',
  deliveryRef: 'd.delivery_ref',
  line: 'l.line',
  supplierLine: 'l.supplier_line',
  speciesKey: 'l.species_key',
  variety: 'l.variety',
  colour: 'l.colour',
  stemsBooked: 'l.stems_booked',
  bunches: 'l.bunches',
  stemsPerBunch: 'l.stems_per_bunch',
  remark: 'l.remark',
  cutDate: 'l.cut_date',
  origin: 'l.origin',
  packing: 'l.packing',
  arrivedAt: 'l.arrived_at',
  agedDays: 'l.aged_days',
  airShare: 'l.air_share',
  stage: 'l.stage',
  lookedAt: 'l.looked_at',
  unitPrice: 'l.unit_price',
  currency: 'l.currency',
  lengthCm: 'l.length_cm',
  headsMin: 'l.heads_min',
  stemsShort: 'l.stems_short',
  decision: 'l.decision',
  forDay: 'l.for_day',
  inHandBy: 'l.in_hand_by',
  inHandByName: 'h.name',
  inHandAt: 'l.in_hand_at',
};

const PAIL_NAMES = `(select string_agg(distinct p.name, ', ') from portion o
  join stay s on s.subject_id = o.id and s.to_at is null join pail_fill f on f.id = s.fill_id
  join pail p on p.id = f.pail_id where o.lot_id = l.id) as "pailName"`;

function lots(trx: Trx) {
  return trx('lot as l')
    .join('delivery as d', 'd.id', 'l.delivery_id')
    .leftJoin('person as h', 'h.id', 'l.in_hand_by')
    .select({
      ...FACT_COLUMNS,
      id: 'l.id',
      droop: 'l.droop',
      stemsLeft: 'l.stems_left',
      mergedInto: 'l.merged_into',
      version: 'l.version',
    })
    .select(trx.raw(PAIL_NAMES));
}

/** Every lot with stems left, oldest number first. */
export async function manyLotsInStock(trx: Trx): Promise<LotRow[]> {
  return lots(trx).whereRaw('l.stems_left > 0').orderBy('l.number') as Promise<LotRow[]>;
}

export async function maybeLot(trx: Trx, id: string): Promise<LotRow | undefined> {
  return lots(trx).where('l.id', id).first() as Promise<LotRow | undefined>;
}

export async function maybeLotByNumber(trx: Trx, number: number): Promise<LotRow | undefined> {
  return lots(trx).where('l.number', number).first() as Promise<LotRow | undefined>;
}

/** Says who has a box in hand; no entry of the record, and no change anybody could overwrite. */
export async function takeInHand(trx: Trx, lotId: string, personId: string, at: Date): Promise<void> {
  await trx('lot').where({ id: lotId }).update({ in_hand_by: personId, in_hand_at: at });
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

/** A number no lot of the shop has had: handed out one at a time, under the shop's counters. */
export async function nextLotNumber(trx: Trx): Promise<number> {
  return ((await trx('lot').max<{ max: number | null }[]>('number'))[0]?.max ?? 0) + 1;
}
