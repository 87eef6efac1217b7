import type { CountBand } from './water-forecast';
import { forecastWater, type WaterAsked } from './water-forecast';
import { looksLike, type Look } from './count-filter';
import { SOLUTIONS, type SolutionKey } from './solutions';

/** The house's own longest use of water, in days. */
export interface LongestUse {
  readonly plainDays: number;
  readonly foodDays: number;
  readonly lilyDays: number;
}

/** A filled pail, as it is asked about. */
export interface FilledPail extends Pick<WaterAsked, 'tempC' | 'solution' | 'start' | 'litres' | 'looks'> {
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

/** How a pail's water stands, by the law of the forecast and the looks that were taken of it. */
export function pailWater(pail: FilledPail): PailWater {
  const { solution, holdsLilies, longestUse } = pail;
  const age = Math.min(OLDEST_H, Math.max(0, Math.floor(pail.ageHours)));
  const { log10ByHour, passesLimitAtHour } = forecastWater({
    ...pail,
    looks: pail.looks.map((l) => ({ ...l, atHour: Math.min(age, Math.max(0, l.atHour)) })),
    leafBelow: 0,
    topUpLitresPerDay: 0,
    hours: age + AHEAD_H,
  });
  const byCount = (passesLimitAtHour ?? Infinity) - age;
  const byHouse = longestUseHours(solution, holdsLilies, longestUse) - pail.ageHours;
  const every = Math.max(1, Math.ceil((age + AHEAD_H) / POINTS));
  const count = log10ByHour[age] ?? { p10: 0, p50: 0, p90: 0 };
  return {
    count,
    looks: looksLike(count.p50),
    // Water that has not passed it within the days told is not due by its count.
    dueInHours: Math.max(0, Math.floor(Math.min(byCount, byHouse))),
    because: byCount <= byHouse ? 'count' : 'house',
    course: log10ByHour.flatMap((band, atHour) =>
      atHour % every === 0 || atHour === age ? [{ ...band, atHour }] : [],
    ),
  };
}
