import { quantileOfSorted } from '../statistics';
import { HORIZON_DAYS } from '../model/constants';
import type { LineHours } from './line-hours';
import { stageAtRest } from './rest';
import { STILL_STANDING, type StemBlock } from './stem-block';
import { END_CAUSES, type EndCause, type LotForecast, type Quantiles, type WaterOfDay } from './types';
import type { VesselHours } from './vessel-hours';

/** Days 0 to the horizon. */
export const DAYS: readonly number[] = Array.from({ length: HORIZON_DAYS + 1 }, (_, day) => day);

/** Hours a forecast must step: to the horizon, counted from where its days are counted. */
export function hoursToStep(countFromHour: number): number {
  return Math.ceil(countFromHour) + HORIZON_DAYS * 24;
}

/** Which day begins in each hour to the last; -1 where none does. */
export function dayMarks(countFromHour: number): Int8Array {
  const marks = new Int8Array(hoursToStep(countFromHour) + 1).fill(-1);
  for (const day of DAYS) marks[Math.floor(countFromHour + day * 24)] = day;
  return marks;
}

/** The next hour after each in which a day begins; the last hour's own next is past the end. */
export function nextMarks(marks: Int8Array): Int32Array {
  const next = new Int32Array(marks.length);
  for (let hour = marks.length - 1, at = marks.length; hour >= 0; hour--) {
    next[hour] = at;
    if ((marks[hour] as number) >= 0) at = hour;
  }
  return next;
}

/** Days from `countFromHour` that a stem stayed presentable; the horizon when it outlived it. */
export function daysLeftOf(endHour: number, countFromHour: number): number {
  if (Number.isNaN(endHour)) return HORIZON_DAYS;
  return Math.min(HORIZON_DAYS, Math.max(0, (endHour - countFromHour) / 24));
}

/** How stems ended, one entry a stem, in the order of the draws. */
export interface Ends {
  readonly endHour: Float64Array;
  readonly cause: Uint8Array;
  count: number;
  /** Hours of all of them that were stepped one by one. */
  steppedHours: number;
  /** Counts of stages by day, a thousandth a bin. */
  readonly stages: Uint32Array;
}

const STAGE_BINS = 1601;

export function newEnds(stems: number): Ends {
  return {
    endHour: new Float64Array(stems),
    cause: new Uint8Array(stems),
    count: 0,
    steppedHours: 0,
    stages: new Uint32Array(DAYS.length * STAGE_BINS),
  };
}

/** Adds a block's stems to the ends, once they have been stepped to the last hour. */
export function collectEnds(ends: Ends, block: StemBlock, stems: number): void {
  ends.steppedHours += block.steppedHours;
  for (let row = 0; row < stems; row++) {
    ends.endHour[ends.count] = block.endHour[row] ?? NaN;
    ends.cause[ends.count] = block.cause[row] ?? STILL_STANDING;
    ends.count++;
  }
}

function tally(stages: Uint32Array, day: number, stage: number): void {
  const bin = day * STAGE_BINS + Math.round(stage * 1000);
  stages[bin] = (stages[bin] ?? 0) + 1;
}

/** Counts the stages of a block's standing stems as a day begins, before its hour is stepped. */
export function tallyStages(ends: Ends, block: StemBlock, line: LineHours, hour: number, day: number): void {
  const { stems } = block;
  for (let k = 0; k < block.awakeCount; k++) tally(ends.stages, day, stems.stage[block.awake[k] ?? 0] ?? 0);
  for (let k = 0; k < block.restingCount; k++)
    tally(ends.stages, day, stageAtRest(stems, block.resting[k] ?? 0, line, hour));
}

/** Median of a day's stages: the mean of the two middle ones, one and the same where the count is odd. */
function medianStage(stages: Uint32Array, day: number): number | null {
  const first = day * STAGE_BINS;
  let total = 0;
  for (let bin = 0; bin < STAGE_BINS; bin++) total += stages[first + bin] ?? 0;
  if (total === 0) return null;
  const lower = Math.floor((total - 1) / 2);
  const upper = Math.floor(total / 2);
  let seen = 0;
  let lowerBin = -1;
  for (let bin = 0; bin < STAGE_BINS; bin++) {
    seen += stages[first + bin] ?? 0;
    if (lowerBin < 0 && seen > lower) lowerBin = bin;
    if (seen > upper) return (lowerBin + bin) / 2000;
  }
  return null;
}

