import type { Trx } from './connection';
import { RefusedError } from './errors';
import { newId } from './ids';

/** A line of a note that was not booked with it: it waits, or was refused, and is never lost. */
export interface KeptLine {
  readonly id: string;
  readonly deliveryId: string;
  readonly supplier: string;
  readonly deliveryRef: string;
  readonly line: number;
  readonly fate: 'waiting' | 'refused';
  readonly reason: string;
  readonly product: string;
  /** The line as it was read and corrected, for booking it later. */
  readonly said: Readonly<Record<string, unknown>>;
}

export type NewKeptLine = Omit<KeptLine, 'id' | 'deliveryId' | 'supplier' | 'deliveryRef'>;

const COLUMNS = {
  id: 'k.id',
  deliveryId: 'k.delivery_id',
  supplier: 'd.supplier',
  deliveryRef: 'd.delivery_ref',
  line: 'k.line',
  fate: 'k.fate',
  reason: 'k.reason',
  product: 'k.product',
  said: 'k.said',
};

const keptLines = (trx: Trx) =>
  trx('kept_line as k').join('delivery as d', 'd.id', 'k.delivery_id').select(COLUMNS);

/** Lines that wait or were refused: of these deliveries, and of every one that has a line waiting. */
export async function manyKeptLines(trx: Trx, deliveryIds: readonly string[]): Promise<KeptLine[]> {
  return keptLines(trx)
    .whereRaw("k.fate <> 'booked'")
    .whereRaw(
      "(k.delivery_id = any(?::uuid[]) or k.delivery_id in (select w.delivery_id from kept_line w where w.fate = 'waiting'))",
      [[...deliveryIds]],
    )
    .orderBy(['k.delivery_id', 'k.line']) as Promise<KeptLine[]>;
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
  const [line] = (await keptLines(trx)
    .where({ 'k.id': id, 'k.fate': 'waiting' })
    .forUpdate('k')) as KeptLine[];
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
