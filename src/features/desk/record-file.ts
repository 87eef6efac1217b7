import 'server-only';
import Papa from 'papaparse';
import { defused } from '@/core/csv/defused';
import { manyEntriesAsked } from '@/data/record-asked';
import { say } from '@/core/words/say';
import { inZone, now } from '@/server/clock';
import { maybeInMyShop } from '@/server/session';
import type { AskedRecord } from './record-address';
import { understood } from './record-question';

/** Entries in one file: what is over it is for a narrower question. */
const MOST_IN_FILE = 5000;

/** What the record answers as CSV, times in UTC; null when nobody is signed in. */
export async function recordCsv(asked: AskedRecord): Promise<string | null> {
  const found = await maybeInMyShop(async (trx, me) => {
    const { timeZone } = me.shop;
    const means = await understood(trx, asked, inZone(now(), timeZone).date, timeZone);
    if ('nothing' in means) return { me, entries: [] };
    const order = asked.order === 'oldest' ? 'oldest' : 'newest';
    return { me, entries: await manyEntriesAsked(trx, means.question, { limit: MOST_IN_FILE, order }) };
  });
  if (!found) return null;
  const rows = found.entries.map((e) =>
    defused({
      entry: e.id,
      done_at: e.at.toISOString(),
      logged_at: e.loggedAt.toISOString(),
      hands: e.handsName ?? e.personName,
      tapped_by: e.personName,
      kind: e.kind,
      what: say(e.words, found.me.language),
      taken_back: e.corrected ? 'yes' : 'no',
    }),
  );
  const fields = ['entry', 'done_at', 'logged_at', 'hands', 'tapped_by', 'kind', 'what', 'taken_back'];
  // With no row at all the heading comes with its line's end, and with rows the last comes without.
  return `${Papa.unparse({ fields, data: rows }, { newline: '\n' }).replace(/\n$/, '')}\n`;
}