function quantilesOfSorted(ascending: Float64Array): Quantiles {
  return {
    p10: quantileOfSorted(ascending, 0.1),
    p50: quantileOfSorted(ascending, 0.5),
    p90: quantileOfSorted(ascending, 0.9),
  };
}

/** P10, P50 and P90 of values in any order. */
export function quantilesOf(values: ArrayLike<number>): Quantiles {
  return quantilesOfSorted(new Float64Array(values).sort());
}

/**
 * Standard errors of P10, P50 and P90 over `draws` draws of equally many values each: the error of
 * the share that ended by the quantile, carried over to days by the quantiles that far to its
 * sides (Woodruff's method). Values of one draw share its luck and so count as a cluster.
 * @param values grouped by draw
 */
export function quantileErrors(values: Float64Array, draws: number): Quantiles {
  return errorsOfSorted(values, values.slice().sort(), draws);
}

function errorsOfSorted(values: Float64Array, ascending: Float64Array, draws: number): Quantiles {
  const perDraw = values.length / draws;
  const errorAt = (share: number): number => {
    const quantile = quantileOfSorted(ascending, share);
    let sum = 0;
    let squares = 0;
    for (let draw = 0; draw < draws; draw++) {
      let under = 0;
      const end = (draw + 1) * perDraw;
      for (let i = draw * perDraw; i < end; i++) if ((values[i] as number) <= quantile) under++;
      sum += under / perDraw;
      squares += (under / perDraw) ** 2;
    }
    const variance = Math.max(0, squares / draws - (sum / draws) ** 2);
    // A share's own error is never below what one value in all would make.
    const error = Math.max(Math.sqrt(variance / draws), Math.sqrt(share * (1 - share)) / values.length);
    const low = quantileOfSorted(ascending, Math.max(0, share - error));
    const high = quantileOfSorted(ascending, Math.min(1, share + error));
    return (high - low) / 2;
  };
  return { p10: errorAt(0.1), p50: errorAt(0.5), p90: errorAt(0.9) };
}

/** Days left of each stem, in the order they were collected. */
export function daysLeftOfAll(ends: Ends, countFromHour: number): Float64Array {
  const days = new Float64Array(ends.count);
  for (let i = 0; i < ends.count; i++) days[i] = daysLeftOf(ends.endHour[i] as number, countFromHour);
  return days;
}

/** Share of stems still presentable at the start of each day, day 0 to the horizon. */
function presentableShares(ends: Ends, countFromHour: number): number[] {
  const ascending = ends.endHour.slice(0, ends.count).sort();
  let ended = 0;
  return DAYS.map((day) => {
    while (ended < ends.count && (ascending[ended] as number) <= countFromHour + day * 24) ended++;
    return (ends.count - ended) / ends.count;
  });
}

function causeShares(ends: Ends): Record<EndCause, number> {
  const counts = new Uint32Array(END_CAUSES.length);
  for (let i = 0; i < ends.count; i++)
    counts[ends.cause[i] as number] = (counts[ends.cause[i] as number] ?? 0) + 1;
  return Object.fromEntries(END_CAUSES.map((cause, i) => [cause, (counts[i] ?? 0) / ends.count])) as Record<
    EndCause,
    number
  >;
}

/** What is told of a lot's or a line's stems, from `draws` draws of them. */
export function summariseEnds(
  ends: Ends,
  draws: number,
  countFromHour: number,
): Pick<LotForecast, 'daysLeft' | 'daysLeftError' | 'presentableShareByDay' | 'endCauses' | 'stageByDay'> {
  const daysLeft = daysLeftOfAll(ends, countFromHour);
  const ascending = daysLeft.slice().sort();
  const presentable = presentableShares(ends, countFromHour);
  return {
    daysLeft: quantilesOfSorted(ascending),
    daysLeftError: errorsOfSorted(daysLeft, ascending, draws),
    presentableShareByDay: presentable,
    endCauses: causeShares(ends),
    // Stages are read as the hour of a day's beginning begins: what ends within it is not there.
    stageByDay: DAYS.map((day) => (presentable[day] === 0 ? null : medianStage(ends.stages, day))),
  };
}

/** A vessel's water as each day begins. */
export function waterByDay(vessel: VesselHours, countFromHour: number): (WaterOfDay | null)[] {
  return DAYS.map((day) => {
    const water = vessel.water[Math.floor(countFromHour + day * 24)];
    return water ? { bacteriaLog10: water.bacteriaLog10, biocide: water.biocide } : null;
  });
}
