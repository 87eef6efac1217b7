import { randomStream, type RandomStream } from '../random';
import { inTurn, isBetter, scheduleOf, type Means } from './schedule';
import type { Found } from './settle';
import type { Job } from './types';

const handsOf = (job: Job): number => job.pieces.reduce((s, p) => s + p.handsS, 0);
const HOUR_S = 3600;

/** Orders worth starting from: what an hour costs for the work it takes, what it costs in all, what comes. */
function starts(jobs: readonly Job[]): number[][] {
  const ids = jobs.map((_, i) => i);
  const by = (rank: (job: Job) => number): number[] =>
    [...ids].sort((a, b) => rank(jobs[b] as Job) - rank(jobs[a] as Job));
  const rates = [1, 2, 4, 8].map((hours) =>
    by((job) => (job.lot.stems * job.value * job.lossDays(hours * HOUR_S)) / Math.max(1, handsOf(job))),
  );
  const waitsFirst = by((job) => job.pieces.reduce((s, p) => s + p.waitS, 0));
  return [...rates, by((job) => -handsOf(job)), waitsFirst, ids].map((order) => inTurn(order, jobs));
}

function moved(order: readonly number[], from: number, to: number): number[] {
  const next = [...order];
  const [one] = next.splice(from, 1);
  if (one !== undefined) next.splice(to, 0, one);
  return next;
}

const pick = (stream: RandomStream, n: number): number => Math.min(n - 1, Math.floor(stream.uniform() * n));

/** All of one lot's pieces put before another piece of work, one after the other. */
function movedWhole(order: readonly number[], job: number, to: number): number[] {
  const rest = order.filter((j) => j !== job);
  const at = Math.min(to, rest.length);
  return [...rest.slice(0, at), ...order.filter((j) => j === job), ...rest.slice(at)];
}

/** One change to an order: a piece put elsewhere, a whole lot put elsewhere, or two pieces in one another's place. */
function anotherOrder(order: readonly number[], stream: RandomStream): number[] {
  const n = order.length;
  const [a, b] = [pick(stream, n), pick(stream, n)];
  const kind = pick(stream, 3);
  if (kind === 0) return moved(order, a, b);
  if (kind === 1) return movedWhole(order, order[a] as number, b);
  const next = [...order];
  [next[a], next[b]] = [order[b] as number, order[a] as number];
  return next;
}

/** A few pieces of work put elsewhere, to leave a hollow that no single move leaves. */
function shaken(order: readonly number[], stream: RandomStream): number[] {
  let next = [...order];
  for (let i = 0; i < 3; i++) next = moved(next, pick(stream, order.length), pick(stream, order.length));
  return next;
}

/**
 * Looks for a better order of work: from several good starts, every single move in a random order
 * until none helps, then shaken and again. It yields whenever it has found a better one, so that
 * whoever asked may stop it at any time and have the best so far.
 * @param tries how many schedules may be worked out
 * @param also orders to start from as well, such as the one that stands
 */
export function* improvedOrders(
  jobs: readonly Job[],
  means: Means,
  seed: number,
  tries: number,
  also: readonly (readonly number[])[] = [],
): Generator<Found, Found, void> {
  const stream = randomStream(seed, 8);
  let left = tries;
  const tried = (order: readonly number[]): Found => {
    left--;
    return { order, schedule: scheduleOf(order, jobs, means) };
  };
  const begun = [...also, ...starts(jobs)].map(tried);
  let best = begun.reduce((a, b) => (isBetter(b.schedule, a.schedule) ? b : a));
  yield best;
  const n = best.order.length;
  let here = best;
  while (left > 0 && n > 1) {
    let hasMoved = true;
    while (hasMoved && left > 0) {
      hasMoved = false;
      for (let i = 0; i < n * n && left > 0; i++) {
        const next = tried(anotherOrder(here.order, stream));
        if (!isBetter(next.schedule, here.schedule)) continue;
        here = next;
        hasMoved = true;
      }
    }
    if (isBetter(here.schedule, best.schedule)) {
      best = here;
      yield best;
    }
    here = tried(shaken(best.order, stream));
  }
  return best;
}
