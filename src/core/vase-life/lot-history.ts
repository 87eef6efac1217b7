import type { Species } from '../species/species';
import { rightSolution, type SolutionKey } from '../water/solutions';
import type { VesselStart } from '../water/vessel-water';
import { droopOf } from './journey';
import { middlingStemAfter } from './middling-stem';
import type { Arrival, CareEvent, LotInput, Stay } from './types';

/** What has happened to a lot since it came, in hours since it came. */
export interface LotHistory {
  readonly species: Species;
  readonly arrival: Arrival;
  /** Hours from arrival to now. */
  readonly hoursHere: number;
  /** Hour it went into water; null while it stands dry. */
  readonly wetFromHour: number | null;
  /** Hour its water was last changed since; null when it has not been. */
  readonly changedAtHour: number | null;
  readonly room: { readonly tempC: number; readonly humidityPct: number; readonly litHours: number };
  readonly bench: { readonly tempC: number; readonly humidityPct: number; readonly litHours: number };
  readonly water: {
    readonly start: VesselStart;
    readonly solution: SolutionKey;
    readonly tempC: number;
  } | null;
  readonly wasHotDipped: boolean;
  readonly isBare: boolean;
  readonly startHourOfDay: number;
}

/** Where days left are counted: a table at home, the same for every lot so that lots compare. */
export const TABLE = { tempC: 21, humidityPct: 60, ethylenePpm: 0, litHours: 14 } as const;
export const TABLE_CHANGE_DAYS = 4;

/**
 * The forecast of a lot as it stands now: its hours here as they were, then a clean vase on a table
 * from now on, changed and recut every four days. Days are counted from now.
 */
export function forecastInputOf(history: LotHistory, seed: number, draws: number): LotInput {
  const here = Math.max(0, Math.floor(history.hoursHere));
  const wetFrom =
    history.wetFromHour === null ? null : Math.min(here, Math.max(0, Math.floor(history.wetFromHour)));
  const dryHours = wetFrom ?? here;
  const stays: Stay[] = [];
  if (dryHours > 0) stays.push({ hours: dryHours, ...history.bench, ethylenePpm: 0, wet: false });
  if (wetFrom !== null && here > wetFrom)
    stays.push({
      hours: here - wetFrom,
      ...history.room,
      ethylenePpm: 0,
      wet: true,
      ...(history.water ? { drinkTempC: history.water.tempC } : {}),
    });
  stays.push({ hours: null, ...TABLE, wet: true });
  const solution = history.water?.solution ?? rightSolution(history.species.foodKind);
  const events: CareEvent[] = [
    { atHour: here, type: 'change', solution: rightSolution(history.species.foodKind) },
    { atHour: here, type: 'cut', cm: 2 },
  ];
  if (history.changedAtHour !== null && history.water)
    events.push({
      atHour: Math.min(here, history.changedAtHour),
      type: 'change',
      solution: history.water.solution,
    });
  if (history.wasHotDipped) events.push({ atHour: dryHours, type: 'hot-dip' });
  return {
    species: history.species.key,
    seed,
    draws,
    startHourOfDay: history.startHourOfDay,
    leafShare: history.isBare ? 0.1 : 1,
    arrival: history.arrival,
    stays,
    countFromHour: here,
    water: {
      start: history.water?.start ?? 'clean',
      solution,
      changeEveryDays: TABLE_CHANGE_DAYS,
      recutAtChange: true,
      leafBelow: 0,
    },
    events,
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
