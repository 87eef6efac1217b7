import { DAY_MS } from './spans';

/** Calendar days as ISO dates, without a zone: `2026-11-24`. A zone's own day is told by `zones`. */
export const isoDateOf = (atMs: number): string => new Date(atMs).toISOString().slice(0, 10);

/** An ISO date so many whole days later, or earlier where they are negative. */
export const addDays = (isoDate: string, days: number): string =>
  isoDateOf(Date.parse(`${isoDate}T00:00:00Z`) + Math.floor(days) * DAY_MS);

/** Whole days from one ISO date to another; negative where it lies before. */
export const daysBetween = (from: string, to: string): number =>
  Math.round((Date.parse(to) - Date.parse(from)) / DAY_MS);
