import { HOUR_MS } from '../calendar/spans';
import type { Overrides } from '../model/figures';
import type { Species } from '../species/species';
import { journeyStays, stepJourney, type JourneyOutcome, type Route } from '../vase-life/journey';
import { loggerStays, type LoggedJourney } from './logger-stays';
import type { LoggerFile } from './read-logger';

/** One lot's journey, from its cut to the door. */
export interface JourneyOf {
  readonly species: Species;
  readonly cutMs: number;
  readonly arrivedMs: number;
  readonly wet: boolean;
  /** The route that stands in where the logger is silent. */
  readonly route: Route;
  readonly overrides?: Overrides | undefined;
}

/** What a journey read off a logger has left behind in a middling stem, with the journey itself. */
export function journeyByLogger(
  file: Pick<LoggerFile, 'readings'>,
  { species, cutMs, arrivedMs, wet, route, overrides }: JourneyOf,
): { readonly journey: LoggedJourney; readonly outcome: JourneyOutcome } {
  const hours = Math.max(1, Math.round((arrivedMs - cutMs) / HOUR_MS));
  const temps = journeyStays(route, hours, wet).flatMap((stay) =>
    Array.from({ length: stay.hours ?? 0 }, () => stay.tempC),
  );
  const journey = loggerStays(file, cutMs, arrivedMs, wet, (hour) => temps[hour] ?? temps.at(-1) ?? 5);
  return { journey, outcome: stepJourney(species, journey.stays, overrides) };
}

/** Hours of a logger's file in words: how long, how warm, what is missing. */
export function loggerInWords({ readings, badRows, gaps, unit }: LoggerFile): string {
  const [first, last] = [readings[0], readings.at(-1)];
  const hours = first && last ? (last.atMs - first.atMs) / HOUR_MS : 0;
  const warmest = readings.reduce((most, r) => Math.max(most, r.tempC), -Infinity);
  let warmHours = 0;
  readings.forEach((reading, i) => {
    const next = readings[i + 1];
    if (next && reading.tempC >= 10) warmHours += Math.min(2, (next.atMs - reading.atMs) / HOUR_MS);
  });
  return [
    `${readings.length} readings over ${Math.round(hours)} h${unit === 'F' ? ', in °F' : ''}`,
    `warmest ${warmest.toFixed(1)} °C, ${Math.round(warmHours)} h at 10 °C or more`,
    ...(gaps.length > 0 ? [`${gaps.length} ${gaps.length === 1 ? 'gap' : 'gaps'}, the route stands in`] : []),
    ...(badRows.length > 0 ? [`${badRows.length} rows left out: ${badRows[0]?.why ?? ''}`] : []),
  ].join('; ');
}
