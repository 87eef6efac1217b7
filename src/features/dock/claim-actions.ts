import 'server-only';
import * as v from 'valibot';
import { draftClaim, draftShortClaim, USUAL_CLAIM_HOURS, type ClaimDraft } from '@/core/dock/claims';
import { boxTemperature } from '@/core/dock/temperatures';
import { speciesByKey } from '@/core/species/species';
import { FLAW_KINDS, FLAWS, flawInLot, flawInWords, SAMPLED_FLAWS, type FlawKind } from '@/core/dock/flaws';
import {
  claimHoursBySupplier,
  insertFlaw,
  manyFlaws,
  manyStandingClaims,
  moveClaim,
  openClaim,
  setClaimHours,
} from '@/data/claims';
import { RefusedError } from '@/data/errors';
import type { Trx } from '@/data/connection';
import { manyPhotos, manyTemperatures } from '@/data/evidence';
import { changeLot, oneLotForUpdate, type LotRow } from '@/data/lots';
import { writeEntry } from '@/data/record';
import { actionKind } from '@/server/actions';
import { replan } from '@/server/replan';

const HOUR_MS = 3_600_000;
const lotId = v.pipe(v.string(), v.uuid());
const kind = v.picklist(FLAW_KINDS);
const count = (min: number) => v.pipe(v.number(), v.integer(), v.minValue(min), v.maxValue(100_000));

/** A flaw counted in a sample of a lot. */
const flaw = actionKind(
  v.object({ lotId, kind: v.picklist(SAMPLED_FLAWS), seen: count(0), sample: count(1) }),
  async (context, counted) => {
    const { trx, action } = context;
    const lot = await oneLotForUpdate(trx, counted.lotId);
    if (counted.seen > counted.sample)
      throw new RefusedError('More have it than were looked at. Nothing was logged; set the counts again.');
    if (counted.sample > lot.stemsBooked)
      throw new RefusedError(
        `Lot ${lot.number} has ${lot.stemsBooked} stems, fewer than were looked at. Nothing was logged.`,
      );
    const [before] = (await manyFlaws(trx, [lot.id])).filter((f) => f.kind === counted.kind);
    await insertFlaw(trx, action, counted);
    await changeLot(trx, lot.id, { plan_no: await replan(context, lot) });
    await writeEntry(trx, action, {
      kind: 'flaw',
      subjectKind: 'lot',
      subjectId: lot.id,
      words: `Lot ${lot.number}: ${FLAWS[counted.kind].words}, ${flawInWords(flawInLot(counted, lot.stemsBooked))}`,
      detail: { counted, before: before ?? null },
    });
  },
);

/** When the supplier's window for a lot's claims closes. */
export async function claimDueAt(trx: Trx, lot: LotRow): Promise<Date> {
  const hours = (await claimHoursBySupplier(trx))[lot.supplier] ?? USUAL_CLAIM_HOURS;
  return new Date(lot.arrivedAt.getTime() + hours * HOUR_MS);
}

/** Opens a claim for a flaw that was counted, or for what was counted short. */
const claim = actionKind(v.object({ lotId, kind }), async ({ trx, action }, asked) => {
  const lot = await oneLotForUpdate(trx, asked.lotId);
  const draft =
    asked.kind === 'short' && lot.stemsShort > 0
      ? draftShortClaim(lot.stemsBooked, lot.stemsShort, lot.unitPrice)
      : await draftOf(trx, lot, asked.kind);
  if (asked.kind !== 'short') await refuseClaimedTwice(trx, lot, false);
  const evidence = await otherEvidence(trx, lot);
  return openClaim(trx, action, {
    ...draft,
    words: [draft.words, ...evidence].join('; ').slice(0, 300),
    lotId: lot.id,
    deliveryId: lot.deliveryId,
    currency: lot.currency,
    dueAt: await claimDueAt(trx, lot),
  });
});

/** What else speaks for a claim: a box that came warm or chilled, photographs. */
async function otherEvidence(trx: Trx, lot: LotRow): Promise<string[]> {
  const boxC = (await manyTemperatures(trx, [lot.id])).find((t) => t.place === 'box')?.tempC;
  const box = boxC === undefined ? null : boxTemperature(speciesByKey(lot.speciesKey), boxC);
  const photos = (await manyPhotos(trx, [lot.id])).length;
  return [
    ...(box?.isGrave ? [`box at ${boxC} °C`] : []),
    ...(photos > 0 ? [`${photos} ${photos === 1 ? 'photograph' : 'photographs'}`] : []),
  ];
}

/**
 * One stem is not claimed twice: a lot kept for less or sent back is claimed whole, and any claim
 * but for what was short stands against that.
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

async function draftOf(trx: Trx, lot: LotRow, kind: FlawKind): Promise<ClaimDraft> {
  const found = (await manyFlaws(trx, [lot.id])).find((f) => f.kind === kind);
  if (!found || found.seen === 0)
    throw new RefusedError('Nothing of the kind is counted in that lot. No claim was opened.');
  const inLot = flawInLot({ kind, seen: found.seen, sample: found.sample }, lot.stemsBooked);
  return draftClaim(inLot, lot.unitPrice, flawInWords(inLot));
}

/** Moves a claim on: sent, credited with how much, refused, or withdrawn. */
const moveOn = actionKind(
  v.object({
    claimId: v.pipe(v.string(), v.uuid()),
    state: v.picklist(['sent', 'credited', 'refused', 'withdrawn']),
    settledValue: v.nullable(v.pipe(v.number(), v.minValue(0, 'cannot be negative'), v.maxValue(1_000_000))),
  }),
  async ({ trx, action }, { claimId, state, settledValue }) => {
    if ((state === 'credited') !== (settledValue !== null))
      throw new RefusedError('A credited claim says how much; no other does. Nothing was changed.');
    await moveClaim(trx, action, claimId, state, settledValue);
  },
);

/** How long a supplier allows for claims. */
const claimWindow = actionKind(
  v.object({ supplier: v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(120)), hours: count(1) }),
  async ({ trx, action, me }, { supplier, hours }) => {
    if (me.role !== 'manager') throw new RefusedError('Only a manager sets that. Nothing was changed.');
    if (hours > 720) throw new RefusedError('No supplier waits over thirty days. Nothing was changed.');
    await setClaimHours(trx, action.shopId, supplier, hours);
    await writeEntry(trx, action, {
      kind: 'claim-window',
      subjectKind: 'claim',
      subjectId: action.actionKey,
      words: `${supplier} allows ${hours} hours for a claim`,
      detail: { supplier, hours },
    });
  },
);

export const claimActions = { flaw, claim, 'claim-moved': moveOn, 'claim-window': claimWindow };
