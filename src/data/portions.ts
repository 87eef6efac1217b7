import type { LookOutcome } from '../core/protocol/aftercare';
import type { Purpose } from '../core/protocol/ways';
import type { Droop } from '../core/vase-life/types';
import type { Trx } from './connection';
import { RefusedError } from './errors';
import { newId } from './ids';
import { FACT_COLUMNS, type LotFacts } from './lots';
import { copyLine, endLine } from './stays';

/** Stems of one lot that stand together and are worked on together: in one water, at one step. */
export interface PortionRow extends LotFacts {
  readonly id: string;
  readonly lotId: string;
  /** Its number within the lot, from 1. */
  readonly no: number;
  /** How many portions of its lot have stems. */
  readonly portions: number;
  readonly stemsLeft: number;
  /** As the lot came, whatever was seen since. */
  readonly droopCame: Droop;
  /** The last look back at it, and when; nulls where there was none. */
  readonly outcome: LookOutcome | null;
  readonly outcomeAt: Date | null;
  readonly planNo: number;
  readonly purpose: Purpose;
  /** ISO date of the event it is for; null where it is for none. */
  readonly eventOn: string | null;
  /** Its sap runs: it shares no water with another kind. */
  readonly sapOpen: boolean;
  /** The place it stands in; empty once its stems are gone. */
  readonly roomId: string;
  readonly isWet: boolean;
  readonly fillId: string | null;
  readonly pailId: string | null;
  readonly pailName: string | null;
  readonly filledAt: Date | null;
  readonly fillSolution: string | null;
  readonly fillTempC: number | null;
}

const COLUMNS = {
  ...FACT_COLUMNS,
  id: 'o.id',
  lotId: 'o.lot_id',
  no: 'o.no',
  stemsLeft: 'o.stems',
  planNo: 'o.plan_no',
  purpose: 'o.purpose',
  eventOn: 'o.event_on',
  sapOpen: 'o.sap_open',
  fillId: 's.fill_id',
  pailId: 'f.pail_id',
  pailName: 'p.name',
  filledAt: 'f.filled_at',
  fillSolution: 'f.solution',
  fillTempC: 'f.temp_c',
  droopCame: 'l.droop',
  outcome: 'seen.outcome',
  outcomeAt: 'seen.ended_at',
};

const LAST_LOOK = `left join lateral (select b.outcome, b.ended_at from protocol_step b
  where b.portion_id = o.id and b.outcome is not null order by b.ended_at desc, b.plan_no desc, b.position desc limit 1) as seen on true`;

function portions(trx: Trx) {
  return trx('portion as o')
    .join('lot as l', 'l.id', 'o.lot_id')
    .join('delivery as d', 'd.id', 'l.delivery_id')
    .leftJoin('stay as s', (on) => on.on('s.subject_id', 'o.id').andOnNull('s.to_at'))
    .leftJoin('pail_fill as f', 'f.id', 's.fill_id')
    .leftJoin('pail as p', 'p.id', 'f.pail_id')
    .leftJoin('person as h', 'h.id', 'l.in_hand_by')
    .joinRaw(LAST_LOOK)
    .select(COLUMNS)
    .select(
      trx.raw(`coalesce(o.droop, l.droop) as droop, coalesce(s.room_id::text, '') as "roomId", coalesce(s.wet, false) as "isWet",
        (select count(*)::int from portion n where n.lot_id = o.lot_id and n.stems > 0) as portions`),
    );
}

/** Every portion with stems, by lot and number. */
export async function manyPortionsInStock(trx: Trx): Promise<PortionRow[]> {
  return portions(trx).whereRaw('o.stems > 0').orderBy(['l.number', 'o.no']) as Promise<PortionRow[]>;
}

export async function manyPortionsOfLot(trx: Trx, lotId: string): Promise<PortionRow[]> {
  return portions(trx).where('o.lot_id', lotId).where('o.stems', '>', 0).orderBy('o.no') as Promise<
    PortionRow[]
  >;
}

/** What stands in a pail's water. */
export async function manyPortionsInFill(trx: Trx, fillId: string): Promise<PortionRow[]> {
  return portions(trx).where('s.fill_id', fillId).orderBy(['l.number', 'o.no']) as Promise<PortionRow[]>;
}

