import { composeProtocol } from '../protocol/compose';
import type { PailWish } from '../protocol/types';
import type { Species } from '../species/species';
import { hasTrait } from '../species/traits';
import { waterName, whyNotBeside, whyNotOneWater, type Sharer } from '../water/sharing';
import type { BenchPail, KnownLot } from './types';

/** Stems of a rose's thickness in ten litres; thinner ones stand closer (estimate from the trade's ranges). */
const ROSES_IN_TEN_LITRES = 50;
const ROSE_MM = 6;
/** From this length on stems want a pail that holds them up. */
const TALL_STEM_CM = 60;
const TALL_PAIL_CM = 30;

/** Of what stands close, the thickness of a rose stem that takes as much room, against its own. */
const CLOSE = 0.476;
const LEAST_CLOSE_MM = 3.3;

/** The room a stem of a species takes among others, as the thickness of a rose stem that takes as much, mm. */
export function standsMm(species: Pick<Species, 'stemMm' | 'traits'>): number {
  if (!hasTrait(species, 'stands close')) return species.stemMm;
  return Math.min(species.stemMm, Math.max(LEAST_CLOSE_MM, species.stemMm * CLOSE));
}

/** Stems of such a thickness that a pail holds. */
export function pailHolds(litres: number, stemMm: number): number {
  return Math.max(1, Math.floor((litres / 10) * ROSES_IN_TEN_LITRES * (ROSE_MM / stemMm)));
}

/** A lot as the pails see it. */
export interface Standing {
  readonly lot: KnownLot;
  readonly species: Species;
  readonly wish: PailWish;
  readonly sharer: Sharer;
  /** Lots of other waters have other names; what stands apart shares with its own kind only. */
  readonly water: string;
  readonly isTall: boolean;
}

/** The lots that go into pails, each with the water it goes into first. */
export function standingLots(lots: readonly KnownLot[]): Standing[] {
  return lots.flatMap((lot) => {
    const { species, stage, droop, packing, flaws, agedDays } = lot;
    const steps = lot.steps ?? composeProtocol({ species, stage, droop, packing, hoursDry: 0, flaws });
    const first = steps.find((s) => s.pail !== null);
    const wish = first?.pail;
    if (!wish) return [];
    const sharer: Sharer = {
      lotId: lot.id,
      species,
      sapRuns: first.kind === 'sap-soak',
      droop,
      isApart: wish.alone,
      isMouldy: flaws.includes('grey-mould'),
      stage,
      agedDays,
    };
    const own = wish.alone ? `, ${species.key}, ${droop}, ${sharer.isMouldy ? lot.id : ''}` : '';
    return [
      {
        lot,
        species,
        wish,
        sharer,
        water: waterName(wish) + own,
        isTall: (lot.lengthCm ?? 0) >= TALL_STEM_CM,
      },
    ];
  });
}

/** Whether two lots may stand in one pail: beside one another, and in one water. */
export const mayStandTogether = (a: Standing, b: Standing): boolean =>
  whyNotBeside(a.sharer, b.sharer) === null && whyNotOneWater(a.wish, b.wish) === null;

/** Whether a pail holds up a lot's stems. */
export const suits = (s: Standing, pail: BenchPail): boolean => !s.isTall || pail.heightCm >= TALL_PAIL_CM;
/** Whether its water stands deep enough in it at all. */
export const isDeepEnough = (s: Standing, pail: BenchPail): boolean => s.wish.depthCm <= pail.heightCm;
