import { addDays, daysBetween } from './dates';
import { readDate } from './read-date';

/** Days from today that have a word of their own, in the languages the shop speaks. */
const SAID: Readonly<Record<string, number>> = {
  today: 0,
  hoy: 0,
  yesterday: -1,
  ayer: -1,
  tomorrow: 1,
  mañana: 1,
  'the day before yesterday': -2,
  anteayer: -2,
  'the day after tomorrow': 2,
  'pasado mañana': 2,
};
const DAYS_A_YEAR = 365;

/** The same day in the year before or after, where that is nearer; a leap day stays as it is. */
function nearestYear(date: string, today: string): string {
  const away = daysBetween(today, date);
  if (Math.abs(away) <= DAYS_A_YEAR / 2) return date;
  const year = Number(date.slice(0, 4)) + (away < 0 ? 1 : -1);
  return readDate(`${year}${date.slice(4)}`, { noteDate: null, dayFirst: true })?.date ?? date;
}

/**
 * A day as somebody types it: "22/11", "22.11.2026", "22 Nov", 2026-11-22, "yesterday". Without a
 * year it is the one nearest to today.
 * @param today ISO date
 * @returns an ISO date; null where it is none, or does not exist
 */
export function typedDay(text: string, today: string): string | null {
  const plain = text.trim().toLowerCase();
  const days = SAID[plain];
  if (days !== undefined) return addDays(today, days);
  const read = readDate(plain, { noteDate: today, dayFirst: true });
  if (!read) return null;
  return read.yearGuessed ? nearestYear(read.date, today) : read.date;
}
