import 'server-only';
import { createHash } from 'node:crypto';
import type { BenchInput } from '@/core/bench/types';
import { now } from '@/server/clock';
import { maybeInMyShop } from '@/server/session';
import { readFloor } from './floor';

/**
 * What the bench is planned from, asked for by a tablet that saw it change: too much to go with every
 * look at the bench. The plan is the shop's, so no lot somebody looks at in particular is in it. Null
 * when nobody is signed in.
 */
export const planInput = (): Promise<BenchInput | null> =>
  maybeInMyShop(async (trx, me) => (await readFloor(trx, me, now(), null)).input);

/** What tells a tablet that the plan's ground changed, in a few letters; null while nothing waits. */
export function madeFrom({ hands, kettle, pails, lots }: BenchInput): string | null {
  if (lots.length === 0) return null;
  const ground = [
    // Whoever looks stands first among them: that makes no other plan.
    [...hands].sort((a, b) => (a.name < b.name ? -1 : 1)),
    kettle,
    pails.map((p) => p.name),
    lots.map((l) => [l.id, l.stems, l.droop, l.steps?.map((s) => [s.kind, s.params])]),
  ];
  return createHash('sha256').update(JSON.stringify(ground)).digest('base64url').slice(0, 12);
}
