import { SHIPPED, type Figures } from '../model/figures';
import { opensInVase, type Species } from '../species/species';
import { clamp } from '../statistics';
import type { SolutionKey } from '../water/solutions';
import type { VesselWater } from '../water/vessel-water';
import type { AirHours } from './air';
import type { Constants } from '../model/constants';
import type { CareEvent } from './types';
import { lineSums, type LineSums } from './line-sums';
import { standingIn } from './shared-water';
import type { VesselHours } from './vessel-hours';

/** The constants that stepping a stem reads, in an object of a fixed shape: it is read every hour. */
export interface StemRules {
  readonly thirstFromW: number;
  readonly thirstWidthW: number;
  /** Extra ageing per unit of water content under `thirstFromW`, over two widths at most. */
  readonly thirstPerW: number;
  readonly limpBelowW: number;
  readonly limpOpening: number;
  readonly refillShare: number;
  readonly refillMaxPerHour: number;
  /** Share of what it lacks that a stem given its fill still lacks after each number of hours. */
  readonly missingAfter: Float64Array;
  readonly drainPerHour: number;
  readonly wiltingHours: number;
  readonly collapseBelowW: number;
  readonly causeShare: number;
  readonly ethyleneHalfPpm: number;
  /** Water content from which on a stem that is given its demand has nothing more to suffer. */
  readonly mayRestFromW: number;
}

/** Hours of rest whose refill is looked up: as long as most rests are. */
const LOOKED_UP_H = 128;

function stemRules(c: Constants): StemRules {
  return {
    missingAfter: Float64Array.from({ length: LOOKED_UP_H }, (_, hours) => (1 - c.refillShare) ** hours),
    thirstFromW: c.thirstFromW,
    thirstWidthW: c.thirstWidthW,
    thirstPerW: c.thirstGain / c.thirstWidthW,
    limpBelowW: c.limpBelowW,
    limpOpening: c.limpOpening,
    refillShare: c.refillShare,
    refillMaxPerHour: c.refillMaxPerHour,
    drainPerHour: c.drainPerHour,
    wiltingHours: c.wiltingHours,
    collapseBelowW: c.collapseBelowW,
    causeShare: c.causeShare,
    ethyleneHalfPpm: c.ethyleneHalfPpm,
    mayRestFromW: Math.max(1 - c.refillMaxPerHour / c.refillShare, c.thirstFromW, c.limpBelowW + 1e-9),
  };
}

/**
 * All that the stems of one line share, hour by hour in columns, so that stepping a stem is only
 * its own arithmetic. `dry` columns hold where there is no water: between places, or once the
 * vessel has been drunk empty.
 */
export interface LineHours {
  readonly species: Species;
  readonly constants: Constants;
  readonly rules: StemRules;
  /** Extra ageing in much ethylene, by the species' sensitivity. */
  readonly ethyleneGain: number;
  readonly wet: Uint8Array;
  /** Reference days of ageing, before thirst and ethylene. */
  readonly ageing: Float64Array;
  readonly ageingDry: Float64Array;
  readonly opening: Float64Array;
  readonly openingDry: Float64Array;
  /** Stage gained from the start to each hour's beginning by a stem that never goes limp. */
  readonly openedBy: Float64Array;
  readonly demand: Float64Array;
  readonly ethylenePpm: Float64Array;
  /** Plugging by bacteria and wound closing per unit of plug factor. */
  readonly plugging: Float64Array;
  /** Half-life of air in the stem at plug 1, hours. */
  readonly airHalfLifeH: Float64Array;
  readonly supplyFull: Float64Array;
  /** Flow that just meets the demand: demand over full supply. */
  readonly flowNeeded: Float64Array;
  /** Shares of plugging and of air that the hour's cuts and dips leave behind (1: none). */
  readonly plugRetained: Float64Array;
  readonly airRetained: Float64Array;
  /** The first hour from each on that is dry or brings care: how far a stem may rest. */
  readonly breakAt: Int32Array;
  /** Sum of `plugging` and largest `flowNeeded` from each hour to its break. */
  readonly pluggingToBreak: Float64Array;
  readonly mostNeededToBreak: Float64Array;
  readonly sums: LineSums;
  /** Hour by whose end the cold has injured it; Infinity when it does not. */
  readonly chilledAtHour: number;
}

/** Half-life of an air lock at plug 1, hours, by the temperature of the water. */
export function airHalfLifeH(waterTempC: number, constants: Constants = SHIPPED.constants): number {
  const { airHalfLifeColdH: cold, airHalfLifeRoomH: room, airHalfLifeWarmH: warm } = constants;
  if (waterTempC <= 5) return cold;
  if (waterTempC <= 20) return cold - ((waterTempC - 5) / 15) * (cold - room);
  if (waterTempC <= 40) return room - ((waterTempC - 20) / 20) * (room - warm);
  return warm;
}

