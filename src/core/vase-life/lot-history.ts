import type { Species } from '../species/species';
import { rightSolution, type SolutionKey } from '../water/solutions';
import type { VesselStart } from '../water/vessel-water';
import { droopOf } from './journey';
import { middlingStemAfter } from './middling-stem';
import { TABLE, TABLE_CHANGE_DAYS } from './table';
import type { Arrival, CareEvent, LotInput, Stay } from './types';
import type { Overrides } from '../model/figures';

/** Air of a place, as it was. */
export interface PlaceAir {
  readonly tempC: number;
  readonly humidityPct: number;
  readonly litHours: number;
  readonly ethylenePpm: number;
}

/** A while in one place since it came, in hours since then; the last reaches to now. */
export interface StayHere {
  readonly fromHour: number;
  readonly toHour: number;
  readonly air: PlaceAir;
  /** The water it stood in; null while it stood dry. Two stays in one water bear one name. */
  readonly water: {
    readonly name: string;
    readonly start: VesselStart;
    readonly solution: SolutionKey;
    /** Null: the room's. */
    readonly tempC: number | null;
  } | null;
}

/** What has happened to a lot since it came. */
export interface LotHistory {
  readonly species: Species;
  readonly arrival: Arrival;
  /** Hours from arrival to now. */
  readonly hoursHere: number;
  /** Where it was, without a gap. */
  readonly stays: readonly StayHere[];
  readonly wasHotDipped: boolean;
  readonly isBare: boolean;
  readonly startHourOfDay: number;
  readonly overrides?: Overrides;
}

/** The name of the water a pack brings along: no pail's of ours. */
export const PACK_WATER = 'pack';

type Water = NonNullable<StayHere['water']>;
interface Hours {
  readonly from: number;
  readonly hours: number;
  readonly air: PlaceAir;
  readonly water: Water | null;
}

/** Stays in whole hours, as the model steps them; what lasted under an hour is in none, but for its water. */
function inHours({ stays, hoursHere }: LotHistory): Hours[] {
  const here = Math.max(0, Math.floor(hoursHere));
  const hour = (at: number): number => Math.min(here, Math.max(0, Math.floor(at)));
  return stays.map((s) => ({
    from: hour(s.fromHour),
    hours: hour(s.toHour) - hour(s.fromHour),
    air: s.air,
    water: s.water,
  }));
}

const isAlike = (stay: Stay, air: Hours['air'], wet: boolean): boolean =>
  stay.wet === wet &&
  stay.tempC === air.tempC &&
  stay.humidityPct === air.humidityPct &&
  stay.litHours === air.litHours &&
  stay.ethylenePpm === air.ethylenePpm;

/** The model's stays: neighbours that are alike are one. */
function modelStays(hours: readonly Hours[]): Stay[] {
  const stays: Stay[] = [];
  for (const { hours: lasting, air, water } of hours) {
    if (lasting === 0) continue;
    const wet = water !== null;
    const before = stays.at(-1);
    if (before && isAlike(before, air, wet))
      stays[stays.length - 1] = { ...before, hours: (before.hours ?? 0) + lasting };
    else
      stays.push({
        hours: lasting,
        ...air,
        wet,
        // A drink is given on coming out of a dry spell; fresh water later is a change.
        ...(water && water.tempC !== null && !before?.wet ? { drinkTempC: water.tempC } : {}),
      });
  }
  return stays;
}

/** Each fresh water after the first, as a change in the hour it was given. */
function changesOf(hours: readonly Hours[]): CareEvent[] {
  const waters = hours.filter((h) => h.water !== null);
  return waters.flatMap((h, i): CareEvent[] => {
    const before = waters[i - 1]?.water;
    if (!h.water || !before || before.name === h.water.name) return [];
    const { solution, start } = h.water;
    return [{ atHour: h.from, type: 'change', solution, ...(start === 'clean' ? {} : { start }) }];
  });
}

/**
 * The forecast of a lot as it stands now: its hours here as they were, then a clean vase on a table
 * from now on, changed and recut every four days. Days are counted from now.
 */
export function forecastInputOf(history: LotHistory, seed: number, draws: number): LotInput {
  const { species } = history;
  const here = Math.max(0, Math.floor(history.hoursHere));
  const hours = inHours(history);
  const first = hours.find((h) => h.water !== null);
  const events: CareEvent[] = [
    { atHour: here, type: 'change', solution: rightSolution(species.foodKind) },
    { atHour: here, type: 'cut', cm: 2 },
    ...changesOf(hours),
  ];
  if (history.wasHotDipped) events.push({ atHour: first?.from ?? here, type: 'hot-dip' });
  return {
    species: species.key,
    seed,
    draws,
    startHourOfDay: history.startHourOfDay,
    leafShare: history.isBare ? 0.1 : 1,
    arrival: history.arrival,
    stays: [...modelStays(hours), { hours: null, ...TABLE, wet: true }],
    countFromHour: here,
    water: {
      start: first?.water?.start ?? 'clean',
      solution: first?.water?.solution ?? rightSolution(species.foodKind),
      changeEveryDays: TABLE_CHANGE_DAYS,
      recutAtChange: true,
      leafBelow: 0,
    },
    events,
    ...(history.overrides ? { overrides: history.overrides } : {}),
  };
}

/** How a lot stands now, by its middling stem: the start of an arrangement made of it. */
export function arrivalNow(input: LotInput): Arrival {
  const here = input.countFromHour ?? 0;
  const stem = middlingStemAfter(input, here);
  return {
    agedDays: stem.agedDays,
    stage: Math.round(stem.stage * 100) / 100,
    droop: droopOf(stem.waterContent),
    airShare: stem.airShare,
    ageErrorSdDays: input.arrival.ageErrorSdDays ?? 0,
  };
}
