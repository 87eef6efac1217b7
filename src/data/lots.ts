import type { Purpose } from '../core/protocol/ways';
import type { Droop } from '../core/vase-life/types';
import { isLocked, type Trx } from './connection';
import { RefusedError } from './errors';
import { writeEntry, type Action } from './record';

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
  readonly lengthCm: number | null;
  readonly headsMin: number | null;
  /** Counted fewer than the note said; negative where there were more. */
  readonly stemsShort: number;
  readonly decision: DockDecision | null;
  /** ISO date it is set aside for; null when it is for use now. */
  readonly forDay: string | null;
  /** The lot it was put to; null while it is its own. */
  readonly mergedInto: string | null;
  readonly inHandBy: string | null;
  readonly inHandByName: string | null;
  readonly inHandAt: Date | null;
  readonly purpose: Purpose;
  /** ISO date of the event it is for; null where it is for none. */
  readonly eventOn: string | null;
  /** Its sap runs: it shares no water with another kind. */
  readonly sapOpen: boolean;
  readonly version: number;
}

/** What was decided of a lot at the dock. */
export type DockDecision = 'accepted' | 'use first' | 'reduced price' | 'refused';

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
  lengthCm: 'l.length_cm',
  headsMin: 'l.heads_min',
  stemsShort: 'l.stems_short',
  decision: 'l.decision',
  forDay: 'l.for_day',
  mergedInto: 'l.merged_into',
  inHandBy: 'l.in_hand_by',
  inHandByName: 'h.name',
  inHandAt: 'l.in_hand_at',
  purpose: 'l.purpose',
  eventOn: 'l.event_on',
  sapOpen: 'l.sap_open',
  version: 'l.version',
};

function lots(trx: Trx) {
  return trx('lot as l')
    .join('delivery as d', 'd.id', 'l.delivery_id')
    .leftJoin('pail_fill as f', 'f.id', 'l.fill_id')
    .leftJoin('pail as p', 'p.id', 'f.pail_id')
    .leftJoin('person as h', 'h.id', 'l.in_hand_by')
    .select(COLUMNS);
}

/** Every lot with stems left, oldest number first. */
export async function manyLotsInStock(trx: Trx): Promise<LotRow[]> {
  return lots(trx).where('l.stems_left', '>', 0).orderBy('l.number') as Promise<LotRow[]>;
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

/** Puts back stems that a correction un-takes; a lot that was put to another since, into that one. */
export async function returnStems(trx: Trx, lotId: string, stems: number): Promise<void> {
  const lot = await oneLotForUpdate(trx, lotId);
  if (lot.mergedInto === null) return changeLot(trx, lotId, { stems_left: lot.stemsLeft + stems });
  const into = await oneLotForUpdate(trx, lot.mergedInto);
  await changeLot(trx, into.id, {
    stems_booked: into.stemsBooked + stems,
    stems_left: into.stemsLeft + stems,
  });
}

/** Bins stems of a lot, with the reason. */
export async function binStems(
  trx: Trx,
  action: Action,
  lotId: string,
  stems: number,
  reason: string,
): Promise<void> {
  const lot = await takeStems(trx, lotId, stems);
  await writeEntry(trx, action, {
    kind: 'bin',
    subjectKind: 'lot',
    subjectId: lotId,
    words: `Binned ${stems} of ${lotWords(lot)}: ${reason}`,
    detail: { stems, reason },
  });
}
