import { addDays, daysBetween } from '@/core/calendar/dates';

/** A period, ISO dates, both told. */
export interface Period {
  readonly from: string;
  readonly to: string;
}
const ISO = /^\d{4}-\d\d-\d\d$/;
const LONGEST_DAYS = 92;
const USUAL_DAYS = 7;

const isDay = (text: unknown): text is string =>
  // The thirtieth of February is read as a day of March, and is none.
  typeof text === 'string' && ISO.test(text) && !Number.isNaN(Date.parse(text)) && addDays(text, 0) === text;

/** The period that is asked for; the last week where none is, and never longer than a quarter. */
export function periodOf(search: Readonly<Record<string, unknown>>, today: string): Period {
  const to = isDay(search.to) && search.to <= today ? search.to : today;
  const from = isDay(search.from) && search.from <= to ? search.from : addDays(to, -(USUAL_DAYS - 1));
  return { from: daysBetween(from, to) > LONGEST_DAYS ? addDays(to, -LONGEST_DAYS) : from, to };
}

/** What is wrong with two days, in words; null where {@link periodOf} takes them as they are. */
export function whyNoPeriod({ from, to }: Period, today: string): string | null {
  if (!isDay(from) || !isDay(to)) return 'Both days are needed.';
  if (to > today) return 'It ends after today.';
  if (from > to) return 'It begins after it ends.';
  return daysBetween(from, to) > LONGEST_DAYS ? `At most ${LONGEST_DAYS} days at once.` : null;
}
