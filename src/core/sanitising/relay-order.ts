import type { DirtyPail } from './contact';

/** What an order is judged by. */
interface Judged {
  readonly startAtOnce: number;
  readonly stockMl: number;
  readonly boostMl: number;
}

/** So few are tried in every order; of more, two and two are exchanged. */
const MOST_IN_EVERY_ORDER = 6;
/** Exchanges that are tried at most: a plan of sixty pails stays under a tenth of a second. */
const MOST_TRIED = 900;

const kindOf = ({ litres, dirt, isScrubbed }: DirtyPail): string => `${litres} ${dirt} ${isScrubbed}`;

/** Every order of pails that is not another one's twin. */
function* everyOrder<P extends DirtyPail>(pails: readonly P[]): Generator<P[]> {
  if (pails.length < 2) yield [...pails];
  const begun = new Set<string>();
  for (const [i, first] of pails.entries()) {
    if (pails.length < 2 || begun.has(kindOf(first))) continue;
    begun.add(kindOf(first));
    for (const rest of everyOrder(pails.toSpliced(i, 1))) yield [first, ...rest];
  }
}

/** The order with two pails of one size and different dirt exchanged between passes, one of each kind a pass. */
function* exchanged<P extends DirtyPail>(pails: readonly P[], startAtOnce: number): Generator<P[]> {
  const seen = new Set<string>();
  const one = [...pails.entries()].filter(([i, pail]) => {
    const key = `${Math.floor(i / startAtOnce)} ${kindOf(pail)}`;
    return !seen.has(key) && seen.add(key);
  });
  for (const [i, a] of one)
    for (const [k, b] of one)
      if (i < k && a.litres === b.litres && kindOf(a) !== kindOf(b)) yield pails.with(i, b).with(k, a);
}

const isNoneLarger = (pails: readonly DirtyPail[]): boolean =>
  pails.every((pail, i) => i === 0 || pail.litres <= (pails[i - 1]?.litres ?? 0));

type Run<P extends DirtyPail, R extends Judged> = (order: readonly P[]) => R;

function leastOfAll<P extends DirtyPail, R extends Judged>(pails: readonly P[], relay: R, run: Run<P, R>): R {
  let best = relay;
  for (const order of everyOrder(pails)) {
    const next = isNoneLarger(order) ? run(order) : best;
    if (next.stockMl < best.stockMl - 1e-9) best = next;
  }
  return best;
}

function lessByExchanges<P extends DirtyPail, R extends Judged>(
  pails: readonly P[],
  relay: R,
  run: Run<P, R>,
): R {
  let [order, best] = [pails, relay];
  for (let tried = 0, isBetter = true; isBetter && best.boostMl > 0;) {
    isBetter = false;
    for (const other of exchanged(order, relay.startAtOnce)) {
      if (++tried > MOST_TRIED) return best;
      const next = run(other);
      isBetter = next.stockMl < best.stockMl - 1e-9;
      if (!isBetter) continue;
      [order, best] = [other, next];
      break;
    }
  }
  return best;
}

/**
 * The same relay in an order that takes less product: the least there is for a few pails, for many as far
 * as exchanging two and two finds it. Without a boost there is none.
 * @param run the relay of an order
 */
export function withLessProduct<P extends DirtyPail, R extends Judged>(
  pails: readonly P[],
  relay: R,
  run: Run<P, R>,
): R {
  if (relay.boostMl === 0) return relay;
  return (pails.length <= MOST_IN_EVERY_ORDER ? leastOfAll : lessByExchanges)(pails, relay, run);
}
