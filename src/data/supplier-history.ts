import type { UsualStems } from '../core/note/types';
import type { Trx } from './connection';

/** A lot as its supplier's record holds it. */
export interface SupplierLotRow {
  readonly speciesKey: string;
  readonly agedDays: number;
  readonly droop: string;
  readonly looked: boolean;
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
    `with past as (
       select l.id, l.species_key, l.aged_days, l.droop, l.stems_short, l.looked_at, d.booked_at
       from lot l join delivery d on d.id = l.delivery_id
       where d.supplier = ? and d.booked_at >= ? and d.id <> ? and l.merged_into is null and d.taken_back_at is null
       order by d.booked_at desc limit 500),
     last_seen as (
       select distinct on (f.lot_id, f.kind) f.lot_id, f.kind, f.seen, f.withdrawn
       from past join lot_flaw f on f.lot_id = past.id order by f.lot_id, f.kind, f.seq desc),
     flawed as (
       select lot_id, array_agg(kind) as kinds from last_seen where not withdrawn and seen > 0 group by lot_id)
     select past.species_key as "speciesKey", past.aged_days as "agedDays", past.droop,
       past.looked_at is not null as looked,
       past.stems_short as "stemsShort", coalesce(flawed.kinds, '{}') as flaws
     from past left join flawed on flawed.lot_id = past.id order by past.booked_at desc`,
    [supplier, since, butDeliveryId],
  );
  return rows;
}

/** How many of the last deliveries are looked through for who sent them. */
const DELIVERIES_LOOKED_AT = 500;

/** Suppliers of the last deliveries, the last one first. */
export async function lateSuppliers(trx: Trx): Promise<string[]> {
  const { rows } = await trx.raw<{ rows: { supplier: string }[] }>(
    `select supplier from (
       select supplier, booked_at from delivery where taken_back_at is null order by booked_at desc limit ?) late
     group by supplier order by max(booked_at) desc`,
    [DELIVERIES_LOOKED_AT],
  );
  return rows.map((r) => r.supplier);
}

/** Fewer lots than this tell nothing of what is usual. */
const ENOUGH_LOTS = 3;

/** Half of a supplier's late lots have fewer stems than this, by supplier: of any flower, and of each. */
export async function manyUsualStems(trx: Trx): Promise<Record<string, UsualStems>> {
  const { rows } = await trx.raw<{ rows: { supplier: string; species: string | null; stems: number }[] }>(
    `with late as (
       select id, supplier from delivery where taken_back_at is null order by booked_at desc limit ?)
     select late.supplier, l.species_key as species,
       percentile_disc(0.5) within group (order by l.stems_booked) as stems
     from late join lot l on l.delivery_id = late.id
     group by grouping sets ((late.supplier), (late.supplier, l.species_key))
     having count(*) >= ?
     order by late.supplier, l.species_key nulls first`,
    [DELIVERIES_LOOKED_AT, ENOUGH_LOTS],
  );
  const usual: Record<string, { ofAny: number; bySpecies: Record<string, number> }> = {};
  for (const { supplier, species, stems } of rows) {
    const known = (usual[supplier] ??= { ofAny: stems, bySpecies: {} });
    if (species !== null) known.bySpecies[species] = stems;
  }
  return usual;
}
