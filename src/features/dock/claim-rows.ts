import 'server-only';
import type { ClaimRow } from '@/core/dock/claims';
import { findSpecies } from '@/core/species/species';
import { manyClaims, type ClaimRecord } from '@/data/claims';
import { manyPictures } from '@/data/evidence';
import { maybeInMyShop } from '@/server/session';

const MOST = 500;
/** Paper with hundreds of pictures helps nobody, and weighs. */
const MOST_PICTURED = 20;
const PICTURES_A_CLAIM = 3;

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
  /** Pictures that go with a claim, by its number. */
  readonly pictures: ReadonlyMap<number, readonly Buffer[]>;
}

/** The claims of one's own shop, of one delivery where it is named; null when nobody is signed in. */
export async function claimSheet(deliveryRef: string | null): Promise<ClaimSheet | null> {
  return maybeInMyShop(async (trx, me) => {
    const claims = (await manyClaims(trx, MOST)).filter(
      (c) => deliveryRef === null || c.deliveryRef === deliveryRef,
    );
    const shown = claims.filter((c) => c.state === 'open' || c.state === 'sent').slice(0, MOST_PICTURED);
    const pictures = await manyPictures(
      trx,
      shown.map((c) => c.lotId),
      PICTURES_A_CLAIM,
    );
    return {
      shopName: me.shop.name,
      timeZone: me.shop.timeZone,
      rows: claims.map(claimRow),
      pictures: new Map(
        shown.map((c) => [c.number, pictures.filter((p) => p.lotId === c.lotId).map((p) => p.jpeg)]),
      ),
    };
  });
}
