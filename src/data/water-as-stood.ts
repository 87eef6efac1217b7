import type { Droop } from '../core/vase-life/types';
import type { Trx } from './connection';

/** Stems that stood together, with what a forecast of theirs starts from. */
export interface PortionAsStood {
  readonly id: string;
  readonly lotId: string;
  readonly number: number;
  readonly speciesKey: string;
  readonly variety: string | null;
  readonly unitPrice: number | null;
  readonly currency: string | null;
  readonly arrivedAt: Date;
  readonly agedDays: number;
  readonly airShare: number;
  readonly stage: number;
  readonly droop: Droop;
  /** Still here or used in what was made: not what was binned. */
  readonly stems: number;
  readonly wasHotDipped: boolean;
  readonly isStripped: boolean;
}

/** Boxes older than this at the beginning of a span have nothing left in it. */
const OLDEST_DAYS = 30;

const DONE = `exists (select 1 from protocol_step b
  where b.portion_id = o.id and b.plan_no = o.plan_no and b.kind = ? and b.status in ('running','done'))`;

/** Portions of what came since a while before that moment, the newest first. */
export async function manyPortionsAsStood(trx: Trx, since: Date, limit: number): Promise<PortionAsStood[]> {
  const { rows } = await trx.raw<{ rows: PortionAsStood[] }>(
    `select o.id, l.id as "lotId", l.number, l.species_key as "speciesKey", l.variety, l.unit_price as "unitPrice",
            l.currency, l.arrived_at as "arrivedAt", l.aged_days as "agedDays", l.air_share as "airShare",
            l.stage, coalesce(o.droop, l.droop) as droop, o.stems + used.stems as stems,
            ${DONE} as "wasHotDipped", ${DONE} as "isStripped"
       from portion o
       join lot l on l.id = o.lot_id
       cross join lateral (select coalesce(sum(a.stems), 0)::int as stems
                             from arrangement_line a where a.portion_id = o.id) used
      where l.arrived_at >= ?::timestamptz - interval '${OLDEST_DAYS} days' and o.stems + used.stems > 0
      order by l.arrived_at desc, o.id limit ?`,
    ['hot-dip', 'strip', since, limit],
  );
  return rows;
}

/** Whoever filled these, by the fill; none where the record of its day does not tell. */
export async function fillersOf(trx: Trx, fillIds: readonly string[]): Promise<Record<string, string>> {
  const { rows } = await trx.raw<{ rows: { id: string; who: string }[] }>(
    `select f.id, d.who from pail_fill f
       join lateral (
         select coalesce(h.name, w.name) as who from record_entry e
           join person w on w.id = e.person_id left join person h on h.id = e.hands_id
          where e.at = f.filled_at and position(f.id::text in e.detail::text) > 0
          order by e.id limit 1) d on true
      where f.start <> 'clean' and f.id = any (?)`,
    [[...fillIds]],
  );
  return Object.fromEntries(rows.map((r) => [r.id, r.who]));
}

/** Names of the pails of these fills, by the fill. */
export async function pailsOfFills(trx: Trx, fillIds: readonly string[]): Promise<Record<string, string>> {
  const rows = await trx('pail_fill as f')
    .join('pail as p', 'p.id', 'f.pail_id')
    .whereIn('f.id', fillIds)
    .select<{ id: string; name: string }[]>('f.id', 'p.name');
  return Object.fromEntries(rows.map((r) => [r.id, r.name]));
}