function ethyleneGainOf(sensitivity: number, constants: Constants): number {
  if (sensitivity <= 0) return 0;
  if (sensitivity === 1) return constants.ethyleneGainSlight;
  return sensitivity === 2 ? constants.ethyleneGainMarked : constants.ethyleneGainSevere;
}

/** Factor by which a water stretches a species' life, with the dose and the biocide that are left in it. */
export function foodFactor(
  species: Species,
  water: Pick<VesselWater, 'solution' | 'biocide' | 'dose'>,
  { constants, solutions }: Figures,
): number {
  const solution = solutions[water.solution];
  const spent = solution.isFood && water.biocide < constants.foodBiocideFloor;
  const share = solution.gain[species.foodKind] * water.dose * (spent ? constants.spentFoodShare : 1);
  return 1 + (species.foodGain - 1) * share;
}

interface CutsAndDips {
  readonly cuts: ReadonlyMap<number, number>;
  readonly dips: ReadonlySet<number>;
}

function cutsAndDips(events: readonly CareEvent[]): CutsAndDips {
  const cuts = new Map<number, number>();
  const dips = new Set<number>();
  for (const event of events) {
    const hour = Math.floor(event.atHour);
    if (event.type === 'cut') cuts.set(hour, Math.max(event.cm, cuts.get(hour) ?? 0));
    if (event.type === 'hot-dip') dips.add(hour);
  }
  return { cuts, dips };
}

/** Centimetres taken off in an hour. Who says how much replaces the cut that goes without saying. */
function cutCmAt(hour: number, vessel: VesselHours, asked: CutsAndDips, constants: Constants): number {
  const said = asked.cuts.get(hour);
  if (said !== undefined) return said;
  const planned = vessel.plannedCutCm[hour] ?? 0;
  if (planned > 0) return planned;
  const stay = vessel.air.stays[vessel.air.stayAt[hour] ?? 0];
  return vessel.returned[hour] === 1 && stay?.cutOnReturn !== false ? constants.returnCutCm : 0;
}

/** Columns that cuts and dips fill: what each leaves of plugging and of air. */
function fillCareEvents(
  vessel: VesselHours,
  events: readonly CareEvent[],
  constants: Constants,
  plugRetained: Float64Array,
  airRetained: Float64Array,
): void {
  const asked = cutsAndDips(events);
  for (let hour = 0; hour < plugRetained.length; hour++) {
    const share = clamp(cutCmAt(hour, vessel, asked, constants) / constants.cutFullCm, 0, 1);
    const dipped = asked.dips.has(hour);
    plugRetained[hour] = (1 - constants.cutClearsPlug * share) * (dipped ? constants.hotDipPlugLeft : 1);
    airRetained[hour] = (1 - constants.cutClearsAir * share) * (dipped ? constants.hotDipAirLeft : 1);
  }
}

/** Hour by whose end the cold has injured the species; Infinity when it does not. */
function chilledAt(species: Species, air: AirHours, constants: Constants): number {
  if (species.chillBelowC === null) return Infinity;
  let chillCDays = 0;
  for (let hour = 0; hour < air.hours; hour++) {
    chillCDays += Math.max(0, species.chillBelowC - (air.tempC[hour] ?? 0)) / 24;
    if (chillCDays >= constants.chillInjuryCDays) return hour + 1;
  }
  return Infinity;
}

/** Rates that depend on the air's temperature alone, worked out once for as long as it holds. */
function ratesAt(tempC: number, species: Species, constants: Constants) {
  const tenths = (tempC - constants.referenceTempC) / 10;
  return {
    tempC,
    ageing: species.q10 ** tenths / 24,
    opening: opensInVase(species)
      ? (constants.openingShare / (24 * species.openDays20C)) * constants.openingQ10 ** tenths
      : 0,
    woundClosing: constants.woundClosingPerHour * constants.woundClosingQ10 ** tenths,
  };
}