export async function maybePortion(trx: Trx, id: string): Promise<PortionRow | undefined> {
  return portions(trx).where('o.id', id).first() as Promise<PortionRow | undefined>;
}

/** The portion, its lot being locked by the action. @throws RefusedError when it is not there, or used up */
export async function onePortion(trx: Trx, id: string): Promise<PortionRow> {
  const found = await maybePortion(trx, id);
  if (!found)
    throw new RefusedError('That lot is not in this shop. Nothing was changed; look at the bench again.');
  if (found.stemsLeft === 0)
    throw new RefusedError(`${lotWords(found)} is used up. Nothing was changed; take another.`);
  return found;
}

/** How a portion is named: its lot's number, and its own where there are several. */
export function lotLabel({
  number,
  no,
  portions: of,
}: Pick<PortionRow, 'number' | 'no' | 'portions'>): string {
  return of > 1 ? `${number}·${no}` : String(number);
}
export const lotWords = (of: Pick<PortionRow, 'number' | 'no' | 'portions'>): string => `Lot ${lotLabel(of)}`;

export async function changePortion(
  trx: Trx,
  id: string,
  changes: Readonly<Record<string, unknown>>,
): Promise<void> {
  await trx('portion').where({ id }).update(changes);
}

/** Takes stems out of a portion; two people after the last ones take turns, and the second is told. */
export async function takeStems(trx: Trx, portionId: string, stems: number, at: Date): Promise<PortionRow> {
  const found = await maybePortion(trx, portionId);
  if (!found) throw new RefusedError('That lot is not in this shop. Nothing was taken.');
  if (found.stemsLeft < stems)
    throw new RefusedError(
      found.stemsLeft === 0
        ? `${lotWords(found)} is used up. Nothing was taken; choose another lot.`
        : `${lotWords(found)} has ${found.stemsLeft} left, not ${stems}. Nothing was taken; take fewer or choose another lot.`,
    );
  await changePortion(trx, portionId, { stems: found.stemsLeft - stems });
  if (found.stemsLeft === stems) await endLine(trx, portionId, at);
  return found;
}

/** A number no portion of the lot has had. */
export async function nextPortionNo(trx: Trx, lotId: string): Promise<number> {
  const [row] = await trx('portion').where({ lot_id: lotId }).max<{ max: number | null }[]>({ max: 'no' });
  return (row?.max ?? 0) + 1;
}

/**
 * Sets some stems of a portion apart: a portion of the same lot (or of another, where the lot itself
 * is split) that was where it was and is at the step it is at.
 * @throws RefusedError when nothing would be left
 */
export async function setApart(
  trx: Trx,
  from: PortionRow,
  stems: number,
  lotId: string = from.lotId,
): Promise<{ portionId: string; no: number }> {
  if (stems >= from.stemsLeft)
    throw new RefusedError(
      stems === from.stemsLeft
        ? `That is all of ${lotWords(from).toLowerCase()}: nothing would be left in it. Nothing was changed; take fewer.`
        : `${lotWords(from)} has ${from.stemsLeft} left, not ${stems}. Nothing was changed; take fewer.`,
    );
  const [portionId, no] = [newId(), await nextPortionNo(trx, lotId)];
  await changePortion(trx, from.id, { stems: from.stemsLeft - stems });
  await trx.raw(
    `insert into portion (id, shop_id, lot_id, no, stems, plan_no, droop, sap_open, purpose, event_on)
     select ?::uuid, shop_id, ?::uuid, ?, ?, 1, droop, sap_open, purpose, event_on from portion where id = ?`,
    [portionId, lotId, no, stems, from.id],
  );
  await copyLine(trx, from.id, portionId);
  await trx.raw(
    `insert into protocol_step (id, shop_id, portion_id, plan_no, position, kind, step, status, started_at, due_at, ended_at, used, outcome, hands_id)
     select gen_random_uuid(), shop_id, ?::uuid, 1, position, kind, step, status, started_at, due_at, ended_at, used, outcome, hands_id
     from protocol_step where portion_id = ? and plan_no = ?`,
    [portionId, from.id, from.planNo],
  );
  return { portionId, no };
}
