import { mayShareWater } from '../protocol/compose';
import { drinkWish } from '../protocol/steps';
import type { PailWish } from '../protocol/types';
import { speciesByKey } from '../species/species';
import type { BenchPail, WaitingLot } from './types';

/** Stems of a rose's thickness in ten litres; thinner ones stand closer (estimate from the trade's ranges). */
const ROSES_IN_TEN_LITRES = 50;
const ROSE_MM = 6;
/** From this length on a stem wants a tall pail. */
const TALL_FROM_CM = 30;

/** Stems of a species that a pail holds. */
export function pailHolds(litres: number, stemMm: number): number {
  return Math.max(1, Math.floor((litres / 10) * ROSES_IN_TEN_LITRES * (ROSE_MM / stemMm)));
}

export interface PailShare {
  readonly lot: string;
  readonly pail: string;
  readonly stems: number;
}
interface Filled {
  readonly pail: BenchPail;
  readonly wish: PailWish;
  readonly kind: string;
  /** Share of its room that is left. */
  room: number;
}

/**
 * Puts lots into pails, the fullest first, with those they get along with; sap that bleeds and stems
 * that hang stand with their own kind alone. What finds no pail is told of.
 */
export function intoPails(
  lots: readonly WaitingLot[],
  pails: readonly BenchPail[],
): { readonly shares: readonly PailShare[]; readonly without: readonly PailShare[] } {
  const free = [...pails].sort((a, b) => b.litres - a.litres);
  const filled: Filled[] = [];
  const shares: PailShare[] = [];
  const without: PailShare[] = [];
  const wanted = lots
    .map((lot) => {
      const species = speciesByKey(lot.species);
      const { stage, droop, packing, flaws } = lot;
      const own = drinkWish({ species, stage, droop, packing, hoursDry: 0, flaws });
      return { lot, species, wish: species.sap === 'none' ? own : { ...own, alone: true } };
    })
    .sort((a, b) => b.lot.stems * b.species.stemMm - a.lot.stems * a.species.stemMm);
  for (const { lot, species, wish } of wanted) {
    let left = lot.stems;
    while (left > 0) {
      const fits = (p: Filled): boolean =>
        p.room * pailHolds(p.pail.litres, species.stemMm) >= Math.min(left, 1) &&
        (mayShareWater(p.wish, wish) || (p.kind === lot.species && p.wish.solution === wish.solution));
      let into = filled
        .filter(fits)
        .sort((a, b) => a.room - b.room)
        .find((p) => p.room * pailHolds(p.pail.litres, species.stemMm) >= left);
      if (!into) {
        const at = free.findIndex((p) => wish.depthCm < TALL_FROM_CM || p.heightCm >= wish.depthCm);
        const [pail] = at >= 0 ? free.splice(at, 1) : [];
        if (pail) filled.push((into = { pail, wish, kind: lot.species, room: 1 }));
        else into = filled.find(fits);
      }
      const holds = into ? pailHolds(into.pail.litres, species.stemMm) : 0;
      const stems = into ? Math.min(left, Math.max(0, Math.floor(into.room * holds + 1e-9))) : left;
      if (!into || stems === 0) {
        without.push({ lot: lot.id, pail: '', stems: left });
        break;
      }
      into.room -= stems / holds;
      shares.push({ lot: lot.id, pail: into.pail.name, stems });
      left -= stems;
    }
  }
  return { shares, without };
}
