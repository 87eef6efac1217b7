import { packExactly, type SolveMixed } from './pack-exactly';
import {
  isDeepEnough,
  mayStandTogether,
  pailHolds,
  standsMm,
  standingLots,
  suits,
  type Standing,
} from './pail-fit';
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

/** First fit, in the order given: quick, and never far off. */
function firstFit(byRank: readonly Standing[], pails: readonly BenchPail[]): PailShare[] {
  const free = [...pails].sort((a, b) => b.litres - a.litres);
  const filled: Filled[] = [];
  const shares: PailShare[] = [];
  for (const one of byRank) {
    let left = one.lot.stems;
    const roomFor = (p: Filled): number =>
      Math.floor(p.room * pailHolds(p.pail.litres, standsMm(one.species)) + 1e-9);
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
      into.room -= stems / pailHolds(into.pail.litres, standsMm(one.species));
      into.inIt.push(one);
      shares.push({ lot: one.lot.id, pail: into.pail.name, stems });
      left -= stems;
    }
  }
  return shares;
}

const stemsIn = (shares: readonly PailShare[]): number => shares.reduce((n, s) => n + s.stems, 0);
const pailsIn = (shares: readonly PailShare[]): number => new Set(shares.map((s) => s.pail)).size;

/** What a stem of each lot loses for want of a pail. */
export type LossOf = (lotId: string) => number;

/** What stays dry, by what its stems lose. */
const lossOf = (shares: readonly PailShare[], lots: readonly Standing[], loss: LossOf): number =>
  lots.reduce(
    (sum, { lot }) => sum + (lot.stems - stemsIn(shares.filter((s) => s.lot === lot.id))) * loss(lot.id),
    0,
  );

/** Less lost for want of a pail first, then fewer stems without, fewer pails, fewer lots in two. */
function isBetter(
  a: readonly PailShare[],
  b: readonly PailShare[],
  lots: readonly Standing[],
  loss: LossOf,
): boolean {
  const lost = lossOf(a, lots, loss) - lossOf(b, lots, loss);
  if (Math.abs(lost) > 1e-9) return lost < 0;
  return (stemsIn(b) - stemsIn(a) || pailsIn(a) - pailsIn(b) || a.length - b.length) < 0;
}

/** Orders to fill pails in: the bulkiest first; what loses most for the room it takes; what loses most a stem. */
function ranks(lots: readonly Standing[], loss: LossOf): Standing[][] {
  const by = (rank: (one: Standing) => number): Standing[] => [...lots].sort((a, b) => rank(b) - rank(a));
  const room = (one: Standing): number => standsMm(one.species);
  return [
    by((one) => one.lot.stems * room(one)),
    by((one) => loss(one.lot.id) / room(one)),
    by((one) => loss(one.lot.id)),
  ];
}

/**
 * Puts lots into the fewest pails with those they get along with; sap that bleeds and stems that hang
 * stand with their own kind alone. A solver for mixed-integer programmes packs them where one is
 * given and finds better than first fit. Where pails are short, what loses least goes without, by
 * stems × what a stem loses; what finds no pail is told of.
 */
export function intoPails(
  lots: readonly KnownLot[],
  pails: readonly BenchPail[],
  solve: SolveMixed | null = null,
  loss: LossOf = () => 1,
): Packing {
  const standing = standingLots(lots);
  const tried = ranks(standing, loss).map((rank) => firstFit(rank, pails));
  const quick = tried.reduce((best, one) => (isBetter(one, best, standing, loss) ? one : best));
  const exact = solve ? packExactly(standing, pails, solve) : null;
  const shares = exact && isBetter(exact, quick, standing, loss) ? exact : quick;
  const without = standing.flatMap(({ lot }) => {
    const left = lot.stems - stemsIn(shares.filter((s) => s.lot === lot.id));
    return left > 0 ? [{ lot: lot.id, pail: '', stems: left }] : [];
  });
  return { shares, without };
}
