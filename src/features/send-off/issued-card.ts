import 'server-only';
import type { IssuedCard } from '@/core/care/card-for';
import { maybeCard } from '@/data/arrangements';
import { maybeInMyShop } from '@/server/session';

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i;

/** A card of one's own shop, as it was issued; null when there is none or nobody is signed in. */
export async function issuedCard(cardId: string): Promise<IssuedCard | null> {
  if (!UUID.test(cardId)) return null;
  return maybeInMyShop(async (trx) => (await maybeCard(trx, cardId))?.card ?? null);
}
