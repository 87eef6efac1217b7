import 'server-only';
import Papa from 'papaparse';
import { defused } from '@/core/csv/defused';
import { inZone, now } from '@/server/clock';
import { maybeInMyShop } from '@/server/session';
import { hygieneProof, periodOf } from './hygiene-proof';

const FIELDS = ['at', 'pail', 'what', 'who', 'how', 'contact_minutes', 'hours_of_use', 'gap'];

/** The proof of a period as CSV, times in UTC; null when nobody is signed in. */
export async function proofCsv(search: Readonly<Record<string, unknown>>): Promise<string | null> {
  const proof = await maybeInMyShop((trx, me) => {
    const { timeZone } = me.shop;
    return hygieneProof(trx, periodOf(search, inZone(now(), timeZone).date), timeZone, now());
  });
  if (!proof) return null;
  const data = proof.rows.map((r) =>
    defused({
      at: new Date(r.at).toISOString(),
      pail: r.pail,
      what: r.what,
      who: r.who,
      how: r.how,
      contact_minutes: r.minutes ?? '',
      hours_of_use: r.hours ?? '',
      gap: r.gap ?? '',
    }),
  );
  return `${Papa.unparse({ fields: FIELDS, data }, { newline: '\n' }).replace(/\n$/, '')}\n`;
}
