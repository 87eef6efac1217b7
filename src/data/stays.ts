import type { Ids, Trx } from './connection';
import { newId } from './ids';

/** A while in one place: a portion's, a pail's or an arrangement's. */
export interface StayRow {
  readonly id: string;
  readonly subjectId: string;
  readonly roomId: string;
  readonly tempC: number;
  readonly humidityPct: number;
  readonly litHours: number;
  readonly ethylenePpm: number;
  readonly wet: boolean;
  readonly fillId: string | null;
  readonly fromAt: Date;
  /** Null while it lasts. */
  readonly toAt: Date | null;
  /** The water stood in; null where it is dry, or a pack's own. */
  readonly filledAt: Date | null;
  readonly fillSolution: string | null;
  readonly fillTempC: number | null;
  readonly fillStart: 'clean' | 'rinsed' | 'reused' | null;
}

export type Whose = 'portion_id' | 'pail_id' | 'arrangement_id';
export interface Standing {
  readonly roomId: string;
  readonly wet: boolean;
  readonly fillId: string | null;
}

const COLUMNS = {
  id: 's.id',
  subjectId: 's.subject_id',
  roomId: 's.room_id',
  tempC: 's.temp_c',
  humidityPct: 's.humidity_pct',
  litHours: 's.lit_hours',
  ethylenePpm: 's.ethylene_ppm',
  wet: 's.wet',
  fillId: 's.fill_id',
  fromAt: 's.from_at',
  toAt: 's.to_at',
  filledAt: 'f.filled_at',
  fillSolution: 'f.solution',
  fillTempC: 'f.temp_c',
  fillStart: 'f.start',
};

/** Lines of stays of these portions, pails or arrangements, each in the order of time. */
export async function manyStays(trx: Trx, subjectIds: readonly string[]): Promise<StayRow[]> {
  return staysOf(trx, subjectIds);
}

/** The same of every portion that has stems. */
export async function manyStaysInStock(trx: Trx): Promise<StayRow[]> {
  return staysOf(trx, trx('portion').whereRaw('stems > 0').select('id'));
}

function staysOf(trx: Trx, subjectIds: Ids): Promise<StayRow[]> {
  return trx('stay as s')
    .leftJoin('pail_fill as f', 'f.id', 's.fill_id')
    .whereIn('s.subject_id', subjectIds as readonly string[])
    .orderBy(['s.subject_id', 's.from_at'])
    .select(COLUMNS) as Promise<StayRow[]>;
}

/** The stay that lasts; undefined where nothing of it is here. */
export async function maybeOpenStay(trx: Trx, subjectId: string): Promise<StayRow | undefined> {
  return trx('stay as s')
    .leftJoin('pail_fill as f', 'f.id', 's.fill_id')
    .where('s.subject_id', subjectId)
    .whereNull('s.to_at')
    .first(COLUMNS) as Promise<StayRow | undefined>;
}

const INSERT = `
insert into stay (id, shop_id, portion_id, pail_id, arrangement_id, room_id, temp_c, humidity_pct, lit_hours, wet, fill_id, from_at, follows)
select s.id, s.shop_id, s.portion_id, s.pail_id, s.arrangement_id, r.id, r.temp_c, r.humidity_pct, r.lit_hours, s.wet, s.fill_id, s.from_at, s.follows
from jsonb_to_recordset(?::jsonb) as s(id uuid, shop_id uuid, portion_id uuid, pail_id uuid, arrangement_id uuid,
  room_id uuid, wet boolean, fill_id uuid, from_at timestamptz, follows timestamptz)
join room r on r.id = s.room_id`;

interface NewStay extends Standing {
  readonly subjectId: string;
  readonly at: Date;
  readonly follows: Date | null;
}

