import { LRUCache } from 'lru-cache';
import { readStoredStep } from '../core/protocol/stored-step';
import type { ProtocolStep } from '../core/protocol/types';
import type { Trx } from './connection';

/** Those of some thousand portions: what a shop has at its bench many times over. */
const MOST_CACHED = 10_000;

/**
 * What steps say to do, by the step's id. It is laid down with the plan and never changed after (the
 * database refuses it), and it is most of what a step is: reading it anew for each look at the bench
 * was a tenth of the look.
 */
const kept = new LRUCache<string, ProtocolStep>({ max: MOST_CACHED });

/** Puts to steps, seen in this transaction by their ids, what they say to do. */
export async function withInstructions<Row extends { readonly id: string }>(
  trx: Trx,
  rows: readonly Row[],
): Promise<(Row & { readonly step: ProtocolStep })[]> {
  const found = new Map(rows.map(({ id }) => [id, kept.get(id)]));
  const missing = rows.filter(({ id }) => !found.get(id)).map(({ id }) => id);
  if (missing.length > 0) {
    const read: { id: string; step: unknown }[] = await trx('protocol_step')
      .whereIn('id', missing)
      .select('id', 'step');
    for (const { id, step: stored } of read) {
      const step = readStoredStep(stored);
      kept.set(id, step);
      found.set(id, step);
    }
  }
  return rows.flatMap((row) => {
    const step = found.get(row.id);
    return step ? [{ ...row, step }] : [];
  });
}
