import { formatDay } from '../calendar/format-date';
import { m, type Message } from '../words/message';

/** "24 November 2026": a date in a sentence. */
export const sentenceDate = (isoDate: string, locale?: string): string =>
  formatDay(isoDate, 'in a sentence', locale);

/** What a line buys, in whole days, as a card says it; null where that is under half a day or unknown. */
export function gainWords(gainDays: number | null | undefined): Message | null {
  if (gainDays === null || gainDays === undefined || gainDays < 0.5) return null;
  return m('card.gain', { n: Math.max(1, Math.round(gainDays)) });
}
