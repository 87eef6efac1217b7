import type { SpeciesRegistry } from '@/core/species/registry';
import 'server-only';
import { HOUR_MS } from '@/core/calendar/spans';
import { draftClaim, USUAL_CLAIM_HOURS, type ClaimDraft } from '@/core/dock/claims';
import { flawInLot, type FlawKind } from '@/core/dock/flaws';
import { boxTemperature } from '@/core/dock/temperatures';
import { m, type Message } from '@/core/words/message';
import { claimHoursBySupplier, manyFlaws, manyStandingClaims } from '@/data/claims';
import type { Trx } from '@/data/connection';
import { RefusedError } from '@/data/errors';
import { manyPhotos, manyTemperatures } from '@/data/evidence';
import type { LotRow } from '@/data/lots';

/** When the supplier's window for a lot's claims closes. */
export async function claimDueAt(trx: Trx, lot: LotRow): Promise<Date> {
  const hours = (await claimHoursBySupplier(trx))[lot.supplier] ?? USUAL_CLAIM_HOURS;
  return new Date(lot.arrivedAt.getTime() + hours * HOUR_MS);
}

/** What else speaks for a claim: a box that came warm or chilled, photographs. */
export async function otherEvidence(trx: Trx, lot: LotRow, species: SpeciesRegistry): Promise<Message[]> {
  const boxC = (await manyTemperatures(trx, [lot.id])).find((t) => t.place === 'box')?.tempC;
  const box = boxC === undefined ? null : boxTemperature(species.byKey(lot.speciesKey), boxC);
  const photos = (await manyPhotos(trx, [lot.id])).length;
  return [
    ...(boxC !== undefined && box?.isGrave ? [m('claim.box-at', { tempC: boxC })] : []),
    ...(photos > 0 ? [m('claim.photographs', { n: photos })] : []),
  ];
}

/**
 * One stem is not claimed twice: a lot kept for less or sent back is claimed whole, and any claim
 * but for what was short stands against that. The database holds the sum besides.
 * @throws RefusedError naming the claim that stands
 */
export async function refuseClaimedTwice(trx: Trx, lot: LotRow, isOfWhole: boolean): Promise<void> {
  const [standing] = (await manyStandingClaims(trx, lot.id)).filter(
    (c) => isOfWhole || c.kind === 'reduced price' || c.kind === 'refused',
  );
  if (standing)
    throw new RefusedError(
      `Claim ${standing.number} of lot ${lot.number} stands: the same stems are not claimed twice. Nothing was claimed; withdraw that one first.`,
    );
}

/** A claim for a flaw that was counted: for no more stems than are not claimed already. */
export async function draftOf(trx: Trx, lot: LotRow, kind: FlawKind): Promise<ClaimDraft> {
  const found = (await manyFlaws(trx, [lot.id])).find((f) => f.kind === kind);
  if (!found || found.seen === 0)
    throw new RefusedError('Nothing of the kind is counted in that lot. No claim was opened.', 'kind');
  const inLot = flawInLot({ kind, seen: found.seen, sample: found.sample }, lot.stemsBooked);
  const draft = draftClaim(inLot, lot.unitPrice);
  const standing = await manyStandingClaims(trx, lot.id);
  const same = standing.find((c) => c.kind === kind);
  if (same)
    throw new RefusedError(
      `Claim ${same.number} is for that already: the same stems are not claimed twice. Nothing was claimed.`,
      'kind',
    );
  const left = lot.stemsBooked - standing.reduce((n, c) => n + c.stems, 0);
  if (left <= 0)
    throw new RefusedError(
      `Every stem of lot ${lot.number} is claimed for already. Nothing was claimed; withdraw one of its claims first.`,
    );
  if (draft.stems <= left) return draft;
  const value = draft.value === null ? null : Math.round((draft.value * 100 * left) / draft.stems) / 100;
  return { ...draft, stems: left, value, says: m('claim.rest', { says: draft.says }) };
}
