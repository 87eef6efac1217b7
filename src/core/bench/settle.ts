import { isBetter, scheduleOf, type Means } from './schedule';
import type { Job, Schedule } from './types';

/** An order of work with what it comes to. */
export interface Found {
  readonly order: readonly number[];
  readonly schedule: Schedule;
}

/** Stem-days for which nobody is sent to another lot. */
export const WORTH_A_CHANGE = 0.5;

/** The order with one job's next pieces put where they stand in another order. */
function withJobAsIn(order: readonly number[], target: readonly number[], job: number): number[] {
  const rest = order.filter((j) => j !== job);
  const others = target.filter((j) => j !== job);
  const next: number[] = [];
  let from = 0;
  // Each piece goes behind as many of the others as stand before it in the target.
  const before = target.flatMap((j, i) =>
    j === job ? [others.slice(0, i).length - countOf(target, job, i)] : [],
  );
  for (const at of before) {
    const upTo = Math.max(from, Math.min(rest.length, at));
    next.push(...rest.slice(from, upTo), job);
    from = upTo;
  }
  return [...next, ...rest.slice(from)];
}
const countOf = (target: readonly number[], job: number, upTo: number): number =>
  target.slice(0, upTo).filter((j) => j === job).length;

/**
 * From the order that stands towards the best one, a lot at a time, the most worth first, and no
 * further than is worth it: what is left gains less than half a stem-day.
 */
export function settled(standing: Found, best: Found, jobs: readonly Job[], means: Means): Found {
  let here = standing;
  const left = new Set(jobs.map((_, j) => j));
  while (here.schedule.cost - best.schedule.cost > WORTH_A_CHANGE && left.size > 0) {
    let step: (Found & { readonly job: number }) | null = null;
    for (const job of left) {
      const order = withJobAsIn(here.order, best.order, job);
      const schedule = scheduleOf(order, jobs, means);
      if (!step || isBetter(schedule, step.schedule)) step = { order, schedule, job };
    }
    if (!step) break;
    left.delete(step.job);
    here = step;
  }
  return isBetter(best.schedule, here.schedule) && here.schedule.cost - best.schedule.cost > WORTH_A_CHANGE
    ? best
    : here;
}

/** The order that stands, as far as its lots are still there; what is new comes at the end. */
export function repaired(standing: readonly number[], jobs: readonly Job[]): number[] {
  const left = jobs.map((job) => job.pieces.length);
  const take = (job: number): boolean => (left[job] ?? 0) > 0 && ((left[job] = (left[job] ?? 0) - 1), true);
  // A lot that is part done has fewer pieces left: it is the last of them that stand.
  const kept = [...standing].reverse().filter(take).reverse();
  return [...kept, ...left.flatMap((n, job) => Array.from({ length: n }, () => job))];
}
