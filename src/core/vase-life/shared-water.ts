import type { Constants } from '../model/constants';
import type { Sap, Species } from '../species/species';
import { hasTrait } from '../species/traits';
import { DEPTH_CM } from '../species/depths';

/** Strength of each kind of sap in a water: 0 none, 1 the most that stems can give. */
export interface SapInWater {
  readonly mucilage: number;
  readonly latex: number;
}

/** What stands together makes of its one water, whoever of it drinks. */
export interface SharedWater {
  readonly isFoam: boolean;
  /** Added to the leaf under the waterline: crumbs of foam, soft stem in water too deep for it. */
  readonly leafBelow: number;
  /** Sap that runs into it when they are first put in. */
  readonly sap: SapInWater;
  /** How deep the water stands, cm; null where it is set for what stands in it. */
  readonly depthCm: number | null;
}

/** Stems of one kind in a vessel, as they bear on its water. */
export interface Standing {
  readonly species: Species;
  readonly stems: number;
  /** Hours it stood in water alone before it came to the others. */
  readonly aloneHours?: number | undefined;
  /** Its sap was sealed: dipped in heat or dabbed until it stopped. */
  readonly sapSealed?: boolean | undefined;
}

export const NO_SAP: SapInWater = { mucilage: 0, latex: 0 };

/** A night alone: after it nothing more comes. */
const NIGHT_ALONE_H = 8;

/** Share of its sap that a stem still gives to a water: four hours alone leave a tenth, a night none. */
export function sapLeft({ species, aloneHours = 0, sapSealed }: Standing, constants: Constants): number {
  if (species.sap === 'none' || sapSealed === true) return 0;
  // Latex runs until it is sealed, alone or not.
  if (species.sap === 'latex') return 1;
  return aloneHours >= NIGHT_ALONE_H ? 0 : 0.1 ** (aloneHours / constants.mucilageRunsH);
}

function strengthOf(kind: Sap, standing: readonly Standing[], litres: number, constants: Constants): number {
  const running = standing.filter((s) => s.species.sap === kind);
  const stems = running.reduce((n, s) => n + s.stems, 0);
  if (stems === 0) return 0;
  const left = running.reduce((n, s) => n + s.stems * sapLeft(s, constants), 0) / stems;
  return (left * stems) / (stems + constants.sapHalfStemsPerLitre * litres);
}

/** How far water of that depth stands past what a shallow drinker bears, cm; 0 for the others. */
export function tooDeepCm(species: Species, depthCm: number | null): number {
  return depthCm !== null && species.depth === 'shallow' ? Math.max(0, depthCm - DEPTH_CM.shallow) : 0;
}

/** What these stems make of one vessel's water. @param depthCm as the water stands; null: as it should */
export function sharedWater(
  standing: readonly Standing[],
  vessel: { readonly isFoam: boolean; readonly litres: number; readonly depthCm: number | null },
  constants: Constants,
): SharedWater {
  const { isFoam, litres } = vessel;
  const depthCm = isFoam ? null : vessel.depthCm;
  const stems = standing.reduce((n, s) => n + s.stems, 0);
  const soft = standing.reduce((sum, s) => sum + s.stems * tooDeepCm(s.species, depthCm), 0) / stems;
  const sap = {
    mucilage: strengthOf('mucilage', standing, litres, constants),
    latex: strengthOf('latex', standing, litres, constants),
  };
  return {
    isFoam,
    leafBelow: (isFoam ? constants.foamLitter : 0) + soft * constants.depthLeafPerCm,
    sap,
    depthCm,
  };
}

/** The water of a lot that stands alone: nobody's sap but its own. */
export function lotWater(species: Species, depthCm: number | undefined, constants: Constants): SharedWater {
  const vessel = { isFoam: false, litres: 1, depthCm: depthCm ?? null };
  return { ...sharedWater([{ species, stems: 1 }], vessel, constants), sap: NO_SAP };
}

/** How much a species minds each sap in its water, 0 to 1: never its own kind's. */
export function sapMinded(species: Species, constants: Constants): SapInWater {
  const most = hasTrait(species, 'minds sap') ? 1 : constants.sapMindedByOthers;
  return {
    mucilage: species.sap === 'mucilage' ? 0 : most,
    latex: species.sap === 'latex' ? 0 : most * constants.latexAgainstMucilage,
  };
}

/** What standing in a vessel does to a line, whatever the hour. */
export function standingIn(species: Species, { isFoam, sap, depthCm }: SharedWater, constants: Constants) {
  const minded = sapMinded(species, constants);
  const tooDeep = tooDeepCm(species, depthCm);
  return {
    /** Strength of others' sap as the line feels it, when it is first put in. */
    sap: sap.mucilage * minded.mucilage + sap.latex * minded.latex,
    harm: (isFoam ? constants.foamHarm : 0) + constants.depthHarmPerCm * tooDeep,
    supply: constants.supplyFull * (isFoam ? constants.foamSupply : 1),
    rot: constants.depthRotPerCm * tooDeep,
    plugging: constants.depthPlugPerHour * tooDeep,
  };
}
