import { spokenDay } from '../calendar/spoken-day';
import { daysBetween } from '../calendar/dates';
import { readDate } from '../calendar/read-date';

/** Flowers are sold within three weeks of the cut; past that a date on a note is wrong, or the flowers are. */
const LONGEST_SINCE_CUT_DAYS = 21;

/** How a file's dates are read. */
export interface DateHabit {
  readonly noteDate: string | null;
  /** Null where nothing tells whether the day or the month comes first. */
  readonly dayFirst: boolean | null;
}

/** A day that could be the cut of what a note of that day brings. */
const couldBeCut = (cut: string, noteDate: string): boolean => {
  const since = daysBetween(cut, noteDate);
  return since >= 0 && since <= LONGEST_SINCE_CUT_DAYS;
};

const under = (text: string, noteDate: string | null, dayFirst: boolean): string | null =>
  readDate(text, { noteDate, dayFirst })?.date ?? null;

/** Whether a date is another day with the month first. */
const isTwoDays = (text: string): boolean => {
  const parts = /^(?:\p{L}+\.?,?\s+)?(\d{1,2})\s*[-/]\s*(\d{1,2})\b/u.exec(text.trim());
  return parts !== null && Number(parts[1]) <= 12 && Number(parts[2]) <= 12 && parts[1] !== parts[2];
};

/** What dates with a part past twelve say of the others; null where none says, or they contradict each other. */
function orderSaid(texts: readonly string[]): boolean | null {
  const said = new Set<boolean>();
  for (const text of texts) {
    const parts = /^(?:\p{L}+\.?,?\s+)?(\d{1,2})\s*([-/.])\s*(\d{1,2})\b/u.exec(text.trim());
    if (!parts) continue;
    if (Number(parts[1]) > 12) said.add(true);
    else if (Number(parts[3]) > 12) said.add(false);
    else if (parts[2] === '.') said.add(true);
  }
  const [only] = said;
  return said.size === 1 && only !== undefined ? only : null;
}

/**
 * How a file writes its dates: by those that can be read one way only, else by the one order under which
 * what was cut was cut in the three weeks before the note.
 * @param headDates what above the lines reads as a date, the note's own first
 * @param today for a note without a date of its own
 */
export function dateHabitOf(
  headDates: readonly string[],
  cuts: readonly string[],
  today: string | null,
): DateHabit {
  const said = orderSaid([...headDates, ...cuts]);
  const noteDateUnder = (dayFirst: boolean): string | null =>
    headDates.map((t) => under(t, today, dayFirst)).find((d) => d !== null) ?? today;
  if (said !== null) return { noteDate: noteDateUnder(said), dayFirst: said };
  const doubtful = cuts.filter(isTwoDays);
  const fits = [true, false].filter((dayFirst) => {
    const noteDate = noteDateUnder(dayFirst);
    return (
      noteDate !== null &&
      (today === null ||
        Math.abs(daysBetween(noteDate, today)) <= LONGEST_SINCE_CUT_DAYS ||
        !isTwoDays(headDates[0] ?? '')) &&
      doubtful.every((t) => {
        const cut = under(t, noteDate, dayFirst);
        return cut !== null && couldBeCut(cut, noteDate);
      })
    );
  });
  const [only] = fits;
  const isOpen =
    fits.length !== 1 || only === undefined || !(doubtful.length > 0 || headDates.some(isTwoDays));
  const noteIsOpen = isTwoDays(headDates[0] ?? '');
  const dayFirst = isOpen ? null : only;
  return {
    noteDate: dayFirst === null && noteIsOpen ? today : noteDateUnder(dayFirst ?? true),
    dayFirst,
  };
}

/** A line's cut date, and what about it is to be decided or was guessed. */
export interface CutRead {
  readonly date: string | null;
  readonly doubt: string | null;
  readonly guess: string | null;
}

const MONTHS = 'January February March April May June July August September October November December'.split(
  ' ',
);

/** A date as it is said, so that nobody takes the day for the month. */
const said = (date: string): string => `${Number(date.slice(8))} ${MONTHS[Number(date.slice(5, 7)) - 1]}`;

/**
 * Reads one cut date.
 * @param usual where the note bears no date, the day most of its lines were cut
 */
export function readCutDate(text: string, { noteDate, dayFirst }: DateHabit, usual: string | null): CutRead {
  if (dayFirst === null && isTwoDays(text)) {
    const [day, month] = [under(text, noteDate, true), under(text, noteDate, false)];
    if (day !== null && month !== null)
      return { date: null, doubt: `cut on “${text}”: ${said(day)} or ${said(month)}?`, guess: null };
  }
  const spoken = spokenDay(text, noteDate);
  if (spoken !== null)
    return { date: spoken, doubt: null, guess: `cut on ${spoken}: the note says “${text}”` };
  const cut = readDate(text, { noteDate, dayFirst: dayFirst ?? true });
  if (!cut) return { date: null, doubt: `cut date “${text}” cannot be read`, guess: null };
  const { date } = cut;
  const guess = cut.yearGuessed ? `cut on ${date}: the note leaves the year out` : null;
  return { date, doubt: whyNotCut(date, noteDate, usual), guess };
}

function whyNotCut(date: string, noteDate: string | null, usual: string | null): string | null {
  if (noteDate !== null) {
    if (date > noteDate) return `cut on ${date}, after the note was written`;
    return couldBeCut(date, noteDate) ? null : `cut on ${date}, over three weeks before the note`;
  }
  const isOdd = usual !== null && Math.abs(daysBetween(date, usual)) > LONGEST_SINCE_CUT_DAYS;
  return isOdd ? `cut on ${date}, weeks from the others, of about ${usual}` : null;
}

/** The middle of a note's cut dates, for one without a date of its own. */
export function usualCut(cuts: readonly string[], habit: DateHabit): string | null {
  const read = cuts.flatMap((t) => under(t, habit.noteDate, habit.dayFirst ?? true) ?? []).sort();
  return read[Math.floor(read.length / 2)] ?? null;
}
