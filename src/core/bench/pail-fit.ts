import { composeProtocol } from '../protocol/compose';
import { warmthWord } from '../protocol/figures';
import type { PailWish } from '../protocol/types';
import { speciesByKey, type Species } from '../species/species';
import type { BenchPail, WaitingLot } from './types';

/** Stems of a rose's thickness in ten litres; thinner ones stand closer (estimate from the trade's ranges). */
const ROSES_IN_TEN_LITRES = 50;
const ROSE_MM = 6;
/** From this length on stems want a pail that holds them up. */
const TALL_STEM_CM = 60;
const TALL_PAIL_CM = 30;
/** Share of its life at which a flower gives off gas that ages its neighbours (estimate). */
const GASES_FROM_LIFE_USED = 0.75;
const MARKED_ETHYLENE = 2;

/** Stems of a species that a pail holds. */
export function pailHolds(litres: number, stemMm: number): number {
  return Math.max(1, Math.floor((litres / 10) * ROSES_IN_TEN_LITRES * (ROSE_MM / stemMm)));
}

/** A lot as the pails see it. */
export interface Standing {
  readonly lot: WaitingLot;
  readonly species: Species;
  readonly wish: PailWish;
  /** Lots of other waters have other names; what bleeds or hangs shares with its own kind only. */
  readonly water: string;
  readonly givesGas: boolean;
  readonly isTall: boolean;
}

/** The lots that go into pails, each with the water it goes into first. */
export function standingLots(lots: readonly WaitingLot[]): Standing[] {
  return lots.flatMap((lot) => {
    const species = speciesByKey(lot.species);
    const { stage, droop, packing, flaws } = lot;
    const steps = lot.steps ?? composeProtocol({ species, stage, droop, packing, hoursDry: 0, flaws });
    const wish = steps.find((s) => s.pail !== null)?.pail;
    if (!wish) return [];
    const own = wish.alone ? `, ${lot.species}, ${droop}, ${flaws.includes('grey-mould') ? lot.id : ''}` : '';
    return [
      {
        lot,
        species,
        wish,
        water: `${wish.solution}, ${wish.depth}, ${warmthWord(wish.tempC)}${own}`,
        givesGas:
          stage > 1 ||
          flaws.includes('grey-mould') ||
          lot.agedDays > GASES_FROM_LIFE_USED * species.lifeDays20C,
        isTall: (lot.lengthCm ?? 0) >= TALL_STEM_CM,
      },
    ];
  });
}

/** Whether two lots may stand in one pail: one water, and neither gases the other. */
export function mayStandTogether(a: Standing, b: Standing): boolean {
  if (a.water !== b.water) return false;
  const isGassed = (x: Standing, y: Standing): boolean =>
    x.givesGas && x.species.key !== y.species.key && y.species.ethylene >= MARKED_ETHYLENE;
  return !isGassed(a, b) && !isGassed(b, a);
}

/** Whether a pail holds up a lot's stems. */
export const suits = (s: Standing, pail: BenchPail): boolean => !s.isTall || pail.heightCm >= TALL_PAIL_CM;
/** Whether its water stands deep enough in it at all. */
export const isDeepEnough = (s: Standing, pail: BenchPail): boolean => s.wish.depthCm <= pail.heightCm;
