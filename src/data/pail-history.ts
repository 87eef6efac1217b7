import type { Trx } from './connection';

/** Water that stood in one pail, with what stood in it. */
export interface FillHad {
  readonly id: string;
  readonly filledAt: Date;
  readonly emptiedAt: Date | null;
  readonly solution: string;
  readonly litres: number;
  readonly start: 'clean' | 'rinsed' | 'reused';
  readonly overrideReason: string | null;
  /** Air of the room the pail stood in as it was filled, °C; null where it is not known. */
  readonly roomC: number | null;
}

/** The waters of a pail that stood since a moment, the newest first. */
export async function manyFillsOfPail(trx: Trx, pailId: string, since: Date): Promise<FillHad[]> {
  const { rows } = await trx.raw<{ rows: FillHad[] }>(
    `select f.id, f.filled_at as "filledAt", f.emptied_at as "emptiedAt", f.solution, f.litres, f.start,
            f.override_reason as "overrideReason", s.temp_c as "roomC"
       from pail_fill f
       left join stay s on s.subject_id = f.pail_id and s.from_at <= f.filled_at
                       and (s.to_at is null or s.to_at > f.filled_at)
      where f.pail_id = ? and (f.emptied_at is null or f.emptied_at >= ?)
      order by f.filled_at desc`,
    [pailId, since],
  );
  return rows;
}

/** Stems that stood in a water, from when to when. */
export interface StoodIn {
  readonly fillId: string;
  readonly lotId: string;
  readonly number: number;
  readonly no: number;
  readonly speciesKey: string;
  readonly variety: string | null;
  readonly fromAt: Date;
  /** Null while they stand in it. */
  readonly toAt: Date | null;
}

/** What stood in these waters, in the order it came to them. */
export async function manyStoodIn(trx: Trx, fillIds: readonly string[]): Promise<StoodIn[]> {
  return trx('stay as s')
    .join('portion as o', 'o.id', 's.portion_id')
    .join('lot as l', 'l.id', 'o.lot_id')
    .whereIn('s.fill_id', fillIds)
    .groupBy('s.fill_id', 'l.id', 'l.number', 'o.no', 'l.species_key', 'l.variety')
    .orderBy('fromAt')
    .select({
      fillId: 's.fill_id',
      lotId: 'l.id',
      number: 'l.number',
      no: 'o.no',
      speciesKey: 'l.species_key',
      variety: 'l.variety',
    })
    .select(
      trx.raw(
        `min(s.from_at) as "fromAt", case when bool_or(s.to_at is null) then null else max(s.to_at) end as "toAt"`,
      ),
    ) as Promise<StoodIn[]>;
}

/** A while of some of a lot's stems in one place. */
export interface LotStay {
  readonly no: number;
  readonly fromAt: Date;
  /** Null while it lasts. */
  readonly toAt: Date | null;
  readonly room: string;
  readonly wet: boolean;
  /** Nulls where it stood in no pail. */
  readonly pailId: string | null;
  readonly pail: string | null;
  readonly solution: string | null;
  readonly start: 'clean' | 'rinsed' | 'reused' | null;
}

/** Where a lot's stems stood since they came, portion by portion, each in the order of time. */
export async function manyStaysOfLot(trx: Trx, lotId: string): Promise<LotStay[]> {
  return trx('stay as s')
    .join('portion as o', 'o.id', 's.portion_id')
    .join('room as r', 'r.id', 's.room_id')
    .leftJoin('pail_fill as f', 'f.id', 's.fill_id')
    .leftJoin('pail as p', 'p.id', 'f.pail_id')
    .where('o.lot_id', lotId)
    .orderBy(['o.no', 's.from_at'])
    .select({
      no: 'o.no',
      fromAt: 's.from_at',
      toAt: 's.to_at',
      room: 'r.name',
      wet: 's.wet',
      pailId: 'p.id',
      pail: 'p.name',
      solution: 'f.solution',
      start: 'f.start',
    }) as Promise<LotStay[]>;
}
