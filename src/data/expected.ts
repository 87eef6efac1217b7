import type { OrderLine } from '../core/dock/compare-order';
import type { Trx } from './connection';
import { RefusedError } from './errors';
import { newId } from './ids';
import { writeEntry, type Action } from './record';

/** A delivery that was ordered and has not come. */
export interface ExpectedDelivery {
  readonly id: string;
  readonly supplier: string;
  readonly orderRef: string;
  /** ISO date. */
  readonly dueOn: string;
  readonly lines: readonly OrderLine[];
}

/** An order that has not come so long after its day never will: it lapses, and is in no list any more. */
const LAPSES_AFTER_DAYS = 14;
const MOST_LISTED = 100;

const LINES = `(select coalesce(json_agg(json_build_object('line', n.line, 'speciesKey', n.species_key,
  'variety', n.variety, 'lengthCm', n.length_cm, 'stems', n.stems) order by n.line), '[]')
  from expected_line n where n.expected_id = e.id) as lines`;

/** Deliveries still to come: today's first and what is late, then what comes after; lapsed ones left out. */
export async function manyExpected(trx: Trx, today: string): Promise<ExpectedDelivery[]> {
  return trx('expected_delivery as e')
    .whereRaw("state = 'expected'")
    .whereRaw('due_on >= ?::date - ?::int', [today, LAPSES_AFTER_DAYS])
    .orderByRaw('due_on = ?::date desc, due_on, supplier, order_ref', [today])
    .limit(MOST_LISTED)
    .select({ id: 'id', supplier: 'supplier', orderRef: 'order_ref', dueOn: 'due_on' })
    .select(trx.raw(LINES)) as Promise<ExpectedDelivery[]>;
}

/**
 * Notes an order, so that its delivery can be held against it.
 * @throws RefusedError when that supplier's order is noted already
 */
export async function placeOrder(
  trx: Trx,
  action: Action,
  order: Omit<ExpectedDelivery, 'id'>,
): Promise<{ expectedId: string }> {
  const { supplier, orderRef, dueOn } = order;
  if (await trx('expected_delivery').where({ supplier, order_ref: orderRef }).first('id'))
    throw new RefusedError(`${orderRef} from ${supplier} is noted already. Nothing was noted twice.`);
  const id = newId();
  const shop_id = action.shopId;
  await trx('expected_delivery').insert({
    id,
    shop_id,
    supplier,
    order_ref: orderRef,
    due_on: dueOn,
    placed_at: action.at,
    placed_by: action.personId,
  });
  await trx.batchInsert(
    'expected_line',
    order.lines.map((l) => ({
      shop_id,
      expected_id: id,
      line: l.line,
      species_key: l.speciesKey,
      variety: l.variety,
      length_cm: l.lengthCm,
      stems: l.stems,
    })),
    200,
  );
  await writeEntry(trx, action, {
    kind: 'order',
    subjectKind: 'delivery',
    subjectId: id,
    says: {
      message: 'record.ordered',
      with: { order: orderRef, supplier, n: order.lines.length, day: dueOn },
    },
    detail: {},
  });
  return { expectedId: id };
}

/** A delivery that is expected still; undefined where it has come, was called off, or is nobody's here. */
export async function maybeExpected(
  trx: Trx,
  expectedId: string,
): Promise<Pick<ExpectedDelivery, 'supplier' | 'orderRef' | 'dueOn'> | undefined> {
  return trx('expected_delivery')
    .where({ id: expectedId, state: 'expected' })
    .first({ supplier: 'supplier', orderRef: 'order_ref', dueOn: 'due_on' });
}

/** Marks an order as come with that delivery; one that has come or was called off stays as it is. */
export async function settleOrder(trx: Trx, expectedId: string, deliveryId: string): Promise<void> {
  await trx('expected_delivery')
    .where({ id: expectedId, state: 'expected' })
    .update({ state: 'arrived', delivery_id: deliveryId });
}

/**
 * Calls an order off, or with `again` expects it after all.
 * @throws RefusedError when it came meanwhile
 */
export async function callOffOrder(trx: Trx, expectedId: string, again = false): Promise<string> {
  const [row] = await trx('expected_delivery')
    .where({ id: expectedId, state: again ? 'called-off' : 'expected' })
    .update({ state: again ? 'expected' : 'called-off' })
    .returning<{ order_ref: string; supplier: string }[]>(['order_ref', 'supplier']);
  if (!row) throw new RefusedError('That order has come or was called off meanwhile. Nothing was changed.');
  return `${row.order_ref} to ${row.supplier}`;
}
