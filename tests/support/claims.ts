import { manySettledClaims, manyUnsettledClaims, type ClaimRecord } from '@/data/claim-lists';
import type { Trx } from '@/data/connection';

/** All claims but withdrawn ones: those that wait, then those that are settled. */
export async function manyClaims(trx: Trx, limit = 100): Promise<ClaimRecord[]> {
  return [...(await manyUnsettledClaims(trx, limit)), ...(await manySettledClaims(trx, limit))];
}
