import 'server-only';
import type { ClaimRow } from '@/core/dock/claims';
import { findSpecies } from '@/core/species/species';
import { manyClaims, type ClaimRecord } from '@/data/claims';
import { maybeInMyShop } from '@/server/session';

const MOST = 500;

function claimRow(claim: ClaimRecord): ClaimRow {
  const name = findSpecies(claim.speciesKey)?.name ?? claim.speciesKey;
  return {
    number: claim.number,
    supplier: claim.supplier,
    deliveryRef: claim.deliveryRef,
    line: claim.line,
    product: `${name}${claim.variety ? ` ‘${claim.variety}’` : ''}`,
    words: claim.words,
    stems: claim.stems,
    stemsDelivered: claim.stemsDelivered,
    value: claim.value,
    currency: claim.currency,
    state: claim.state,
    openedAt: claim.openedAt.toISOString(),
    dueAt: claim.dueAt.toISOString(),
    settledValue: claim.settledValue,
  };
}

export interface ClaimSheet {
  readonly shopName: string;
  readonly timeZone: string;
  readonly rows: readonly ClaimRow[];
}

/** The claims of one's own shop, of one delivery where it is named; null when nobody is signed in. */
export async function claimSheet(deliveryRef: string | null): Promise<ClaimSheet | null> {
  return maybeInMyShop(async (trx, me) => ({
    shopName: me.shop.name,
    timeZone: me.shop.timeZone,
    rows: (await manyClaims(trx, MOST))
      .filter((c) => deliveryRef === null || c.deliveryRef === deliveryRef)
      .map(claimRow),
  }));
}
