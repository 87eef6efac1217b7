import { untilWet } from './schedule';
import type { Job, Piece } from './types';

/**
 * The least sum of a square table of costs with one of each row and column (the Hungarian method,
 * by shortest augmenting paths, in cubic time).
 */
export function leastAssignment(cost: readonly (readonly number[])[]): number {
  const n = cost.length;
  const flat = new Float64Array(n * n);
  cost.forEach((row, r) => flat.set(row, r * n));
  return leastAssignmentOf(flat, n);
}

/** The same of a table row after row. Rows and columns are counted from 1; column 0 stands for none. */
function leastAssignmentOf(cost: Float64Array, n: number): number {
  const u = new Float64Array(n + 1);
  const v = new Float64Array(n + 1);
  const rowOf = new Int32Array(n + 1);
  const least = new Float64Array(n + 1);
  const from = new Int32Array(n + 1);
  const used = new Uint8Array(n + 1);
  for (let row = 1; row <= n; row++) {
    least.fill(Infinity);
    used.fill(0);
    rowOf[0] = row;
    let column = 0;
    do {
      used[column] = 1;
      const r = rowOf[column] as number;
      const base = (r - 1) * n - 1;
      const ofRow = u[r] as number;
      let delta = Infinity;
      let next = 0;
      for (let c = 1; c <= n; c++) {
        if (used[c] === 1) continue;
        const reduced = (cost[base + c] as number) - ofRow - (v[c] as number);
        if (reduced < (least[c] as number)) {
          least[c] = reduced;
          from[c] = column;
        }
        if ((least[c] as number) < delta) {
          delta = least[c] as number;
          next = c;
        }
      }
      for (let c = 0; c <= n; c++)
        if (used[c] === 1) {
          const at = rowOf[c] as number;
          u[at] = (u[at] as number) + delta;
          v[c] = (v[c] as number) - delta;
        } else least[c] = (least[c] as number) - delta;
      column = next;
    } while (rowOf[column] !== 0);
    while (column !== 0) {
      const before = from[column] as number;
      rowOf[column] = rowOf[before] as number;
      column = before;
    }
  }
  let sum = 0;
  for (let c = 1; c <= n; c++) sum += cost[((rowOf[c] as number) - 1) * n + c - 1] as number;
  return sum;
}

const handsOf = (pieces: readonly Piece[]): number => pieces.reduce((s, p) => s + p.handsS, 0);

/** Minutes of work are told apart in at most so many parts: the Hungarian method takes their cube. */
const MOST_UNITS = 500;
const LEAST_UNIT_S = 30;
const NEVER = 1e9;

/** Lengths tried, each a hundredth longer than the one before. */
const LENGTHS = 20;

/** A length of part that leaves least of the work over: what does not fill a part is not counted. */
function bestUnitS(jobs: readonly Job[], leastS: number): number {
  const over = (unitS: number): number =>
    jobs.reduce((sum, { pieces }) => sum + (handsOf(untilWet(pieces)) % unitS), 0);
  const lengths = Array.from({ length: LENGTHS }, (_, i) => leastS * (1 + i / 100));
  return lengths.reduce((best, one) => (over(one) < over(best) ? one : best));
}

/** A job's work as parts of one length: how much of it is before and after each, with the waits between. */
function unitsOf({ pieces, readyInS = 0 }: Job, unitS: number): { earliestS: number; restS: number }[] {
  const dry = untilWet(pieces);
  const work = handsOf(dry);
  const units = Math.floor(work / unitS);
  return Array.from({ length: units }, (_, u) => {
    const [from, to] = [u * unitS, (u + 1) * unitS];
    let [done, waitedBefore, waitsAfter] = [0, 0, 0];
    for (const piece of dry) {
      done += piece.handsS;
      if (done <= from) waitedBefore += piece.waitS;
      if (done >= to) waitsAfter += piece.waitS;
    }
    return { earliestS: readyInS + from + waitedBefore, restS: work - to + waitsAfter };
  });
}

/**
 * Worth that no plan undercuts, by a relaxation: every minute of a lot's work stands in a minute of somebody's
 * morning, each at most once, and a lot comes to water no sooner than the rest of its own work after it. A
 * lot's loss is shared out over its minutes, so that the cheapest such dealing out is below any plan.
 */
function boundByMinutes(jobs: readonly Job[], hands: number): number {
  const counted = jobs.filter((j) => !j.isWet && j.value > 0);
  const work = counted.reduce((sum, j) => sum + handsOf(untilWet(j.pieces)), 0);
  const unitS = bestUnitS(counted, Math.max(LEAST_UNIT_S, work / MOST_UNITS));
  const rows = counted.flatMap((job) => {
    const units = unitsOf(job, unitS);
    // Too little work to be told apart: its loss is taken as if it were done at once.
    return units.map((unit) => ({ job, ...unit, share: (job.value * job.lot.stems) / units.length }));
  });
  const slots =
    Math.ceil(rows.length / hands) + Math.ceil(Math.max(0, ...rows.map((r) => r.earliestS)) / unitS) + 1;
  const cost = rows.map(({ job, earliestS, restS, share }) =>
    Array.from({ length: slots * hands }, (_, column) => {
      const startS = Math.floor(column / hands) * unitS;
      return startS + unitS <= earliestS ? NEVER : share * job.lossDays(startS + restS);
    }),
  );
  return rows.length === 0
    ? 0
    : leastAssignment([...cost, ...idleRows(slots * hands - rows.length, slots * hands)]);
}

/** Minutes in which nobody works. */
const idleRows = (rows: number, columns: number): number[][] =>
  Array.from({ length: rows }, () => new Array<number>(columns).fill(0));

/** Worth that no plan can undercut: the larger of two bounds. */
export function boundStemDays(jobs: readonly Job[], hands: number, kettleReadyS: number): number {
  return Math.max(boundByOrder(jobs, hands, kettleReadyS), boundByMinutes(jobs, hands));
}

/**
 * Worth that no plan can undercut: the k-th lot to come to water comes no sooner than the k shortest works
 * divided among all hands, and no lot sooner than its own work and waits.
 */
export function boundByOrder(jobs: readonly Job[], hands: number, kettleReadyS: number): number {
  const work = jobs.map((j) => handsOf(untilWet(j.pieces)));
  const alone = jobs.map((j) => {
    let at = 0;
    for (const p of untilWet(j.pieces))
      at = Math.max(at, p.usesKettle ? kettleReadyS : 0) + p.handsS + p.waitS;
    return at;
  });
  let sum = 0;
  const doneS = [...work].sort((a, b) => a - b).map((s) => (sum += s) / hands);
  return leastAssignment(
    jobs.map((job, j) =>
      doneS.map((k) => job.value * job.lot.stems * job.lossDays(Math.max(k, alone[j] ?? 0))),
    ),
  );
}
