import type { Trx } from './connection';

/** A span of time: from its first moment, and before its last. */
interface Span {
  readonly from: Date;
  readonly before: Date;
}

/** An entry about washing a pail, or about its water, its detail as it was written. */
export interface PailEntry {
  readonly kind: 'wash' | 'water-look' | 'water-reading' | 'top-up';
  readonly pailId: string;
  readonly pail: string;
  readonly at: Date;
  readonly who: string;
  readonly detailVersion: number;
  readonly detail: unknown;
}

/** More than this is for a shorter period. */
export const MOST_ENTRIES = 20_000;

/** What was done to pails in a span, or to one of them, the oldest first; what was taken back is left out. */
export async function manyPailEntries(
  trx: Trx,
  { from, before }: Span,
  pailId: string | null = null,
): Promise<PailEntry[]> {
  const { rows } = await trx.raw<{ rows: PailEntry[] }>(
    `select e.kind, e.subject_id as "pailId", p.name as pail, e.at, coalesce(h.name, w.name) as who,
            e.detail_v as "detailVersion", e.detail
       from record_entry e
       join pail p on p.id = e.subject_id
       join person w on w.id = e.person_id
       left join person h on h.id = e.hands_id
      where e.at >= ? and e.at < ? and e.kind in ('wash','water-look','water-reading','top-up')
        and (?::uuid is null or e.subject_id = ?)
        and not exists (select 1 from record_entry c where c.shop_id = e.shop_id and c.corrects = e.id)
      order by e.at, e.id limit ?`,
    [from, before, pailId, pailId, MOST_ENTRIES],
  );
  return rows;
}

/** Water that stood in a pail in a span, or for a part of it. */
export interface FillStood {
  readonly pail: string;
  readonly filledAt: Date;
  readonly emptiedAt: Date | null;
  readonly solution: string;
  readonly start: 'clean' | 'rinsed' | 'reused';
  readonly reason: string | null;
  /** Whoever did what it was filled by; nobody where the record tells it otherwise. */
  readonly who: string | null;
  /** Keys of the species that stood in it. */
  readonly species: readonly string[];
}

export async function manyFillsStood(trx: Trx, { from, before }: Span): Promise<FillStood[]> {
  const { rows } = await trx.raw<{ rows: FillStood[] }>(
    `select p.name as pail, f.filled_at as "filledAt", f.emptied_at as "emptiedAt", f.solution, f.start,
            f.override_reason as reason, d.who, s.species
       from pail_fill f
       join pail p on p.id = f.pail_id
       left join lateral (
         select coalesce(h.name, w.name) as who from record_entry e
           join person w on w.id = e.person_id left join person h on h.id = e.hands_id
          where e.at = f.filled_at and position(f.id::text in e.detail::text) > 0
          order by e.id limit 1) d on true
       left join lateral (
         select coalesce(array_agg(distinct l.species_key), '{}') as species from stay t
           join portion o on o.id = t.portion_id join lot l on l.id = o.lot_id
          where t.fill_id = f.id) s on true
      where f.filled_at < ? and (f.emptied_at is null or f.emptied_at >= ?)
      order by f.filled_at limit ?`,
    [before, from, MOST_ENTRIES],
  );
  return rows;
}
