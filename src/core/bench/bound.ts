import type { Job } from './types';

/** The Hungarian method's state: potentials of rows and columns, and the row each column has; column 0 is none. */
interface Matching {
  readonly cost: readonly (readonly number[])[];
  readonly u: Float64Array;
  readonly v: Float64Array;
  readonly rowOf: Int32Array;
}

const costAt = ({ cost }: Matching, row: number, column: number): number => cost[row - 1]?.[column - 1] ?? 0;

/** The free column with least reduced cost from what is reached, and by how much; `least` and `from` follow. */
function nearest(
  m: Matching,
  column: number,
  least: Float64Array,
  from: Int32Array,
  used: Uint8Array,
): [delta: number, next: number] {
  const row = m.rowOf[column] as number;
  let [delta, next] = [Infinity, 0];
  for (let c = 1; c < used.length; c++) {
    if (used[c]) continue;
    const reduced = costAt(m, row, c) - (m.u[row] as number) - (m.v[c] as number);
    if (reduced < (least[c] as number)) {
      least[c] = reduced;
      from[c] = column;
    }
    if ((least[c] as number) < delta) [delta, next] = [least[c] as number, c];
  }
  return [delta, next];
}

/** Finds a column for one more row, by the shortest augmenting path. */
function matchRow(m: Matching, row: number): void {
  const n = m.rowOf.length;
  const least = new Float64Array(n).fill(Infinity);
  const from = new Int32Array(n);
  const used = new Uint8Array(n);
  m.rowOf[0] = row;
  let column = 0;
  do {
    used[column] = 1;
    const [delta, next] = nearest(m, column, least, from, used);
    for (let c = 0; c < n; c++)
      if (used[c]) {
        const r = m.rowOf[c] as number;
        m.u[r] = (m.u[r] as number) + delta;
        m.v[c] = (m.v[c] as number) - delta;
      } else least[c] = (least[c] as number) - delta;
    column = next;
  } while (m.rowOf[column] !== 0);
  while (column !== 0) {
    const before = from[column] as number;
    m.rowOf[column] = m.rowOf[before] as number;
    column = before;
  }
}

/**
 * The least sum of a square table of costs with one of each row and column (the Hungarian method,
 * by shortest augmenting paths, in cubic time).
 */
export function leastAssignment(cost: readonly (readonly number[])[]): number {
  const n = cost.length;
  const m = { cost, u: new Float64Array(n + 1), v: new Float64Array(n + 1), rowOf: new Int32Array(n + 1) };
  for (let row = 1; row <= n; row++) matchRow(m, row);
  let sum = 0;
  for (let c = 1; c <= n; c++) sum += costAt(m, m.rowOf[c] as number, c);
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