/** Begins stays with their room's air as it is now; many in one statement. */
async function insertStays(trx: Trx, shopId: string, whose: Whose, stays: readonly NewStay[]): Promise<void> {
  const rows = stays.map((s) => ({
    id: newId(),
    shop_id: shopId,
    [whose]: s.subjectId,
    room_id: s.roomId,
    wet: s.wet,
    fill_id: s.fillId,
    from_at: s.at,
    follows: s.follows,
  }));
  if (rows.length > 0) await trx.raw(INSERT, [JSON.stringify(rows)]);
}

/** The first stays of what has just come or been made. */
export async function beginLines(
  trx: Trx,
  shopId: string,
  whose: Whose,
  at: Date,
  lines: readonly (Standing & { readonly subjectId: string })[],
): Promise<void> {
  await insertStays(
    trx,
    shopId,
    whose,
    lines.map((l) => ({ ...l, at, follows: null })),
  );
}

/**
 * Moves something: its stay ends and the next begins. Nothing where nothing changes; a second move
 * at the same instant puts the first right.
 */
export async function moveStay(
  trx: Trx,
  shopId: string,
  whose: Whose,
  subjectId: string,
  to: Partial<Standing>,
  at: Date,
): Promise<void> {
  const open = await maybeOpenStay(trx, subjectId);
  if (!open) return;
  const next: Standing = { roomId: open.roomId, wet: open.wet, fillId: open.fillId, ...to };
  if (next.roomId === open.roomId && next.wet === open.wet && next.fillId === open.fillId) return;
  if (at <= open.fromAt) {
    await trx.raw(
      `update stay set room_id = r.id, temp_c = r.temp_c, humidity_pct = r.humidity_pct, lit_hours = r.lit_hours,
         wet = ?, fill_id = ? from room r where stay.id = ? and r.id = ?`,
      [next.wet, next.fillId, open.id, next.roomId],
    );
    return;
  }
  await trx('stay').where({ id: open.id }).update({ to_at: at });
  await insertStays(trx, shopId, whose, [{ ...next, subjectId, at, follows: at }]);
}

/** Ends a line: the last of it is used up, or it was taken apart. */
export async function endLine(trx: Trx, subjectId: string, at: Date): Promise<void> {
  // A line that ends as it begins still was: a millisecond is the least it lasts.
  await trx.raw(
    `update stay set to_at = greatest(?::timestamptz, from_at + interval '1 millisecond') where subject_id = ? and to_at is null`,
    [at, subjectId],
  );
}

/** Gives a portion that was set apart the line of the one it came from. */
export async function copyLine(trx: Trx, fromId: string, toId: string): Promise<void> {
  await trx.raw(
    `insert into stay (id, shop_id, portion_id, room_id, temp_c, humidity_pct, lit_hours, ethylene_ppm, wet, fill_id, from_at, to_at, follows)
     select gen_random_uuid(), shop_id, ?::uuid, room_id, temp_c, humidity_pct, lit_hours, ethylene_ppm, wet, fill_id, from_at, to_at, follows
     from stay where subject_id = ? order by from_at`,
    [toId, fromId],
  );
}

/** A room's air was set anew: what stands in it stands in that air from now, and stood in the old until now. */
export async function airChanged(trx: Trx, shopId: string, roomId: string, at: Date): Promise<void> {
  const { rows: ended } = await trx.raw<{
    rows: { whose: Whose; id: string; wet: boolean; fill: string | null }[];
  }>(
    `update stay set to_at = ? where room_id = ? and to_at is null and from_at < ?
     returning case when portion_id is not null then 'portion_id' when pail_id is not null then 'pail_id'
       else 'arrangement_id' end as whose, subject_id as id, wet, fill_id as fill`,
    [at, roomId, at],
  );
  for (const whose of ['portion_id', 'pail_id', 'arrangement_id'] as const)
    await insertStays(
      trx,
      shopId,
      whose,
      ended
        .filter((e) => e.whose === whose)
        .map((e) => ({ subjectId: e.id, roomId, wet: e.wet, fillId: e.fill, at, follows: at })),
    );
}
