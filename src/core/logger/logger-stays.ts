import { HOUR_MS } from '../calendar/spans';
import type { Stay } from '../vase-life/types';
import { GAP_HOURS, type LoggerFile, type LoggerReading } from './read-logger';

const IN_A_BOX_PCT = 95;

/** A journey read off a logger, from the cut to the door. */
export interface LoggedJourney {
  readonly stays: readonly Stay[];
  readonly hours: number;
  /** Hours the logger covers, and those filled in where it says nothing. */
  readonly loggedHours: number;
  readonly filledHours: number;
  readonly warmestC: number;
  /** Hours at 10 °C and warmer. */
  readonly warmHours: number;
}

/** What stands in for hours the logger says nothing about: the route's own, by hours since the cut. */
export type Fallback = (hourSinceCut: number) => number;

/** Mean of a straight line between two readings over a span that lies between them. */
function meanBetween(a: LoggerReading, b: LoggerReading, fromMs: number, toMs: number): number {
  const slope = (b.tempC - a.tempC) / (b.atMs - a.atMs);
  return a.tempC + slope * ((fromMs + toMs) / 2 - a.atMs);
}

/** Index of the last reading at or before an instant, or -1. */
function lastBefore(readings: readonly LoggerReading[], atMs: number): number {
  let low = 0;
  let high = readings.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((readings[middle]?.atMs ?? Infinity) <= atMs) low = middle + 1;
    else high = middle;
  }
  return low - 1;
}

/** Mean temperature and humidity of one hour, weighted by time; null where the logger is silent in most of it. */
function hourMean(
  readings: readonly LoggerReading[],
  fromMs: number,
): { tempC: number; humidityPct: number | null } | null {
  const toMs = fromMs + HOUR_MS;
  let covered = 0;
  let sum = 0;
  let humidity = 0;
  let humid = 0;
  for (let i = Math.max(0, lastBefore(readings, fromMs)); i < readings.length - 1; i++) {
    const [a, b] = [readings[i], readings[i + 1]];
    if (!a || !b || a.atMs >= toMs) break;
    if (b.atMs - a.atMs > GAP_HOURS * HOUR_MS) continue;
    const from = Math.max(fromMs, a.atMs);
    const to = Math.min(toMs, b.atMs);
    if (to <= from) continue;
    covered += to - from;
    sum += meanBetween(a, b, from, to) * (to - from);
    if (a.humidityPct !== null) {
      humidity += a.humidityPct * (to - from);
      humid += to - from;
    }
  }
  if (covered < HOUR_MS / 2) return null;
  return { tempC: sum / covered, humidityPct: humid > 0 ? humidity / humid : null };
}

/**
 * The stays of a journey from a logger's readings: hour by hour means of the straight lines between
 * them, like hours put together. Where the logger is silent for over two hours the fallback stands
 * in. Boxed and in the dark.
 * @param cutMs,arrivedMs milliseconds since 1970
 */
export function loggerStays(
  { readings }: Pick<LoggerFile, 'readings'>,
  cutMs: number,
  arrivedMs: number,
  wet: boolean,
  fallback: Fallback,
): LoggedJourney {
  const hours = Math.max(1, Math.round((arrivedMs - cutMs) / HOUR_MS));
  const stays: Stay[] = [];
  let loggedHours = 0;
  let warmestC = -Infinity;
  let warmHours = 0;
  for (let hour = 0; hour < hours; hour++) {
    const mean = hourMean(readings, cutMs + hour * HOUR_MS);
    if (mean) loggedHours++;
    const tempC = Math.round((mean?.tempC ?? fallback(hour)) * 10) / 10;
    const humidityPct = Math.round(mean?.humidityPct ?? IN_A_BOX_PCT);
    warmestC = Math.max(warmestC, tempC);
    if (tempC >= 10) warmHours++;
    const last = stays[stays.length - 1];
    if (last && last.tempC === tempC && last.humidityPct === humidityPct)
      stays[stays.length - 1] = { ...last, hours: (last.hours ?? 0) + 1 };
    else stays.push({ hours: 1, tempC, humidityPct, ethylenePpm: 0, litHours: 0, wet });
  }
  return { stays, hours, loggedHours, filledHours: hours - loggedHours, warmestC, warmHours };
}
