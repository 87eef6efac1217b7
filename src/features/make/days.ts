const DAY_MS = 86_400_000;

const weekday = new Intl.DateTimeFormat('en-GB', { weekday: 'short', timeZone: 'UTC' });
const weekdayAndDate = new Intl.DateTimeFormat('en-GB', {
  weekday: 'short',
  day: 'numeric',
  timeZone: 'UTC',
});

/** The weekday so many days from `now`, milliseconds at noon of today. */
export const weekdayOf = (now: number, days: number): string =>
  weekday.format(now + Math.floor(days) * DAY_MS);

/** The same with the day of the month. */
export const dateOf = (now: number, days: number): string =>
  weekdayAndDate.format(now + Math.floor(days) * DAY_MS);

/** Days gained as they are said: to a tenth, with their sign. */
export function gainInWords(days: number): string {
  const tenths = Math.round(days * 10) / 10;
  return `${tenths > 0 ? '+' : tenths < 0 ? '−' : ''}${Math.abs(tenths).toFixed(1)} d`;
}
