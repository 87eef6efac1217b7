import { saidDate } from '@/core/calendar/said-dates';
import { say } from '@/core/words/say';
import type { Entry } from '@/data/record';
import type { SignedIn } from '@/server/session';

/** An entry that reached the record so long after it was made is said to have waited. */
const SENT_LATE_MS = 60_000;

/** An entry as the desk shows it. */
export interface RecordRow {
  readonly id: string;
  readonly when: string;
  readonly what: string;
  readonly isTakenBack: boolean;
  /** When it reached the record, where it waited on its tablet. */
  readonly waitedUntil: string | null;
  readonly who: string;
  /** Who tapped it, where those were not the hands. */
  readonly tappedBy: string | null;
}

/** Entries in the reader's words and the shop's time. */
export function recordRows(
  entries: readonly Entry[],
  me: SignedIn,
  form: 'weekday and clock' | 'date and clock',
): RecordRow[] {
  const said = (at: Date): string => saidDate(at.getTime(), me.shop.timeZone, form);
  return entries.map((e) => ({
    id: String(e.id),
    when: said(e.at),
    what: say(e.words, me.language),
    isTakenBack: e.corrected,
    waitedUntil: e.loggedAt.getTime() - e.at.getTime() > SENT_LATE_MS ? said(e.loggedAt) : null,
    who: e.handsName ?? e.personName,
    tappedBy: e.handsName && e.personName,
  }));
}
