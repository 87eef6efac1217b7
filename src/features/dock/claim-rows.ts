import { say } from '@/core/words/say';
import { speciesCalled } from '@/core/words/species-name';
import 'server-only';
import { claimedOutOf, type ClaimRow } from '@/core/dock/claims';
import {
  manyClaimsOfDelivery,
  manySettledClaims,
  manyUnsettledClaims,
  type ClaimRecord,
} from '@/data/claim-lists';
import type { Trx } from '@/data/connection';
import { manyPictures } from '@/data/evidence';
import type { ClaimSheet } from '@/server/documents/claim-sheet';
import { shopPrinting } from '@/data/shops';
import { maybeInMyShop, type SignedIn } from '@/server/session';

/** Claims that are listed, or put on one sheet: what is over it is for the next. */
export const MOST_CLAIMS = 300;
/** Settled claims in a table for the books. */
const MOST_IN_TABLE = 5000;
/** Paper with hundreds of pictures helps nobody, and weighs. */
const MOST_PICTURED = 20;
const PICTURES_A_CLAIM = 3;

function claimRow(
  claim: ClaimRecord,
  { species, language }: Pick<SignedIn, 'species' | 'language'>,
): ClaimRow {
  const name = speciesCalled(species, claim.speciesKey, language);
  return {
    number: claim.number,
    supplier: claim.supplier,
    deliveryRef: claim.deliveryRef,
    line: claim.line,
    supplierLine: claim.supplierLine,
    product: `${name}${claim.variety ? ` ‘${claim.variety}’` : ''}`,
    words: say(claim.says, language),
    stems: claim.stems,
    stemsDelivered: claim.stemsDelivered,
    outOf: claimedOutOf(claim),
    value: claim.value,
    currency: claim.currency,
    state: claim.state,
    openedAt: claim.openedAt.toISOString(),
    dueAt: claim.dueAt.toISOString(),
    settledValue: claim.settledValue,
  };
}

/** The claims of a sheet: of the delivery that is named all of them, else those that wait to be settled. */
function claimsFor(trx: Trx, deliveryRef: string | null): Promise<ClaimRecord[]> {
  return deliveryRef === null
    ? manyUnsettledClaims(trx, MOST_CLAIMS)
    : manyClaimsOfDelivery(trx, deliveryRef, MOST_CLAIMS);
}

/** The claim sheet of one's own shop, its pictures with it; null when nobody is signed in. */
export async function claimSheet(deliveryRef: string | null): Promise<ClaimSheet | null> {
  return maybeInMyShop(async (trx, me) => {
    const claims = await claimsFor(trx, deliveryRef);
    const shown = claims.filter((c) => c.state === 'open' || c.state === 'sent').slice(0, MOST_PICTURED);
    const pictures = await manyPictures(
      trx,
      shown.map((c) => c.lotId),
      PICTURES_A_CLAIM,
    );
    return {
      shopName: me.shop.name,
      paper: (await shopPrinting(trx)).documents,
      timeZone: me.shop.timeZone,
      language: me.language,
      rows: claims.map((c) => claimRow(c, me)),
      isCutShort: claims.length === MOST_CLAIMS,
      pictures: new Map(
        shown.map((c) => [c.number, pictures.filter((p) => p.lotId === c.lotId).map((p) => p.jpeg)]),
      ),
    };
  });
}

/** The same claims as a table, with those that are settled; null when nobody is signed in. */
export async function claimTable(deliveryRef: string | null): Promise<ClaimRow[] | null> {
  return maybeInMyShop(async (trx, me) => {
    const claims = await claimsFor(trx, deliveryRef);
    const settled = deliveryRef === null ? await manySettledClaims(trx, MOST_IN_TABLE) : [];
    return [...claims, ...settled].map((c) => claimRow(c, me));
  });
}
