import { saidDate } from '@/core/calendar/said-dates';
import { DAY_MS } from '@/core/calendar/spans';

/** The weekday so many days from `now`, milliseconds at noon of today. */
export const weekdayOf = (now: number, days: number): string =>
  saidDate(now + Math.floor(days) * DAY_MS, 'UTC', 'weekday');

/** The same with the day of the month. */
export const dateOf = (now: number, days: number): string =>
  saidDate(now + Math.floor(days) * DAY_MS, 'UTC', 'weekday and day');

/** Days gained as they are said: to a tenth, with their sign. */
export function gainInWords(days: number): string {
  const tenths = Math.round(days * 10) / 10;
  return `${tenths > 0 ? '+' : tenths < 0 ? '−' : ''}${Math.abs(tenths).toFixed(1)} d`;
}
