/** What helps to read a date: when the note was written, and which part of slashed dates is the day. */
export interface DateContext {
  /** ISO date of the note, or null when it bears none. */
  readonly noteDate: string | null;
  readonly dayFirst: boolean;
}

export interface ReadDate {
  /** ISO calendar date. */
  readonly date: string;
  /** True where the note leaves the year out. */
  readonly yearGuessed: boolean;
}

/** Months in the languages notes come in, by how their names begin. */
const MONTHS: readonly RegExp[] = [
  /^(jan|jän|ene|gen|sty)/i,
  /^(f(e|é)(b|v)|lut)/i,
  /^(mar|mär|maa|mrt)/i,
  /^(apr|avr|abr|kwi)/i,
  /^(may|mai|mei|mag|maj)/i,
  /^(jui?n|giu|cze)/i,
  /^(jui?l|lug|lip)/i,
  /^(aug|ao(u|û)|ago|sie)/i,
  /^(sep|set|wrz)/i,
  /^(oct|okt|ott|pa(z|ź))/i,
  /^(nov|lis)/i,
  /^(d(e|é)(c|z)|dic|gru)/i,
];

function isoOf(year: number, month: number, day: number): string | null {
  const date = new Date(Date.UTC(year, month - 1, day));
  const isReal = date.getUTCMonth() === month - 1 && date.getUTCDate() === day;
  return isReal && year >= 2000 && year <= 2100 ? date.toISOString().slice(0, 10) : null;
}

const fullYear = (text: string): number => Number(text) + (text.length === 2 ? 2000 : 0);

/** The year that puts a day last before the note, or on its day. */
function yearBefore(month: number, day: number, noteDate: string | null): number | null {
  if (!noteDate) return null;
  const year = Number(noteDate.slice(0, 4));
  const thisYear = isoOf(year, month, day);
  return thisYear !== null && thisYear <= noteDate ? year : year - 1;
}

function withYear(year: number | null, month: number, day: number, yearGuessed: boolean): ReadDate | null {
  const date = year === null ? null : isoOf(year, month, day);
  return date === null ? null : { date, yearGuessed };
}

/** A day and month as told, in the year that is told or the last such day before the note. */
function dayOf(yearText: string | undefined, month: number, day: number, noteDate: DateContext['noteDate']) {
  return yearText === undefined
    ? withYear(yearBefore(month, day, noteDate), month, day, true)
    : withYear(fullYear(yearText), month, day, false);
}

/** 19.11.2026, 17/11/26, 20.11. */
function readNumbered(plain: string, { noteDate, dayFirst }: DateContext): ReadDate | null {
  const parts = /^(\d{1,2})\s*[-/.]\s*(\d{1,2})(?:\s*[-/.]\s*(\d{4}|\d{2})?)?$/.exec(plain);
  if (!parts) return null;
  const [first, second] = [Number(parts[1]), Number(parts[2])];
  // A month past twelve tells the order of this one date, whatever the rest of the file does.
  const isDayFirst = second > 12 ? false : first > 12 ? true : dayFirst;
  const [day, month] = isDayFirst ? [first, second] : [second, first];
  return dayOf(parts[3], month, day, noteDate);
}

/** 19 Nov 2026, 19-Nov-26, Nov 19, 19 de noviembre de 2026. */
function readNamed(plain: string, noteDate: DateContext['noteDate']): ReadDate | null {
  const named =
    /^(?<day>\d{1,2})(?:\.|st|nd|rd|th)?[\s-]*(?:de\s+)?(?<month>\p{L}{3,})\.?,?(?:[\s-]+(?:de\s+)?(?<year>\d{4}|\d{2}))?$/iu.exec(
      plain,
    ) ??
    /^(?<month>\p{L}{3,})\.?\s+(?<day>\d{1,2})(?:st|nd|rd|th)?,?(?:\s+(?<year>\d{4}|\d{2}))?$/iu.exec(plain);
  if (!named) return null;
  const { day, month: monthText = '', year } = named.groups ?? {};
  const month = MONTHS.findIndex((m) => m.test(monthText)) + 1;
  return month === 0 ? null : dayOf(year, month, Number(day), noteDate);
}

/**
 * A calendar date as delivery notes write it: 2026-11-19, 20261119, 19.11.2026, 18-11-2026,
 * 17/11/26, 20.11., 19 Nov 2026, Nov 19. Null when it is none, or does not exist.
 */
export function readDate(text: string, context: DateContext): ReadDate | null {
  const plain = text
    .trim()
    .replace(/[T ]\d{1,2}:\d{2}(:\d{2})?(Z|\.\d+Z?)?$/, '')
    .replace(/^\p{L}{2,10}\.?,?\s+(?=\d{1,2}[-/.])/u, '');
  const iso = /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})$/.exec(plain) ?? /^(\d{4})(\d{2})(\d{2})$/.exec(plain);
  if (iso) return withYear(Number(iso[1]), Number(iso[2]), Number(iso[3]), false);
  return readNumbered(plain, context) ?? readNamed(plain, context.noteDate);
}
