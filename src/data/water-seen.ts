import type { Trx } from './connection';

/** What was seen or read in the water of a fill, or done to it, as it stands in the record. */
export interface WaterSeen {
  readonly fillId: string;
  readonly kind: 'water-look' | 'water-reading' | 'top-up' | 'fouled';
  readonly at: Date;
  readonly detailVersion: number;
  readonly detail: unknown;
}

const STANDS = `not exists (select 1 from record_entry c where c.shop_id = e.shop_id and c.corrects = e.id)`;

/** Of the water that stands in pails now, in its order; what was taken back is left out. */
export async function manyWaterSeen(trx: Trx): Promise<WaterSeen[]> {
  const { rows } = await trx.raw<{ rows: WaterSeen[] }>(
    `select f.id as "fillId", e.kind, e.at, e.detail_v as "detailVersion", e.detail, e.id
       from pail_fill f join record_entry e on e.shop_id = f.shop_id and e.subject_id = f.pail_id
        and e.kind in ('water-look', 'water-reading', 'top-up') and e.detail->>'fillId' = f.id::text
      where f.emptied_at is null and ${STANDS}
     union all
     -- Stems that rotted in it: binned as that out of a lot that stood in it then.
     select f.id, 'fouled', e.at, e.detail_v, e.detail, e.id
       from pail_fill f
       join stay s on s.fill_id = f.id and s.portion_id is not null
       join portion o on o.id = s.portion_id
       join record_entry e on e.shop_id = f.shop_id and e.subject_id = o.lot_id and e.kind = 'bin'
        and e.detail->>'reason' = 'rotten' and e.at >= s.from_at and (s.to_at is null or e.at <= s.to_at)
      where f.emptied_at is null and ${STANDS}
        and (e.detail->'from' is null or e.detail->'from' @> jsonb_build_array(jsonb_build_object('portionId', s.portion_id)))
      order by id`,
  );
  return rows;
}
