import { saidDay } from '../calendar/said-dates';

/** "Fri 27 Nov": a day on the card. */
export const dayWords = (isoDate: string): string =>
  saidDay(isoDate, 'weekday, day and month').replace(',', '');

/** "24 November 2026": a date in a sentence. */
export const sentenceDate = (isoDate: string): string => saidDay(isoDate, 'in a sentence');

/** What a line buys, in whole days, as a card says it; null where that is under half a day or unknown. */
export function gainWords(gainDays: number | null | undefined): string | null {
  if (gainDays === null || gainDays === undefined || gainDays < 0.5) return null;
  const days = Math.max(1, Math.round(gainDays));
  return `Worth about ${days === 1 ? 'a day' : `${days} days`}.`;
}
