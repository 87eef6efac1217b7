import type { Trx } from './connection';

/** A lot as its supplier's record holds it. */
export interface SupplierLotRow {
  readonly speciesKey: string;
  readonly agedDays: number;
  readonly droop: string;
  /** Kinds of flaws that were counted in it. */
  readonly flaws: readonly string[];
  readonly stemsShort: number;
}

/** Lots a supplier sent since, whether any are left or not; merged ones count with what they went into. */
export async function manyLotsOfSupplier(
  trx: Trx,
  supplier: string,
  since: Date,
  butDeliveryId: string,
): Promise<SupplierLotRow[]> {
  const { rows } = await trx.raw<{ rows: SupplierLotRow[] }>(
    `select l.species_key as "speciesKey", l.aged_days as "agedDays", l.droop, l.stems_short as "stemsShort",
       coalesce((select array_agg(f.kind) from
         (select distinct on (kind) kind, seen, withdrawn from lot_flaw where lot_id = l.id order by kind, seq desc) f
         where not f.withdrawn and f.seen > 0), '{}') as flaws
     from lot l join delivery d on d.id = l.delivery_id
     where d.supplier = ? and d.booked_at >= ? and d.id <> ? and l.merged_into is null and d.taken_back_at is null
     order by d.booked_at desc limit 500`,
    [supplier, since, butDeliveryId],
  );
  return rows;
}
