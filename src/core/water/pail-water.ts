import { bandOf, waterHours, type CountBand, type WaterAsked } from './water-forecast';
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
const POINTS = 24;
/** So far ahead a course is told, hours. */
const AHEAD_H = 96;
/** Water that stood longer is as far gone as it gets. */
const OLDEST_H = 1200;

/** The house's longest use of water, hours, whatever the count; of lilies the stricter of theirs and the water's. */
export function longestUseHours(solution: SolutionKey, holdsLilies: boolean, days: LongestUse): number {
  const ofWater = SOLUTIONS[solution].isFood ? days.foodDays : days.plainDays;
  return (holdsLilies ? Math.min(ofWater, days.lilyDays) : ofWater) * 24;
}

/** A pail's water at one moment, and when it is due. */
function standing(pail: FilledPail, age: number, events: readonly WaterEvent[]) {
  const { solution, holdsLilies, longestUse } = pail;
  const forecast = waterHours({
    ...pail,
    events: events.map((e) => ({ ...e, atHour: Math.min(age, Math.max(0, e.atHour)) })),
    looks: [],
    leafBelow: 0,
    topUpLitresPerDay: 0,
    hours: age + AHEAD_H,
  });
  // Water that has not passed the limit within the days told is not due by its count.
  const byCount = (forecast.passesLimitAtHour ?? Infinity) - age;
  const byHouse = longestUseHours(solution, holdsLilies, longestUse) - pail.ageHours;
  return {
    forecast,
    dueInHours: Math.max(0, Math.floor(Math.min(byCount, byHouse))),
    because: byCount <= byHouse ? ('count' as const) : ('house' as const),
    dose: forecast.dose[age] ?? 1,
  };
}

/** How a pail's water stands, by the law of the forecast and by what was seen in it and done to it. */
export function pailWater(pail: FilledPail): PailWater {
  const age = Math.min(OLDEST_H, Math.max(0, Math.floor(pail.ageHours)));
  const { forecast, ...stands } = standing(pail, age, pail.events);
  const every = Math.max(1, Math.ceil((age + AHEAD_H) / POINTS));
  const bandAt = (hour: number): CountBand => bandOf(forecast.log10[hour] ?? 0, forecast.sd[hour] ?? 0);
  const count = bandAt(age);
  // A strip that told two things was read once.
  const last = pail.events.at(-1);
  const before =
    last &&
    standing(
      pail,
      age,
      pail.events.filter((e) => e.atHour !== last.atHour),
    );
  return {
    ...{ count, ...stands },
    looks: looksLike(count.p50),
    litresLeft: forecast.litres[age] ?? pail.litres,
    without: before
      ? {
          ...{ dueInHours: before.dueInHours, dose: before.dose },
          log10: before.forecast.log10[age] ?? 0,
        }
      : null,
    course: forecast.log10.flatMap((_, atHour) =>
      atHour % every === 0 || atHour === age ? [{ ...bandAt(atHour), atHour }] : [],
    ),
  };
}
