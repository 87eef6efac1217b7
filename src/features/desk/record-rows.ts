import { formatDate } from '@/core/calendar/format-date';
import { DAY_MS } from '@/core/calendar/spans';
import { localeOf } from '@/core/words/catalogues';
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

/** So long a weekday alone says which day is meant. */
const BY_WEEKDAY_MS = 6 * DAY_MS;

/** Entries in the reader's words and the shop's time; those of this week by their weekday. */
export function recordRows(entries: readonly Entry[], me: SignedIn, now: Date): RecordRow[] {
  const locale = localeOf(me.language);
  const said = (at: Date): string =>
    formatDate(
      at.getTime(),
      me.shop.timeZone,
      now.getTime() - at.getTime() < BY_WEEKDAY_MS ? 'weekday and clock' : 'date and clock',
      locale,
    );
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
