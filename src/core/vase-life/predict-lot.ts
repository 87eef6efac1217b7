import { randomStream } from '../random';
import { speciesByKey } from '../species/species';
import { quantileOfSorted } from '../statistics';
import { airByHour } from './air';
import { HORIZON_DAYS, MODEL_VERSION } from './constants';
import { drawStem, stepStem, type Stem } from './stem';
import { stemHours } from './stem-hours';
import { END_CAUSES, type EndCause, type LotForecast, type LotInput, type Quantiles } from './types';
import { vesselHours } from './vessel-hours';

const DEFAULT_START_HOUR_OF_DAY = 8;

/** P10, P50 and P90 of values in any order. */
export function quantilesOf(values: Iterable<number>): Quantiles {
  const ascending = Float64Array.from(values).sort();
  return {
    p10: quantileOfSorted(ascending, 0.1),
    p50: quantileOfSorted(ascending, 0.5),
    p90: quantileOfSorted(ascending, 0.9),
  };
}

/** Hours a forecast must step: to the horizon, counted from where its days are counted. */
export function hoursToStep(countFromHour: number): number {
  return Math.ceil(countFromHour) + HORIZON_DAYS * 24;
}

/** Share of `stems` that ended of each cause. */
export function causeShares(stems: readonly Stem[]): Record<EndCause, number> {
  const shares = Object.fromEntries(END_CAUSES.map((c) => [c, 0])) as Record<EndCause, number>;
  for (const stem of stems) shares[stem.cause]++;
  for (const cause of END_CAUSES) shares[cause] /= stems.length;
  return shares;
}

/** Days from `countFromHour` that a stem stayed presentable; the horizon when it outlived it. */
export function daysLeftOf(stem: Stem, countFromHour: number): number {
  if (stem.endHour === null) return HORIZON_DAYS;
  return Math.min(HORIZON_DAYS, Math.max(0, (stem.endHour - countFromHour) / 24));
}

/**
 * Forecasts one lot: each draw is a stem with its own luck and its lot's, stepped by the hour.
 * @throws BrokenContractError for an unknown species; other fields are taken as checked
 */
export function predictLot(input: LotInput): LotForecast {
  const species = speciesByKey(input.species);
  const countFromHour = input.countFromHour ?? 0;
  const events = input.events ?? [];
  const steps = hoursToStep(countFromHour);
  const air = airByHour(input.stays, steps, input.startHourOfDay ?? DEFAULT_START_HOUR_OF_DAY);
  const line = stemHours(species, vesselHours(air, input.water, events), input.leafShare, events);
  const dayOfHour = new Map(DAYS.map((day) => [Math.floor(countFromHour + day * 24), day]));
  const stems: Stem[] = [];
  /** Stage of each stem at the start of each day it was stepped to. */
  const stages: number[][] = [];
  for (let draw = 0; draw < input.draws; draw++) {
    const luck = randomStream(input.seed, draw);
    const stem = drawStem(species, input.arrival, luck, luck.normal(), luck.normal());
    const stageOn: number[] = [];
    for (let hour = 0; hour < steps && stem.endHour === null; hour++) {
      const day = dayOfHour.get(hour);
      if (day !== undefined) stageOn[day] = stem.stage;
      const shared = line.hours[hour];
      if (!shared) break;
      stepStem(stem, species, shared, hour, shared.ethylenePpm, line.chilledAtHour);
    }
    if (stageOn.length <= HORIZON_DAYS) stageOn[HORIZON_DAYS] = stem.stage;
    stems.push(stem);
    stages.push(stageOn);
  }
  return summarise(stems, stages, countFromHour);
}

const DAYS: readonly number[] = Array.from({ length: HORIZON_DAYS + 1 }, (_, day) => day);

function isPresentableOn(stem: Stem, day: number, countFromHour: number): boolean {
  return stem.endHour === null || stem.endHour > countFromHour + day * 24;
}

function medianStage(
  stems: readonly Stem[],
  stages: readonly number[][],
  day: number,
  countFromHour: number,
): number | null {
  const standing = stems.flatMap((stem, at) =>
    isPresentableOn(stem, day, countFromHour) ? (stages[at]?.[day] ?? []) : [],
  );
  if (standing.length === 0) return null;
  return quantileOfSorted(
    standing.sort((a, b) => a - b),
    0.5,
  );
}

function summarise(stems: readonly Stem[], stages: readonly number[][], countFromHour: number): LotForecast {
  return {
    modelVersion: MODEL_VERSION,
    horizonDays: HORIZON_DAYS,
    daysLeft: quantilesOf(stems.map((s) => daysLeftOf(s, countFromHour))),
    presentableShareByDay: presentableShareByDay(stems, countFromHour),
    endCauses: causeShares(stems),
    stageByDay: DAYS.map((day) => medianStage(stems, stages, day, countFromHour)),
  };
}

/** Share of stems still presentable at the start of each day, day 0 to the horizon. */
export function presentableShareByDay(stems: readonly Stem[], countFromHour: number): number[] {
  return DAYS.map((day) => stems.filter((s) => isPresentableOn(s, day, countFromHour)).length / stems.length);
}
