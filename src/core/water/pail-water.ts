import { bandOf, waterHours, type CountBand, type WaterAsked, type WaterHours } from './water-forecast';
import { looksLike, type Look } from './count-filter';
import type { WaterEvent } from './water-events';
import { SOLUTIONS, type SolutionKey } from './solutions';

/** The house's own longest use of water, in days. */
export interface LongestUse {
  readonly plainDays: number;
  readonly foodDays: number;
  readonly lilyDays: number;
}

/** A filled pail, as it is asked about. */
export interface FilledPail extends Pick<WaterAsked, 'tempC' | 'solution' | 'start' | 'litres' | 'open'> {
  /** What was seen and read in it and done to it, in its order. */
  readonly events: readonly WaterEvent[];
  /** Hours since it was filled. */
  readonly ageHours: number;
  readonly holdsLilies: boolean;
  readonly longestUse: LongestUse;
}

/** The air a pail stands in where nobody told of its room: a shop's back room (estimate). */
export const USUAL_AIR = { tempC: 18, humidityPct: 60 } as const;

/** Why water is due: its predicted count, or the house's own days, whichever comes first. */
export type DueBecause = 'count' | 'house';

/** A pail's water as it stands. */
export interface PailWater {
  /** log10 CFU/mL now. */
  readonly count: CountBand;
  /** What it should look like. */
  readonly looks: Exclude<Look, 'smells'>;
  /** Whole hours until it is due for a change; 0 where it is due. */
  readonly dueInHours: number;
  readonly because: DueBecause;
  /** Litres that are left in it. */
  readonly litresLeft: number;
  /** The share of the dose that was meant in it; 1 as it was made. */
  readonly dose: number;
  /** What the last thing seen, read or done changed: as it would stand without. Null where there was none. */
  readonly without: { readonly dueInHours: number; readonly dose: number; readonly log10: number } | null;
  /** The count from the fill on and some days ahead, each with its hours since the fill: for a line over time. */
  readonly course: readonly (CountBand & { readonly atHour: number })[];
}

/** A course is told in so many points. */
const POINTS = 18;
/** So far ahead a course is told, hours. */
const AHEAD_H = 96;
/** Water that stood longer is as far gone as it gets. */
const OLDEST_H = 1200;

/** The house's longest use of water, hours, whatever the count; of lilies the stricter of theirs and the water's. */
export function longestUseHours(solution: SolutionKey, holdsLilies: boolean, days: LongestUse): number {
  const ofWater = SOLUTIONS[solution].isFood ? days.foodDays : days.plainDays;
  return (holdsLilies ? Math.min(ofWater, days.lilyDays) : ofWater) * 24;
}

/** How many hours are left by the count alone, and what else of water does not hang on the minutes since the hour. */
interface Standing {
  /** Infinite where it does not pass the limit within the days told. */
  readonly leftByCountH: number;
  readonly dose: number;
  readonly log10: number;
}

/** What of a pail's water stands for an hour of its age, whatever the house's own days. */
export interface WaterThisHour extends Standing, Pick<PailWater, 'count' | 'litresLeft' | 'course'> {
  /** The same without the last thing seen, read or done; null where there was none. */
  readonly without: Standing | null;
}

/** The part of a pail that this hangs on. */
export type StandingWater = Omit<FilledPail, 'ageHours' | 'holdsLilies' | 'longestUse'> & {
  /** Whole hours. */
  readonly age: number;
};

/** The part of a pail that its water hangs on for an hour. */
export function standingWater(pail: FilledPail): StandingWater {
  const { start, litres, solution, tempC, open, events, ageHours } = pail;
  const age = Math.min(OLDEST_H, Math.max(0, Math.floor(ageHours)));
  return { start, litres, solution, tempC, events, age, ...(open ? { open } : {}) };
}

/** The hours a course is told at: evenly from the fill on, and the present one. */
function hoursTold(age: number): number[] {
  const every = Math.max(1, Math.ceil((age + AHEAD_H) / POINTS));
  const even = Array.from({ length: Math.floor((age + AHEAD_H) / every) + 1 }, (_, i) => i * every);
  return [...new Set([...even, age])].sort((a, b) => a - b);
}

/** Water by the hour from its fill until some days ahead: what takes long of `pailWater`. */
export function waterThisHour({ age, ...pail }: StandingWater): WaterThisHour {
  const through = (events: readonly WaterEvent[]): WaterHours =>
    waterHours({
      ...pail,
      events: events.map((e) => ({ ...e, atHour: Math.min(age, Math.max(0, e.atHour)) })),
      looks: [],
      leafBelow: 0,
      topUpLitresPerDay: 0,
      hours: age + AHEAD_H,
    });
  const standing = (of: WaterHours): Standing => ({
    leftByCountH: (of.passesLimitAtHour ?? Infinity) - age,
    dose: of.dose[age] ?? 1,
    log10: of.log10[age] ?? 0,
  });
  const forecast = through(pail.events);
  const bandAt = (hour: number): CountBand => bandOf(forecast.log10[hour] ?? 0, forecast.sd[hour] ?? 0);
  // A strip that told two things was read once.
  const last = pail.events.at(-1);
  return {
    ...standing(forecast),
    count: bandAt(age),
    litresLeft: forecast.litres[age] ?? pail.litres,
    course: hoursTold(age).map((atHour) => ({ ...bandAt(atHour), atHour })),
    without: last ? standing(through(pail.events.filter((e) => e.atHour !== last.atHour))) : null,
  };
}

/**
 * How a pail's water stands, by the law of the forecast and by what was seen in it and done to it.
 * @param hour of `standingWater(pail)`, where somebody has kept it
 */
export function pailWater(pail: FilledPail, hour = waterThisHour(standingWater(pail))): PailWater {
  const { count, litresLeft, dose, course, without, leftByCountH } = hour;
  const byHouse = longestUseHours(pail.solution, pail.holdsLilies, pail.longestUse) - pail.ageHours;
  const due = (byCount: number): number => Math.max(0, Math.floor(Math.min(byCount, byHouse)));
  return {
    ...{ count, litresLeft, dose, course },
    looks: looksLike(count.p50),
    dueInHours: due(leftByCountH),
    because: leftByCountH <= byHouse ? 'count' : 'house',
    without: without && {
      dueInHours: due(without.leftByCountH),
      dose: without.dose,
      log10: without.log10,
    },
  };
}
