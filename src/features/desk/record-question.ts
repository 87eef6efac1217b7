import { addDays } from '@/core/calendar/dates';
import { typedDay } from '@/core/calendar/typed-day';
import { dayBeginsMs } from '@/core/calendar/zones';
import { ENTRY_GROUPS, kindsOf, type EntryGroup } from '@/core/record/entry-groups';
import { maybeLotByNumber } from '@/data/lots';
import { manyPails, manyRetiredPails } from '@/data/pails';
import type { RecordQuestion } from '@/data/record-asked';
import type { AskedRecord } from './record-address';
import { once, type From } from '@/server/once';

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;

export type Understood =
  | { readonly question: RecordQuestion }
  /** Why it cannot be answered: what is asked for is not there. */
  | { readonly nothing: string };

/** What of the question is there: the lot, the pail, the day; undefined or null where it is not, or not asked for. */
async function found(from: From, asked: AskedRecord, today: string) {
  const number = /^\d{1,9}$/.test(asked.lot) ? Number(asked.lot) : null;
  const [lot, inUse, retired] = await Promise.all([
    number === null ? undefined : once(from, maybeLotByNumber, number),
    asked.pail === '' ? [] : once(from, manyPails),
    asked.pail === '' ? [] : once(from, manyRetiredPails),
  ]);
  const pail = [...inUse, ...retired].find((p) => p.name.toLowerCase() === asked.pail.toLowerCase());
  return { lot, pail, day: asked.day === '' ? null : typedDay(asked.day, today) };
}

/** What was asked for and is not there, in words; null where all of it is. */
function whatIsNotThere(
  asked: AskedRecord,
  { lot, pail, day }: Awaited<ReturnType<typeof found>>,
): string | null {
  if (asked.lot !== '' && !lot) return `There is no lot ${asked.lot}.`;
  if (asked.pail !== '' && !pail) return `There is no pail ${asked.pail}.`;
  if (asked.day !== '' && day === null) return `“${asked.day}” is no day.`;
  return asked.who !== '' && !UUID.test(asked.who) ? 'There is nobody of that name.' : null;
}

/** Finds what the question is about. */
export async function understood(
  from: From,
  asked: AskedRecord,
  today: string,
  timeZone: string,
): Promise<Understood> {
  const about = await found(from, asked, today);
  const nothing = whatIsNotThere(asked, about);
  if (nothing !== null) return { nothing };
  const { lot, pail, day } = about;
  const group = ENTRY_GROUPS.find((g): g is EntryGroup => g === asked.what);
  const began = (date: string): Date => new Date(dayBeginsMs(date, timeZone));
  return {
    question: {
      lot: lot && { id: lot.id, deliveryId: lot.deliveryId },
      pail: pail && { id: pail.id, name: pail.name },
      personId: asked.who === '' ? undefined : asked.who,
      kinds: group && kindsOf(group),
      span: day === null ? undefined : { from: began(day), before: began(addDays(day, 1)) },
    },
  };
}
