const at = (isoDate: string): Date => new Date(`${isoDate}T12:00:00Z`);

/** "Fri 27 Nov": a day on the card. */
export function dayWords(isoDate: string): string {
  return new Intl.DateTimeFormat('en-GB', {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    timeZone: 'UTC',
  })
    .format(at(isoDate))
    .replace(',', '');
}

/** "24 November 2026": a date in a sentence. */
export function sentenceDate(isoDate: string): string {
  return new Intl.DateTimeFormat('en-GB', {
    day: 'numeric',
    month: 'long',
    year: 'numeric',
    timeZone: 'UTC',
  }).format(at(isoDate));
}

/** What a line buys, in whole days, as a card says it; null where that is under half a day or unknown. */
export function gainWords(gainDays: number | null | undefined): string | null {
  if (gainDays === null || gainDays === undefined || gainDays < 0.5) return null;
  const days = Math.max(1, Math.round(gainDays));
  return `Worth about ${days === 1 ? 'a day' : `${days} days`}.`;
}