/** One line's hours in its vessel. */
// eslint-disable-next-line complexity, max-lines-per-function -- an hour of every line goes through here: in one piece it allocates nothing and stays fast
export function lineHours(
  species: Species,
  vessel: VesselHours,
  demand: Float64Array,
  events: readonly CareEvent[],
  figures: Figures = SHIPPED,
): LineHours {
  const { constants, solutions } = figures;
  const { air } = vessel;
  const column = (): Float64Array => new Float64Array(air.hours);
  const [ageing, ageingDry, opening, openingDry] = [column(), column(), column(), column()];
  const [plugging, airHalf, supplyFull, openedBy] = [column(), column(), column(), column()];
  const [plugRetained, airRetained, flowNeeded] = [column(), column(), column()];
  fillCareEvents(vessel, events, constants, plugRetained, airRetained);
  let rates = ratesAt(NaN, species, constants);
  let half = { tempC: NaN, hours: 0 };
  const stand = standingIn(species, vessel.shared, constants);
  let food = { solution: '' as SolutionKey | '', spent: false, dose: 1, factor: 1 };
  let opened = 0;
  for (let hour = 0; hour < air.hours; hour++) {
    const tempC = air.tempC[hour] ?? 0;
    if (rates.tempC !== tempC) rates = ratesAt(tempC, species, constants);
    ageingDry[hour] = rates.ageing;
    openingDry[hour] = rates.opening;
    openedBy[hour] = opened;
    const water = vessel.water[hour];
    if (water) {
      const solution = solutions[water.solution];
      const spent = water.biocide < constants.foodBiocideFloor;
      const { dose } = water;
      if (food.solution !== water.solution || food.spent !== spent || food.dose !== dose)
        food = { solution: water.solution, spent, dose, factor: foodFactor(species, water, figures) };
      const sap = stand.sap * (vessel.sapShare[hour] ?? 0);
      const waterTempC = vessel.waterTempC[hour] ?? tempC;
      if (half.tempC !== waterTempC) half = { tempC: waterTempC, hours: airHalfLifeH(waterTempC, constants) };
      const load = 10 ** (water.bacteriaLog10 - constants.plugHalfLog10Cfu);
      const dirt = load / (1 + load);
      const harm = solution.harm * dose + stand.harm + stand.rot * dirt + constants.sapHarm * sap;
      ageing[hour] = (rates.ageing * (1 + harm)) / food.factor;
      opening[hour] = rates.opening * (1 + constants.openingBySugar * solution.sugar * dose);
      plugging[hour] =
        constants.plugByBacteriaPerHour * dirt +
        rates.woundClosing +
        stand.plugging +
        constants.sapPlugPerHour * sap;
      airHalf[hour] = half.hours;
      const supply = stand.supply * (1 + constants.supplyByAcid * solution.acid * dose);
      supplyFull[hour] = supply;
      flowNeeded[hour] = (demand[hour] ?? 0) / supply;
    }
    opened += water ? (opening[hour] ?? 0) : rates.opening;
  }
  const breaksOf = breaks(air, { plugRetained, airRetained, plugging, flowNeeded });
  const { breakAt } = breaksOf;
  return {
    species,
    constants,
    rules: stemRules(constants),
    ethyleneGain: ethyleneGainOf(species.ethylene, constants),
    wet: air.wet,
    ageing,
    ageingDry,
    opening,
    openingDry,
    openedBy,
    demand,
    ethylenePpm: air.ethylenePpm,
    plugging,
    airHalfLifeH: airHalf,
    supplyFull,
    flowNeeded,
    plugRetained,
    airRetained,
    ...breaksOf,
    sums: lineSums(air, { ageing, demand, plugging, airHalfLifeH: airHalf, breakAt }),
    chilledAtHour: chilledAt(species, air, constants),
  };
}

/** How far a stem may rest from each hour, and what that would ask of it at most. */
function breaks(
  air: AirHours,
  columns: Pick<LineHours, 'plugRetained' | 'airRetained' | 'plugging' | 'flowNeeded'>,
): Pick<LineHours, 'breakAt' | 'pluggingToBreak' | 'mostNeededToBreak'> {
  const { plugRetained, airRetained, plugging, flowNeeded } = columns;
  const breakAt = new Int32Array(air.hours);
  const pluggingToBreak = new Float64Array(air.hours);
  const mostNeededToBreak = new Float64Array(air.hours);
  let next = air.hours;
  let sum = 0;
  let most = 0;
  for (let hour = air.hours - 1; hour >= 0; hour--) {
    const isBreak = air.wet[hour] === 0 || plugRetained[hour] !== 1 || airRetained[hour] !== 1;
    if (isBreak) {
      next = hour;
      sum = 0;
      most = 0;
    } else {
      sum += plugging[hour] ?? 0;
      most = Math.max(most, flowNeeded[hour] ?? 0);
    }
    breakAt[hour] = next;
    pluggingToBreak[hour] = sum;
    mostNeededToBreak[hour] = most;
  }
  return { breakAt, pluggingToBreak, mostNeededToBreak };
}
