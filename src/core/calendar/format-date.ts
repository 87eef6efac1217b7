/** How dates and clocks are written out, each form once; formatters are costly to make, and kept. */
const made = new Map<string, Intl.DateTimeFormat>();

function formatter(locale: string, timeZone: string, form: Form): Intl.DateTimeFormat {
  const key = `${locale} ${timeZone} ${form}`;
  const known = made.get(key) ?? new Intl.DateTimeFormat(locale, { timeZone, ...FORMS[form] });
  made.set(key, known);
  return known;
}

const CLOCK = { hour: '2-digit', minute: '2-digit' } as const;
const FORMS = {
  /** 06:50 */
  clock: CLOCK,
  /** Tue */
  weekday: { weekday: 'short' },
  /** Tue 24 */
  'weekday and day': { weekday: 'short', day: 'numeric' },
  /** 24 Nov */
  day: { day: 'numeric', month: 'short' },
  /** Fri 27 Nov */
  'weekday, day and month': { weekday: 'short', day: 'numeric', month: 'short' },
  /** 24 November 2026 */
  'in a sentence': { day: 'numeric', month: 'long', year: 'numeric' },
  /** Tue, 06:50 */
  'weekday and clock': { weekday: 'short', ...CLOCK },
  /** 24 Nov, 06:50 */
  'day and clock': { day: 'numeric', month: 'short', ...CLOCK },
  /** 24 Nov 2026, 06:50 */
  'date and clock': { day: 'numeric', month: 'short', year: 'numeric', ...CLOCK },
} as const satisfies Readonly<Record<string, Intl.DateTimeFormatOptions>>;

export type Form = keyof typeof FORMS;

/** A moment, ms, as a wall in the zone shows it, in one of the forms. @throws RangeError for an unknown zone */
export function formatDate(atMs: number, timeZone: string, form: Form, locale = 'en-GB'): string {
  return formatter(locale, timeZone, form).format(atMs);
}

/** An ISO date in one of the forms. */
export const formatDay = (isoDate: string, form: Form, locale?: string): string =>
  formatDate(Date.parse(`${isoDate}T12:00:00Z`), 'UTC', form, locale);

/** "Fri 27 Nov": a day as a card or a sentence has it. */
export const dayWords = (isoDate: string, locale?: string): string =>
  formatDay(isoDate, 'weekday, day and month', locale).replace(',', '');
