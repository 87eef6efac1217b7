import { isDeepEnough, mayStandTogether, pailHolds, standsMm, suits, type Standing } from './pail-fit';
import type { BenchPail, PailShare } from './types';

/** Solves a mixed-integer programme written in the LP format; null when it found nothing in its time. */
export type SolveMixed = (lp: string) => Readonly<Record<string, number>> | null;

/** What a thing costs the packing: a stem without a pail, a pail, a lot in one more, a tall stem in a low one. */
const COST = { without: 100, pail: 10, part: 1.5, low: 2, orderApart: 1 } as const;
/** Larger models are left to first fit: they would take longer than anybody waits. */
const MOST_CELLS = 250;

const sum = (terms: readonly string[]): string => terms.join(' + ');
const same = (a: BenchPail | undefined, b: BenchPail): boolean =>
  a?.litres === b.litres && a.heightCm === b.heightCm;

/** The packing as a mixed-integer programme: z pail used, c water in it, y lot in it, s stems of it, w stems without. */
function programme(lots: readonly Standing[], pails: readonly BenchPail[]): string {
  const waters = [...new Set(lots.map((l) => l.water))];
  const orders = [...new Set(lots.flatMap((l) => l.lot.order ?? []))];
  const rows: string[] = [];
  const cost: string[] = [];
  const whole: string[] = [];
  const binary: string[] = [];
  lots.forEach((l, i) => {
    const fits = pails.flatMap((p, j) => (isDeepEnough(l, p) ? [j] : []));
    rows.push(`${sum([...fits.map((j) => `s${i}_${j}`), `w${i}`])} = ${l.lot.stems}`);
    cost.push(`${COST.without} w${i}`);
    whole.push(`w${i}`);
    for (const j of fits) {
      const pail = pails[j] as BenchPail;
      const holds = pailHolds(pail.litres, standsMm(l.species));
      rows.push(`s${i}_${j} - ${Math.min(holds, l.lot.stems)} y${i}_${j} <= 0`);
      rows.push(`y${i}_${j} - c${waters.indexOf(l.water)}_${j} <= 0`);
      cost.push(`${COST.part + (suits(l, pail) ? 0 : COST.low)} y${i}_${j}`);
      if (l.lot.order) rows.push(`y${i}_${j} - o${orders.indexOf(l.lot.order)}_${j} <= 0`);
      whole.push(`s${i}_${j}`);
      binary.push(`y${i}_${j}`);
    }
    for (const [k, other] of lots.entries())
      if (k > i && other.water === l.water && !mayStandTogether(l, other))
        for (const j of fits)
          if (isDeepEnough(other, pails[j] as BenchPail)) rows.push(`y${i}_${j} + y${k}_${j} <= 1`);
  });
  pails.forEach((pail, j) => {
    const inIt = lots.flatMap((l, i) => (isDeepEnough(l, pail) ? [{ l, i }] : []));
    if (inIt.length > 0)
      rows.push(
        `${sum(inIt.map(({ l, i }) => `${(1 / pailHolds(pail.litres, standsMm(l.species))).toFixed(9)} s${i}_${j}`))} - z${j} <= 0`,
      );
    rows.push(`${sum(waters.map((_, k) => `c${k}_${j}`))} - z${j} <= 0`);
    // Pails of one size are filled in turn: which of them is empty makes no difference.
    if (j > 0 && same(pails[j - 1], pail)) rows.push(`z${j} - z${j - 1} <= 0`);
    cost.push(`${COST.pail} z${j}`, ...orders.map((_, k) => `${COST.orderApart} o${k}_${j}`));
    binary.push(`z${j}`, ...waters.map((_, k) => `c${k}_${j}`), ...orders.map((_, k) => `o${k}_${j}`));
  });
  return `Minimize\n cost: ${sum(cost)}\nSubject To\n${rows.map((r, n) => ` r${n}: ${r}`).join('\n')}\nGeneral\n ${whole.join(' ')}\nBinary\n ${binary.join(' ')}\nEnd\n`;
}

/** The packing a solver finds; null where it is too large for it, it found none, or what it found does not hold. */
export function packExactly(
  lots: readonly Standing[],
  pails: readonly BenchPail[],
  solve: SolveMixed,
): PailShare[] | null {
  if (lots.length === 0 || pails.length === 0 || lots.length * pails.length > MOST_CELLS) return null;
  const inTypes = [...pails].sort((a, b) => b.litres - a.litres || b.heightCm - a.heightCm);
  const found = solve(programme(lots, inTypes));
  if (!found) return null;
  const shares = lots.flatMap((l, i) =>
    inTypes.flatMap((pail, j) => {
      const stems = Math.round(found[`s${i}_${j}`] ?? 0);
      return stems > 0 ? [{ lot: l.lot.id, pail: pail.name, stems }] : [];
    }),
  );
  return holds(shares, lots, inTypes) ? shares : null;
}

/** Whether a packing breaks nothing: a solver works with tolerances, a pail does not. */
function holds(
  shares: readonly PailShare[],
  lots: readonly Standing[],
  pails: readonly BenchPail[],
): boolean {
  const of = (id: string): Standing => lots.find((l) => l.lot.id === id) as Standing;
  return (
    pails.every((pail) => {
      const inIt = shares.filter((s) => s.pail === pail.name).map((s) => ({ ...s, by: of(s.lot) }));
      const used = inIt.reduce((n, s) => n + s.stems / pailHolds(pail.litres, standsMm(s.by.species)), 0);
      return (
        used <= 1 + 1e-6 && inIt.every((a) => inIt.every((b) => a === b || mayStandTogether(a.by, b.by)))
      );
    }) &&
    lots.every(
      (l) => shares.filter((s) => s.lot === l.lot.id).reduce((n, s) => n + s.stems, 0) <= l.lot.stems,
    )
  );
}
