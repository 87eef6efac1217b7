import { DAY_MS } from '@/core/calendar/spans';
import { waitsForAnswer } from '@/core/note/answer';
import type { Meaning } from '@/core/note/meaning';
import { isDate, lacking, type DraftLine } from './draft-lines';
import type { HalfRead, NamedColumns } from './half-read';

/** Days after which what a note says was cut is more likely a mistaken date (estimate: no cut flower is sold so old). */
const OLD_DAYS = 21;

/** How far a note that was read is from being booked in. */
export interface NoteStands {
  readonly booked: readonly DraftLine[];
  /** Lines that wait or are refused: kept with the delivery. */
  readonly kept: readonly DraftLine[];
  /** Something is asked of the whole note, and lines wait for the answer. */
  readonly isAsked: boolean;
  /** How many lines wait for that answer. */
  readonly waiting: number;
  /** How many lines are to be decided each by itself. */
  readonly toDecide: number;
  readonly isReady: boolean;
}

/** Whether a line waits for nothing but what is asked of the whole note. */
const isWaiting = (line: DraftLine): boolean =>
  line.fate === 'book' && !line.isSettled && waitsForAnswer(line);

export function noteStands({ note, lines, supplier, deliveryRef }: HalfRead): NoteStands {
  const booked = lines.filter((l) => l.fate === 'book');
  const waits = booked.filter(isWaiting).length;
  const isAsked = note.question !== null && waits > 0;
  const toDecide = booked.filter((l) => lacking(l) !== null && !(isAsked && isWaiting(l))).length;
  const isNamed = supplier.trim() !== '' && deliveryRef.trim() !== '';
  return {
    booked,
    kept: lines.filter((l) => l.fate !== 'book'),
    isAsked,
    waiting: isAsked ? waits : 0,
    toDecide,
    isReady: !isAsked && toDecide === 0 && booked.length > 0 && isNamed,
  };
}

/** Whether a line was cut so long ago that its date is doubtful. */
export const hasOldDates = (lines: readonly DraftLine[], today: string): boolean =>
  lines.some((l) => isDate(l.cutDate) && Date.parse(today) - Date.parse(l.cutDate) > OLD_DAYS * DAY_MS);

/** The make of the note with what was said of it: its columns as they were named, and what its counts mean. */
export function madeSo(
  { columns, note }: Pick<HalfRead, 'columns' | 'note'>,
  meaning: Meaning,
): NamedColumns {
  const { shape, hasHeading, saved } = note.make;
  const named = columns?.saved ?? saved ?? { columns: {}, hasHeading };
  return {
    shape: columns?.shape ?? shape,
    saved: { ...named, meaning: { ...named.meaning, ...meaning } },
  };
}

/** How the lines were read, in a sentence; what is still to decide is counted as the main action counts it. */
export function summary(lines: readonly DraftLine[], toDecide: number, waiting: number): string {
  const of = (test: (l: DraftLine) => boolean): number => lines.filter(test).length;
  const parts = [
    [of((l) => l.status === 'understood'), 'read'],
    [of((l) => l.status === 'guessed'), 'guessed'],
    [of((l) => l.status === 'needs-decision' && l.isSettled), 'settled'],
    [of((l) => l.fate !== 'book'), 'kept aside'],
    [waiting, waiting === 1 ? 'waits for one answer' : 'wait for one answer'],
    [toDecide, 'to decide'],
  ] as const;
  return parts
    .filter(([n]) => n > 0)
    .map(([n, words]) => `${n} ${words}`)
    .join(', ');
}

/** The words on the main action: what stands against it, or what it will do. */
export function bookWords(busy: boolean, { isAsked, toDecide, booked, kept }: NoteStands): string {
  if (busy) return 'Booking in …';
  if (isAsked)
    return toDecide > 0 ? `One question first, then ${toDecide} to decide` : 'Say first what its counts mean';
  if (toDecide > 0) return `${toDecide} to decide first`;
  const stems = booked.reduce((n, l) => n + (l.stems ?? 0), 0);
  const others = kept.length > 0 ? `, ${kept.length} kept aside` : '';
  return `Book in ${booked.length} ${booked.length === 1 ? 'lot' : 'lots'}, ${stems} stems${others}`;
}
