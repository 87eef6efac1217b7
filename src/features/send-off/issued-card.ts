import 'server-only';
import { maybeCard } from '@/data/arrangements';
import { shopPrinting } from '@/data/shops';
import type { PrintedCard } from '@/server/documents/care-card';
import { maybeInMyShop } from '@/server/session';

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i;

/** A card of one's own shop, as it was issued, and the paper it is printed on; null when there is none or nobody is signed in. */
export async function printedCard(cardId: string): Promise<PrintedCard | null> {
  if (!UUID.test(cardId)) return null;
  return maybeInMyShop(async (trx) => {
    const kept = await maybeCard(trx, cardId);
    return kept ? { issued: kept.card, paper: (await shopPrinting(trx)).cards } : null;
  });
}
