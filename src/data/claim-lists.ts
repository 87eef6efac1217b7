import type { ClaimSort } from '../core/dock/claim-sorts';
import type { Words } from '../core/words/message';
import type { ClaimState } from '../core/dock/claims';
import type { Trx } from './connection';

export interface ClaimRecord {
  readonly id: string;
  readonly number: number;
  readonly lotId: string;
  readonly lotNumber: number;
  readonly supplier: string;
  readonly deliveryRef: string;
  readonly line: number;
  readonly supplierLine: string | null;
  readonly speciesKey: string;
  readonly variety: string | null;
  readonly stemsDelivered: number;
  readonly kind: string;
  readonly says: Words;
  readonly stems: number;
  readonly value: number | null;
  readonly currency: string | null;
  readonly state: ClaimState;
  readonly openedAt: Date;
  readonly openedByName: string;
  readonly dueAt: Date;
  readonly settledValue: number | null;
  /** When it came to its state. */
  readonly movedAt: Date;
}

const claims = (trx: Trx) =>
  trx('claim as c')
    .join('lot as l', 'l.id', 'c.lot_id')
    .join('delivery as d', 'd.id', 'c.delivery_id')
    .join('person as p', 'p.id', 'c.opened_by')
    .select({
      id: 'c.id',
      number: 'c.number',
      lotId: 'c.lot_id',
      lotNumber: 'l.number',
      supplier: 'd.supplier',
      deliveryRef: 'd.delivery_ref',
      line: 'l.line',
      supplierLine: 'l.supplier_line',
      speciesKey: 'l.species_key',
      variety: 'l.variety',
      stemsDelivered: 'l.stems_booked',
      kind: 'c.kind',
      stems: 'c.stems',
      value: 'c.value',
      currency: 'c.currency',
      state: 'c.state',
      openedAt: 'c.opened_at',
      openedByName: 'p.name',
      dueAt: 'c.due_at',
      settledValue: 'c.settled_value',
      movedAt: 'c.moved_at',
    })
    .select(trx.raw('coalesce(c.message, to_jsonb(c.words)) as "says"'));

const SORTED_BY: Readonly<Record<ClaimSort, string>> = {
  due: 'c.due_at',
  number: 'c.number',
  value: 'c.value',
  supplier: 'd.supplier',
};

/** Which claims are asked for, and in which order. */
export interface ClaimsAsked {
  readonly supplier?: string | undefined;
  readonly sort?: ClaimSort | undefined;
  readonly direction?: 'asc' | 'desc' | undefined;
}

/** Claims that wait to be sent or answered; where nothing else is asked, those whose window closes first at the top. */
export async function manyUnsettledClaims(
  trx: Trx,
  limit: number,
  { supplier, sort = 'due', direction = 'asc' }: ClaimsAsked = {},
): Promise<ClaimRecord[]> {
  return claims(trx)
    .whereRaw("c.state in ('open','sent')")
    .where(supplier === undefined ? {} : { 'd.supplier': supplier })
    .orderBy([
      { column: SORTED_BY[sort], order: direction, nulls: 'last' },
      { column: 'c.number', order: direction },
    ])
    .limit(limit) as Promise<ClaimRecord[]>;
}

/** Suppliers that something is claimed of and not settled. */
export async function claimedSuppliers(trx: Trx): Promise<string[]> {
  return trx('claim as c')
    .join('delivery as d', 'd.id', 'c.delivery_id')
    .whereRaw("c.state in ('open','sent')")
    .distinct()
    .orderBy('d.supplier')
    .pluck<string[]>('d.supplier');
}

/** Where a page of settled claims ended. */
export interface ClaimsBefore {
  readonly movedAt: Date;
  readonly number: number;
}

/** Claims that were credited or refused, the newest settled first; those after `before`. */
export async function manySettledClaims(
  trx: Trx,
  limit: number,
  before: ClaimsBefore | null = null,
): Promise<ClaimRecord[]> {
  return claims(trx)
    .whereRaw("c.state in ('credited','refused')")
    .where((older) => {
      if (before) void older.whereRaw('(c.moved_at, c.number) < (?, ?)', [before.movedAt, before.number]);
    })
    .orderBy([
      { column: 'c.moved_at', order: 'desc' },
      { column: 'c.number', order: 'desc' },
    ])
    .limit(limit) as Promise<ClaimRecord[]>;
}

/** All claims of deliveries of that name but withdrawn ones, as they stand. */
export async function manyClaimsOfDelivery(
  trx: Trx,
  deliveryRef: string,
  limit: number,
): Promise<ClaimRecord[]> {
  return claims(trx)
    .where('d.delivery_ref', deliveryRef)
    .whereNot('c.state', 'withdrawn')
    .orderBy(['c.due_at', 'c.number'])
    .limit(limit) as Promise<ClaimRecord[]>;
}

/** How many claims are still to be sent, counted to `most`; null while nothing was ever claimed. */
export async function countOpenClaims(trx: Trx, most: number): Promise<number | null> {
  const { rows } = await trx.raw<{ rows: { open: number; any: boolean }[] }>(
    `select exists (select 1 from claim) as any,
       (select count(*)::int from (select 1 from claim where state in ('open','sent') and state = 'open' limit ?) o) as open`,
    [most],
  );
  const [row] = rows;
  return row?.any ? row.open : null;
}
