import type { Trx } from './connection';

/** A look at the water of a fill, as it stands in the record. */
export interface WaterLook {
  readonly fillId: string;
  /** As it was written: of a kind there ever was. */
  readonly look: string;
  readonly at: Date;
}

/** Looks at the water that stands in pails now, in their order, those taken back left out. */
export async function manyWaterLooks(trx: Trx): Promise<WaterLook[]> {
  const { rows } = await trx.raw<{ rows: WaterLook[] }>(
    `select e.detail->>'fillId' as "fillId", e.detail->>'look' as look, e.at
       from pail_fill f join record_entry e on e.shop_id = f.shop_id and e.subject_id = f.pail_id
        and e.kind = 'water-look' and e.detail->>'fillId' = f.id::text
      where f.emptied_at is null
        and not exists (select 1 from record_entry c where c.shop_id = e.shop_id and c.corrects = e.id)
      order by e.id`,
  );
  return rows;
}
