import { opensInVase, type Species } from '../species/species';
import { clamp } from '../statistics';
import { SOLUTIONS } from '../water/solutions';
import { airPull } from './air';
import { MODEL } from './constants';
import type { CareEvent } from './types';
import type { VesselHour } from './vessel-hours';

/**
 * All that the stems of one line share in one hour, so that stepping a stem is only its own
 * arithmetic: rates, the air's demand, the water's load, the deeds.
 */
export interface StemHour {
  readonly wet: boolean;
  /** Reference days of ageing, before thirst and ethylene. */
  readonly ageing: number;
  readonly ethylenePpm: number;
  readonly opening: number;
  readonly demand: number;
  /** Plugging by bacteria and wound closing per unit of plug factor. */
  readonly plugging: number;
  /** Half-life of air in the stem at plug 1, hours. */
  readonly airHalfLifeH: number;
  readonly supplyFull: number;
  readonly cutCm: number;
  readonly hotDip: boolean;
}

export interface LineHours {
  readonly hours: readonly StemHour[];
  /** Hour by whose end the cold has injured it; Infinity when it does not. */
  readonly chilledAtHour: number;
}

/** Half-life of an air lock at plug 1, hours, by the temperature of the water. */
export function airHalfLifeH(waterTempC: number): number {
  if (waterTempC <= 5) return 10;
  if (waterTempC <= 20) return 10 - ((waterTempC - 5) / 15) * 4;
  if (waterTempC <= 40) return 6 - ((waterTempC - 20) / 20) * 4.5;
  return 1.5;
}

/** Factor on the rate of ageing at an ethylene concentration, by sensitivity 0 to 3. */
export function ethyleneFactor(ppm: number, sensitivity: number): number {
  const gain = MODEL.ethyleneGain[sensitivity] ?? 0;
  return ppm <= 0 ? 1 : 1 + (gain * ppm) / (ppm + MODEL.ethyleneHalfPpm);
}

/** Factor by which a solution stretches a species' life, with that much biocide still working. */
export function foodFactor(species: Species, water: VesselHour['water']): number {
  if (!water) return 1;
  const solution = SOLUTIONS[water.solution];
  const spent = solution.isFood && water.biocide < MODEL.foodBiocideFloor;
  const share = solution.gain[species.foodKind] * (spent ? MODEL.spentFoodShare : 1);
  return 1 + (species.foodGain - 1) * share;
}

function cutAt(hour: number, vesselHour: VesselHour, cuts: ReadonlyMap<number, number>): number {
  const asked = cuts.get(hour);
  // Somebody who says how much to take off replaces the cut that would go without saying.
  if (asked !== undefined) return asked;
  if (vesselHour.plannedCutCm > 0) return vesselHour.plannedCutCm;
  return vesselHour.returned && vesselHour.air.stay.cutOnReturn !== false ? MODEL.returnCutCm : 0;
}

/** One line's hours in its vessel. */
export function stemHours(
  species: Species,
  vessel: readonly VesselHour[],
  leafShare: number,
  events: readonly CareEvent[],
): LineHours {
  const cuts = new Map<number, number>();
  const dips = new Set<number>();
  const strips = new Map<number, number>();
  for (const event of events) {
    const hour = Math.floor(event.atHour);
    if (event.type === 'cut') cuts.set(hour, Math.max(event.cm, cuts.get(hour) ?? 0));
    if (event.type === 'hot-dip') dips.add(hour);
    if (event.type === 'strip') strips.set(hour, event.leafShare);
  }
  let leaves = leafShare;
  let chillCDays = 0;
  let chilledAtHour = Infinity;
  const hours = vessel.map((vesselHour, hour): StemHour => {
    const { air, water } = vesselHour;
    leaves = strips.get(hour) ?? leaves;
    const solution = water ? SOLUTIONS[water.solution] : null;
    const tenths = (air.tempC - MODEL.referenceTempC) / 10;
    if (species.chillBelowC !== null && air.tempC < species.chillBelowC) {
      chillCDays += (species.chillBelowC - air.tempC) / 24;
      if (chillCDays >= MODEL.chillInjuryCDays) chilledAtHour = Math.min(chilledAtHour, hour + 1);
    }
    const load = water ? 10 ** (water.bacteriaLog10 - MODEL.plugHalfLog10Cfu) : 0;
    const transpiring =
      MODEL.bareDemand + (MODEL.leafDemand * leaves * species.leafiness) / MODEL.referenceLeafiness;
    return {
      wet: air.wet,
      ageing: (species.q10 ** tenths * (1 + (solution?.harm ?? 0))) / foodFactor(species, water) / 24,
      ethylenePpm: air.ethylenePpm,
      opening: opensInVase(species)
        ? (0.8 / (24 * species.openDays20C)) * 2.5 ** tenths * (1 + 0.15 * (solution?.sugar ?? 0))
        : 0,
      demand: transpiring * airPull(air),
      plugging: (MODEL.plugByBacteriaPerHour * load) / (1 + load) + MODEL.woundClosingPerHour * 2 ** tenths,
      airHalfLifeH: airHalfLifeH(vesselHour.waterTempC),
      supplyFull: MODEL.supplyFull * (1 + 0.15 * (solution?.acid ?? 0)),
      cutCm: cutAt(hour, vesselHour, cuts),
      hotDip: dips.has(hour),
    };
  });
  return { hours, chilledAtHour };
}

/** Shares of plugging and of air that a cut of that length leaves behind. */
export function cutLeaves(cutCm: number): { readonly plug: number; readonly air: number } {
  const share = clamp(cutCm / MODEL.cut.fullCm, 0, 1);
  return { plug: 1 - MODEL.cut.plugCleared * share, air: 1 - MODEL.cut.airCleared * share };
}
