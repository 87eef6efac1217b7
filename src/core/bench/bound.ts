import type { Job } from './types';

/**
 * The least sum of a square table of costs with one of each row and column (the Hungarian method,
 * by shortest augmenting paths, in cubic time).
 */
export function leastAssignment(cost: readonly (readonly number[])[]): number {
  const n = cost.length;
  const u = new Array<number>(n + 1).fill(0);
  const v = new Array<number>(n + 1).fill(0);
  const rowOf = new Array<number>(n + 1).fill(0);
  const at = (row: number, column: number): number => cost[row - 1]?.[column - 1] ?? 0;
  for (let row = 1; row <= n; row++) {
    const least = new Array<number>(n + 1).fill(Infinity);
    const from = new Array<number>(n + 1).fill(0);
    const used = new Array<boolean>(n + 1).fill(false);
    rowOf[0] = row;
    let column = 0;
    do {
      used[column] = true;
      const r = rowOf[column] ?? 0;
      let [delta, next] = [Infinity, 0];
      for (let c = 1; c <= n; c++) {
        if (used[c]) continue;
        const reduced = at(r, c) - (u[r] ?? 0) - (v[c] ?? 0);
        if (reduced < (least[c] ?? Infinity)) {
          least[c] = reduced;
          from[c] = column;
        }
        if ((least[c] ?? Infinity) < delta) [delta, next] = [least[c] ?? Infinity, c];
      }
      for (let c = 0; c <= n; c++)
        if (used[c]) {
          u[rowOf[c] ?? 0] = (u[rowOf[c] ?? 0] ?? 0) + delta;
          v[c] = (v[c] ?? 0) - delta;
        } else least[c] = (least[c] ?? 0) - delta;
      column = next;
    } while ((rowOf[column] ?? 0) !== 0);
    while (column !== 0) {
      const before = from[column] ?? 0;
      rowOf[column] = rowOf[before] ?? 0;
      column = before;
    }
  }
  let sum = 0;
  for (let c = 1; c <= n; c++) sum += at(rowOf[c] ?? 0, c);
  return sum;
}

/**
 * Stem-days that no plan can undercut: the k-th lot to come to water comes no sooner than the k
 * shortest works divided among all hands, and no lot sooner than its own work and waits.
 */
export function boundStemDays(jobs: readonly Job[], hands: number, kettleReadyS: number): number {
  const work = jobs.map((j) => j.pieces.reduce((s, p) => s + p.handsS, 0));
  const alone = jobs.map((j) => {
    let at = 0;
    for (const p of j.pieces) at = Math.max(at, p.usesKettle ? kettleReadyS : 0) + p.handsS + p.waitS;
    return at;
  });
  let sum = 0;
  const doneS = [...work].sort((a, b) => a - b).map((s) => (sum += s) / hands);
  return leastAssignment(
    jobs.map((job, j) => doneS.map((k) => job.lot.stems * job.lossDays(Math.max(k, alone[j] ?? 0)))),
  );
}
