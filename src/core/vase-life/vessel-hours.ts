import { SHIPPED, type Figures } from '../model/figures';
import type { SolutionKey } from '../water/solutions';
import {
  changeWater,
  freshWater,
  waterAfterHour,
  waterWarmth,
  type VesselWater,
} from '../water/vessel-water';
import type { AirHours } from './air';
import type { CareEvent, TopUp, WaterPlan } from './types';

/** A vessel hour by hour: its water at the start of each, and the deeds that hour brings. */
export interface VesselHours {
  readonly air: AirHours;
  /** Null while the stems are dry. */
  readonly water: readonly (VesselWater | null)[];
  readonly waterTempC: Float64Array;
  /** 1 in the first wet hour after a dry one. */
  readonly returned: Uint8Array;
  /** 1 where the vessel is filled to its brim: first water, a change, a topping up. */
  readonly filled: Uint8Array;
  /** A change due by plan with its recut, cm (0: none). */
  readonly plannedCutCm: Float64Array;
}

/** What a vessel holds, and what would be drunk from it while every stem stands and drinks its fill. */
export interface Holding {
  readonly litres: number;
  readonly drunkMlByHour: Float64Array;
}

export const DAILY: TopUp = { everyHours: 24, with: 'same' };

/** Changes by hour: those of one hour are one change, into the solution last named. */
function changesByHour(events: readonly CareEvent[]): ReadonlyMap<number, SolutionKey | null> {
  const changes = new Map<number, SolutionKey | null>();
  for (const event of events) {
    if (event.type !== 'change') continue;
    const hour = Math.floor(event.atHour);
    changes.set(hour, event.solution ?? changes.get(hour) ?? null);
  }
  return changes;
}

/**
 * What all stems in one vessel share, hour by hour: the water's bacteria and dose, changes by
 * plan (counted from the first wet hour or the last return) and by event, topping up. Water
 * stands still while the stems are dry; coming back they get fresh water by the law of a change.
 * @param holding needed for topping up with plain water, which thins the dose by what was drunk;
 *   the bacteria ride on stems and walls and are not thinned
 */
export function vesselHours(
  air: AirHours,
  plan: WaterPlan,
  events: readonly CareEvent[],
  figures: Figures = SHIPPED,
  holding?: Holding,
): VesselHours {
  const changes = changesByHour(events);
  const everyHours = plan.changeEveryDays === null ? Infinity : plan.changeEveryDays * 24;
  const topUp = plan.topUp ?? DAILY;
  const out: VesselHours = {
    air,
    water: new Array<VesselWater | null>(air.hours).fill(null),
    waterTempC: new Float64Array(air.hours),
    returned: new Uint8Array(air.hours),
    filled: new Uint8Array(air.hours),
    plannedCutCm: new Float64Array(air.hours),
  };
  const waters = out.water as (VesselWater | null)[];
  let water = null as VesselWater | null;
  let countingFrom = 0;
  let changesDone = 0;
  let drunkMl = 0;
  let { solution } = plan;
  let warmth = waterWarmth(0, figures);
  const fillUp = (hour: number): void => {
    out.filled[hour] = 1;
    drunkMl = 0;
  };
  for (let hour = 0; hour < air.hours; hour++) {
    const tempC = air.tempC[hour] ?? 0;
    out.waterTempC[hour] = tempC;
    if (air.wet[hour] === 0) continue;
    const isBack = hour > 0 && air.wet[hour - 1] === 0;
    out.returned[hour] = isBack ? 1 : 0;
    if (water === null || isBack) {
      water =
        water === null ? freshWater(plan.start, solution, 0, figures) : changeWater(water, solution, figures);
      fillUp(hour);
      countingFrom = hour;
      changesDone = 0;
    } else if (hour - countingFrom >= (changesDone + 1) * everyHours) {
      water = changeWater(water, solution, figures);
      fillUp(hour);
      changesDone++;
      if (plan.recutAtChange) out.plannedCutCm[hour] = figures.constants.recutCm;
    } else if (topUp.everyHours !== null && (hour - countingFrom) % topUp.everyHours === 0) {
      if (topUp.with === 'plain') water = thinned(water, drunkMl, holding);
      fillUp(hour);
    }
    const asked = changes.get(hour);
    if (asked !== undefined) {
      solution = asked ?? solution;
      water = changeWater(water, solution, figures);
      fillUp(hour);
    }
    const { drinkTempC } = air.stays[air.stayAt[hour] ?? 0] ?? {};
    const waterTempC =
      drinkTempC === undefined ? tempC : tempC + (drinkTempC - tempC) * 0.5 ** (hour - countingFrom + 0.5);
    out.waterTempC[hour] = waterTempC;
    waters[hour] = water;
    if (warmth.tempC !== waterTempC) warmth = waterWarmth(waterTempC, figures);
    water = waterAfterHour(water, warmth, plan.leafBelow, figures);
    drunkMl += holding?.drunkMlByHour[hour] ?? 0;
  }
  return out;
}

function thinned(water: VesselWater, drunkMl: number, holding: Holding | undefined): VesselWater {
  if (!holding) return water;
  const left = Math.max(0, 1 - drunkMl / (holding.litres * 1000));
  return { ...water, biocide: water.biocide * left };
}
