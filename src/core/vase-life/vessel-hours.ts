import { changeWater, freshWater, waterAnHourLater, type VesselWater } from '../water/vessel-water';
import type { HourOfAir } from './air';
import { MODEL } from './constants';
import type { CareEvent, WaterPlan } from './types';

/** One hour of a vessel: its air, its water (null while dry), and the cut that hour brings. */
export interface VesselHour {
  readonly air: HourOfAir;
  readonly water: VesselWater | null;
  readonly waterTempC: number;
  /** First wet hour after a dry one. */
  readonly returned: boolean;
  /** A change due by plan with its recut, cm (0: none). */
  readonly plannedCutCm: number;
}

const hourOf = (event: CareEvent): number => Math.floor(event.atHour);

/**
 * What all stems in one vessel share, hour by hour: the water's bacteria and dose, changes by
 * plan (counted from the first wet hour or the last return) and by event. Water stands still
 * while the stems are dry; coming back they get fresh water by the law of a change.
 */
export function vesselHours(
  air: readonly HourOfAir[],
  plan: WaterPlan,
  events: readonly CareEvent[],
): VesselHour[] {
  const changes = new Map(
    events.flatMap((e) => (e.type === 'change' ? [[hourOf(e), e.solution ?? null] as const] : [])),
  );
  const everyHours = plan.changeEveryDays === null ? Infinity : plan.changeEveryDays * 24;
  let water: VesselWater | null = null;
  let countingFrom = 0;
  let changesDone = 0;
  let solution = plan.solution;
  return air.map((hourOfAir, hour) => {
    const wasDry = hour > 0 && !air[hour - 1]?.wet;
    const returned = hourOfAir.wet && wasDry;
    let plannedCutCm = 0;
    if (hourOfAir.wet && (water === null || returned)) {
      water = water === null ? freshWater(plan.start, solution) : changeWater(water, solution);
      countingFrom = hour;
      changesDone = 0;
    } else if (hourOfAir.wet && water && hour - countingFrom >= (changesDone + 1) * everyHours) {
      water = changeWater(water, solution);
      changesDone++;
      if (plan.recutAtChange) plannedCutCm = MODEL.recutCm;
    }
    const asked = changes.get(hour);
    if (hourOfAir.wet && water && asked !== undefined) {
      solution = asked ?? solution;
      water = changeWater(water, solution);
    }
    const drinkTempC = hourOfAir.stay.drinkTempC;
    const warmthLeft = drinkTempC === undefined ? 0 : 0.5 ** (hour - countingFrom + 0.5);
    const waterTempC = hourOfAir.tempC + ((drinkTempC ?? 0) - hourOfAir.tempC) * warmthLeft;
    const standing = hourOfAir.wet ? water : null;
    if (hourOfAir.wet && water) water = waterAnHourLater(water, waterTempC, plan.leafBelow);
    return { air: hourOfAir, water: standing, waterTempC, returned, plannedCutCm };
  });
}
