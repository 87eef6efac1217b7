import 'server-only';
import Papa from 'papaparse';
import { defused } from '@/core/csv/defused';
import { shopPrinting } from '@/data/shops';
import { inZone, now } from '@/server/clock';
import type { ProofSheet } from '@/server/documents/proof-sheet';
import { maybeInMyShop } from '@/server/session';
import { hygieneProof } from './hygiene-proof';
import { periodOf } from './period';

const FIELDS = ['at', 'pail', 'what', 'who', 'how', 'contact_minutes', 'hours_of_use', 'gap'];

type Search = Readonly<Record<string, unknown>>;

/** The proof of a period as an inspector has it on paper; null when nobody is signed in. */
export async function proofSheet(search: Search): Promise<ProofSheet | null> {
  const at = now();
  return maybeInMyShop(async (trx, me) => {
    const { name, timeZone } = me.shop;
    const period = periodOf(search, inZone(at, timeZone).date);
    const proof = await hygieneProof(
      trx,
      period,
      { timeZone, species: me.species, language: me.language },
      at,
    );
    const { documents: paper } = await shopPrinting(trx);
    return { shopName: name, paper, timeZone, language: me.language, period, madeAt: at.getTime(), proof };
  });
}

/** The same as CSV, times in UTC; null when nobody is signed in. */
export async function proofCsv(search: Search): Promise<string | null> {
  const sheet = await proofSheet(search);
  if (!sheet) return null;
  const data = sheet.proof.rows.map((r) =>
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
