import type { Figures } from '../model/figures';
import type { SolutionKey } from '../water/solutions';
import {
  changeWater,
  freshWater,
  thinnedWater,
  waterAfterHour,
  waterWarmth,
  type VesselStart,
  type VesselWater,
} from '../water/vessel-water';
import type { AirHours } from './air';
import { type SharedWater } from './shared-water';
import type { CareEvent, TopUp, WaterPlan } from './types';

/** A vessel hour by hour: its water at the start of each, and the care that hour brings. */
export interface VesselHours {
  readonly air: AirHours;
  readonly shared: SharedWater;
  /** Share of the sap of when stems were last put in fresh water that is still in it. */
  readonly sapShare: Float64Array;
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

/** What a vessel holds and who stands in it, and what would be drunk from it while every stem stands and drinks its fill. */
export interface Holding {
  /** Null: a pail whose level nobody minds, and whose dose nothing thins. */
  readonly litres: number | null;
  readonly drunkMlByHour?: Float64Array;
  readonly shared: SharedWater;
}

export const DAILY: TopUp = { everyHours: 24, with: 'plain' };

/** What fresh water is given, and into what. */
interface Change {
  /** Null: what there was. */
  readonly solution: SolutionKey | null;
  readonly start: VesselStart;
}

/** Changes by hour: those of one hour are one change, into the solution and the vessel last named. */
function changesByHour(events: readonly CareEvent[]): ReadonlyMap<number, Change> {
  const changes = new Map<number, Change>();
  for (const event of events) {
    if (event.type !== 'change') continue;
    const hour = Math.floor(event.atHour);
    const before = changes.get(hour);
    changes.set(hour, {
      solution: event.solution ?? before?.solution ?? null,
      start: event.start ?? before?.start ?? 'clean',
    });
  }
  return changes;
}

/** What falls due with the water of a vessel by its plan. */
type Due = 'fresh' | 'change' | 'top up' | null;

/** What is due in an hour, counted from the first wet one or the last return. */
function dueAt(plan: WaterPlan, sinceFill: number, changesDone: number): Due {
  const everyHours = plan.changeEveryDays === null ? Infinity : plan.changeEveryDays * 24;
  if (sinceFill >= (changesDone + 1) * everyHours) return 'change';
  const { everyHours: topUpHours, missed } = plan.topUp ?? DAILY;
  if (topUpHours === null || sinceFill % topUpHours !== 0) return null;
  const nth = sinceFill / topUpHours - 1;
  return missed && nth % missed.of < missed.first ? null : 'top up';
}

/** How warm the water is: a drink comes to the room's warmth by halves, an hour each. */
const waterTempAt = (tempC: number, drinkTempC: number | undefined, sinceFill: number): number =>
  drinkTempC === undefined ? tempC : tempC + (drinkTempC - tempC) * 0.5 ** (sinceFill + 0.5);

const emptyHours = (air: AirHours, shared: SharedWater): VesselHours => ({
  air,
  shared,
  sapShare: new Float64Array(air.hours),
  water: new Array<VesselWater | null>(air.hours).fill(null),
  waterTempC: new Float64Array(air.hours),
  returned: new Uint8Array(air.hours),
  filled: new Uint8Array(air.hours),
  plannedCutCm: new Float64Array(air.hours),
});

/**
 * What all stems in one vessel share, hour by hour: the water's bacteria and dose, changes by
 * plan (counted from the first wet hour or the last return) and by event, topping up. Water
 * stands still while the stems are dry; coming back they get fresh water by the law of a change.
 * @param holding topping up with plain water thins the dose by what was drunk of so many litres;
 *   the bacteria ride on stems and walls and are not thinned
 */
export function vesselHours(
  air: AirHours,
  plan: WaterPlan,
  events: readonly CareEvent[],
  figures: Figures,
  holding: Holding,
): VesselHours {
  const changes = changesByHour(events);
  const out = emptyHours(air, holding.shared);
  const waters = out.water as (VesselWater | null)[];
  let water = null as VesselWater | null;
  let countingFrom = 0;
  let changesDone = 0;
  let drunkMl = 0;
  let sapShare = 1;
  const sapRetained = 0.5 ** (1 / figures.constants.sapHalfLifeH);
  const leafBelow = plan.leafBelow + out.shared.leafBelow;
  let { solution } = plan;
  let warmth = waterWarmth(0, figures);
  const fill = (hour: number, due: Due): VesselWater => {
    const old = water;
    if (due === 'fresh') [countingFrom, changesDone] = [hour, 0];
    if (due === 'change') changesDone++;
    if (due === 'change' && plan.recutAtChange) out.plannedCutCm[hour] = figures.constants.recutCm;
    const drunk = drunkMl;
    if (due !== null) [out.filled[hour], drunkMl] = [1, 0];
    if (old === null) return firstWater(plan.start, solution, out.shared, figures);
    if (due === 'top up') return (plan.topUp ?? DAILY).with === 'plain' ? thinned(old, drunk, holding) : old;
    if (due === null) return old;
    sapShare = 0;
    return changeWater(old, solution, figures);
  };
  const change = (hour: number, old: VesselWater, into: Change | undefined): VesselWater => {
    if (into === undefined) return old;
    solution = into.solution ?? solution;
    [out.filled[hour], drunkMl, sapShare] = [1, 0, 0];
    return changeWater(old, solution, figures, into.start);
  };
  for (let hour = 0; hour < air.hours; hour++) {
    const tempC = air.tempC[hour] as number;
    out.waterTempC[hour] = tempC;
    if (air.wet[hour] === 0) continue;
    const isBack = hour > 0 && air.wet[hour - 1] === 0;
    out.returned[hour] = isBack ? 1 : 0;
    const isFresh = water === null || isBack;
    water = fill(hour, isFresh ? 'fresh' : dueAt(plan, hour - countingFrom, changesDone));
    water = change(hour, water, changes.get(hour));
    const drinkTempC = air.stays[air.stayAt[hour] as number]?.drinkTempC;
    const waterTempC = waterTempAt(tempC, drinkTempC, hour - countingFrom);
    out.waterTempC[hour] = waterTempC;
    waters[hour] = water;
    out.sapShare[hour] = sapShare;
    sapShare *= sapRetained;
    if (warmth.tempC !== waterTempC) warmth = waterWarmth(waterTempC, figures);
    water = waterAfterHour(water, warmth, leafBelow, figures);
    drunkMl += holding.drunkMlByHour?.[hour] ?? 0;
  }
  return out;
}

function thinned(water: VesselWater, drunkMl: number, holding: Holding): VesselWater {
  return holding.litres !== null
    ? thinnedWater(water, Math.max(0, 1 - drunkMl / (holding.litres * 1000)))
    : water;
}

/** Water as stems are first put in it; foam hands on only a share of the dose it was soaked in. */
function firstWater(
  start: VesselStart,
  solution: SolutionKey,
  { isFoam }: SharedWater,
  figures: Figures,
): VesselWater {
  const fresh = freshWater(start, solution, 0, figures);
  return isFoam ? thinnedWater(fresh, figures.constants.foamDoseShare) : fresh;
}
