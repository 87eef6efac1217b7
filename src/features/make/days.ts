import { formatDate } from '@/core/calendar/format-date';
import { HORIZON_DAYS } from '@/core/model/constants';
import { DAY_MS } from '@/core/calendar/spans';

/** The weekday so many days from `now`, ms of the shop's own clock: counted from the hour. */
export const weekdayOf = (now: number, days: number): string =>
  formatDate(now + days * DAY_MS, 'UTC', 'weekday');

/** The same with the day of the month. */
export const dateOf = (now: number, days: number): string =>
  formatDate(now + days * DAY_MS, 'UTC', 'weekday and day');

/** The day something comes to an end; what outlives the forecast is said to. */
export const endOf = (now: number, days: number): string =>
  days >= HORIZON_DAYS ? `past ${HORIZON_DAYS} days` : dateOf(now, days);

/** Days to a tenth; what outlives the forecast is said to. */
export const daysOrMore = (days: number): string =>
  days >= HORIZON_DAYS ? `over ${HORIZON_DAYS}` : days.toFixed(1);

/** Days gained as they are said: to a tenth, with their sign. */
export function gainInWords(days: number): string {
  const tenths = Math.round(days * 10) / 10;
  return `${tenths > 0 ? '+' : tenths < 0 ? '−' : ''}${Math.abs(tenths).toFixed(1)} d`;
}
