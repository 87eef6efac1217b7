import type { Trx } from './connection';
import { RefusedError } from './errors';
import { newId } from './ids';

/** A line of a note that was not booked with it: it waits, or was refused, and is never lost. */
export interface KeptLine {
  readonly id: string;
  readonly deliveryId: string;
  readonly line: number;
  readonly fate: 'waiting' | 'refused';
  readonly reason: string;
  readonly product: string;
  /** The line as it was read and corrected, for booking it later. */
  readonly said: Readonly<Record<string, unknown>>;
}

export type NewKeptLine = Omit<KeptLine, 'id' | 'deliveryId'>;

const COLUMNS = {
  id: 'id',
  deliveryId: 'delivery_id',
  line: 'line',
  fate: 'fate',
  reason: 'reason',
  product: 'product',
  said: 'said',
};

/** Lines of these deliveries that wait or were refused. */
export async function manyKeptLines(trx: Trx, deliveryIds: readonly string[]): Promise<KeptLine[]> {
  return trx('kept_line')
    .whereIn('delivery_id', deliveryIds)
    .whereNot('fate', 'booked')
    .orderBy(['delivery_id', 'line'])
    .select(COLUMNS) as Promise<KeptLine[]>;
}

/** Deliveries that have a line waiting. */
export async function manyDeliveriesWaiting(
  trx: Trx,
): Promise<{ deliveryId: string; supplier: string; deliveryRef: string }[]> {
  return trx('kept_line as k')
    .join('delivery as d', 'd.id', 'k.delivery_id')
    .whereRaw("k.fate = 'waiting'")
    .distinct({ deliveryId: 'd.id', supplier: 'd.supplier', deliveryRef: 'd.delivery_ref' });
}

export async function insertKeptLines(
  trx: Trx,
  shopId: string,
  deliveryId: string,
  lines: readonly NewKeptLine[],
): Promise<void> {
  await trx.batchInsert(
    'kept_line',
    lines.map((l) => ({
      id: newId(),
      shop_id: shopId,
      delivery_id: deliveryId,
      line: l.line,
      fate: l.fate,
      reason: l.reason,
      product: l.product,
      said: JSON.stringify(l.said),
    })),
    200,
  );
}

/**
 * The waiting line, locked until the transaction ends.
 * @throws RefusedError when it waits no longer
 */
export async function oneWaitingLine(trx: Trx, id: string): Promise<KeptLine> {
  const [line]: KeptLine[] = await trx('kept_line')
    .where({ id, fate: 'waiting' })
    .forUpdate()
    .select(COLUMNS);
  if (!line)
    throw new RefusedError('Somebody has booked or refused that line meanwhile. Nothing was changed.');
  return line;
}

/** Settles a waiting line: booked as a lot, refused with a reason, or waiting again. */
export async function settleKeptLine(
  trx: Trx,
  id: string,
  to: { readonly fate: 'booked' | 'refused' | 'waiting'; readonly lotId?: string; readonly reason?: string },
): Promise<void> {
  await trx('kept_line')
    .where({ id })
    .update({
      fate: to.fate,
      lot_id: to.lotId ?? null,
      ...(to.reason === undefined ? {} : { reason: to.reason }),
    });
}
