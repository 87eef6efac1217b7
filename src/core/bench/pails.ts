import { packExactly, type SolveMixed } from './pack-exactly';
import { isDeepEnough, mayStandTogether, pailHolds, standingLots, suits, type Standing } from './pail-fit';
import type { BenchPail, PailShare, KnownLot } from './types';

export type { SolveMixed } from './pack-exactly';

export interface Packing {
  readonly shares: readonly PailShare[];
  /** Stems for which no pail is left. */
  readonly without: readonly PailShare[];
}
interface Filled {
  readonly pail: BenchPail;
  readonly inIt: Standing[];
  /** Share of its room that is left. */
  room: number;
}

/** First fit, the fullest first: quick, and never far off. */
function firstFit(lots: readonly Standing[], pails: readonly BenchPail[]): PailShare[] {
  const free = [...pails].sort((a, b) => b.litres - a.litres);
  const filled: Filled[] = [];
  const shares: PailShare[] = [];
  const byRoom = [...lots].sort((a, b) => b.lot.stems * b.species.stemMm - a.lot.stems * a.species.stemMm);
  for (const one of byRoom) {
    let left = one.lot.stems;
    const roomFor = (p: Filled): number =>
      Math.floor(p.room * pailHolds(p.pail.litres, one.species.stemMm) + 1e-9);
    const fits = (p: Filled): boolean =>
      roomFor(p) >= 1 && p.inIt.every((other) => mayStandTogether(one, other));
    while (left > 0) {
      let into = filled
        .filter(fits)
        .sort((a, b) => a.room - b.room)
        .find((p) => roomFor(p) >= left);
      if (!into) {
        const best = free.findIndex((p) => isDeepEnough(one, p) && suits(one, p));
        const at = best >= 0 ? best : free.findIndex((p) => isDeepEnough(one, p));
        const [pail] = at >= 0 ? free.splice(at, 1) : [];
        if (pail) filled.push((into = { pail, inIt: [], room: 1 }));
        else into = filled.find(fits);
      }
      if (!into) break;
      const stems = Math.min(left, roomFor(into));
      into.room -= stems / pailHolds(into.pail.litres, one.species.stemMm);
      into.inIt.push(one);
      shares.push({ lot: one.lot.id, pail: into.pail.name, stems });
      left -= stems;
    }
  }
  return shares;
}

const stemsIn = (shares: readonly PailShare[]): number => shares.reduce((n, s) => n + s.stems, 0);
const pailsIn = (shares: readonly PailShare[]): number => new Set(shares.map((s) => s.pail)).size;

/** Fewer stems without a pail first, then fewer pails, then fewer lots in two. */
function isBetter(a: readonly PailShare[], b: readonly PailShare[]): boolean {
  return (stemsIn(b) - stemsIn(a) || pailsIn(a) - pailsIn(b) || a.length - b.length) < 0;
}

/**
 * Puts lots into the fewest pails with those they get along with; sap that bleeds and stems that hang
 * stand with their own kind alone. A solver for mixed-integer programmes packs them where one is
 * given and finds better than first fit. What finds no pail is told of.
 */
export function intoPails(
  lots: readonly KnownLot[],
  pails: readonly BenchPail[],
  solve: SolveMixed | null = null,
): Packing {
  const standing = standingLots(lots);
  const quick = firstFit(standing, pails);
  const exact = solve ? packExactly(standing, pails, solve) : null;
  const shares = exact && isBetter(exact, quick) ? exact : quick;
  const without = standing.flatMap(({ lot }) => {
    const left = lot.stems - stemsIn(shares.filter((s) => s.lot === lot.id));
    return left > 0 ? [{ lot: lot.id, pail: '', stems: left }] : [];
  });
  return { shares, without };
}
