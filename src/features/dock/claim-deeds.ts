import 'server-only';
import * as v from 'valibot';
import { draftClaim, USUAL_CLAIM_HOURS } from '@/core/dock/claims';
import { FLAW_KINDS, FLAWS, flawInLot, flawInWords } from '@/core/dock/flaws';
import {
  claimHoursBySupplier,
  insertFlaw,
  manyFlaws,
  moveClaim,
  openClaim,
  setClaimHours,
} from '@/data/claims';
import { RefusedError } from '@/data/errors';
import { oneLotForUpdate } from '@/data/lots';
import { writeEntry } from '@/data/record';
import { deedKind } from '@/server/deeds';

const HOUR_MS = 3_600_000;
const lotId = v.pipe(v.string(), v.uuid());
const kind = v.picklist(FLAW_KINDS);
const count = (min: number) => v.pipe(v.number(), v.integer(), v.minValue(min), v.maxValue(100_000));

/** A flaw counted in a sample of a lot. */
const flaw = deedKind(
  v.object({ lotId, kind, seen: count(0), sample: count(1) }),
  async ({ trx, deed }, counted) => {
    const lot = await oneLotForUpdate(trx, counted.lotId);
    if (counted.seen > counted.sample)
      throw new RefusedError('More have it than were looked at. Nothing was logged; set the counts again.');
    if (counted.sample > lot.stemsBooked)
      throw new RefusedError(
        `Lot ${lot.number} has ${lot.stemsBooked} stems, fewer than were looked at. Nothing was logged.`,
      );
    const [before] = (await manyFlaws(trx, [lot.id])).filter((f) => f.kind === counted.kind);
    await insertFlaw(trx, deed, counted);
    await writeEntry(trx, deed, {
      kind: 'flaw',
      subjectKind: 'lot',
      subjectId: lot.id,
      words: `Lot ${lot.number}: ${FLAWS[counted.kind].words}, ${flawInWords(flawInLot(counted, lot.stemsBooked))}`,
      detail: { counted, before: before ?? null },
    });
  },
);

/** Opens a claim for a flaw that was counted. */
const claim = deedKind(v.object({ lotId, kind }), async ({ trx, deed }, asked) => {
  const lot = await oneLotForUpdate(trx, asked.lotId);
  const found = (await manyFlaws(trx, [lot.id])).find((f) => f.kind === asked.kind);
  if (!found || found.seen === 0)
    throw new RefusedError('Nothing of the kind is counted in that lot. No claim was opened.');
  const inLot = flawInLot({ kind: asked.kind, seen: found.seen, sample: found.sample }, lot.stemsBooked);
  const draft = draftClaim(inLot, lot.unitPrice, flawInWords(inLot));
  const hours = (await claimHoursBySupplier(trx))[lot.supplier] ?? USUAL_CLAIM_HOURS;
  return openClaim(trx, deed, {
    ...draft,
    lotId: lot.id,
    deliveryId: lot.deliveryId,
    currency: lot.currency,
    dueAt: new Date(lot.arrivedAt.getTime() + hours * HOUR_MS),
  });
});

/** Moves a claim on: sent, credited with how much, refused, or withdrawn. */
const moveOn = deedKind(
  v.object({
    claimId: v.pipe(v.string(), v.uuid()),
    state: v.picklist(['sent', 'credited', 'refused', 'withdrawn']),
    settledValue: v.nullable(v.pipe(v.number(), v.minValue(0, 'cannot be negative'), v.maxValue(1_000_000))),
  }),
  async ({ trx, deed }, { claimId, state, settledValue }) => {
    if ((state === 'credited') !== (settledValue !== null))
      throw new RefusedError('A credited claim says how much; no other does. Nothing was changed.');
    await moveClaim(trx, deed, claimId, state, settledValue);
  },
);

/** How long a supplier allows for claims. */
const claimWindow = deedKind(
  v.object({ supplier: v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(120)), hours: count(1) }),
  async ({ trx, deed, me }, { supplier, hours }) => {
    if (me.role !== 'manager') throw new RefusedError('Only a manager sets that. Nothing was changed.');
    if (hours > 720) throw new RefusedError('No supplier waits over thirty days. Nothing was changed.');
    await setClaimHours(trx, deed.shopId, supplier, hours);
    await writeEntry(trx, deed, {
      kind: 'claim-window',
      subjectKind: 'claim',
      subjectId: deed.actionKey,
      words: `${supplier} allows ${hours} hours for a claim`,
      detail: { supplier, hours },
    });
  },
);

export const claimDeeds = { flaw, claim, 'claim-moved': moveOn, 'claim-window': claimWindow };
