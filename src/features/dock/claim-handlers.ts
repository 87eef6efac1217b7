import { m } from '@/core/words/message';
import 'server-only';
import type { DockClaimAction } from '@/core/actions/dock';
import { draftShortClaim, withEvidence } from '@/core/dock/claims';
import { flawCounted, flawInLot, flawName } from '@/core/dock/flaws';
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
import { oneLotForUpdate } from '@/data/lots';
import { writeEntry } from '@/data/record';
import type { Handlers } from '@/server/handler';
import { replanLot } from '@/server/replan';
import { claimDueAt, draftOf, otherEvidence, refuseClaimedTwice } from './claims';

/** Flaws counted, and claims from their opening to their end. */
export const dockClaimHandlers: Handlers<DockClaimAction> = {
  'dock/flaw': {
    work: async (context, counted) => {
      const { trx, action } = context;
      const lot = await oneLotForUpdate(trx, counted.lotId);
      if (counted.seen > counted.sample)
        throw new RefusedError(
          'More have it than were looked at. Nothing was logged; set the counts again.',
          'seen',
        );
      if (counted.sample > lot.stemsBooked)
        throw new RefusedError(
          `Lot ${lot.number} has ${lot.stemsBooked} stems, fewer than were looked at. Nothing was logged.`,
          'sample',
        );
      const [before] = (await manyFlaws(trx, [lot.id])).filter((f) => f.kind === counted.kind);
      await insertFlaw(trx, action, counted);
      await replanLot(context, lot.id);
      await writeEntry(trx, action, {
        kind: 'flaw',
        subjectKind: 'lot',
        subjectId: lot.id,
        says: m('record.flaw', {
          lot: String(lot.number),
          flaw: flawName(counted.kind),
          counted: flawCounted(flawInLot(counted, lot.stemsBooked)),
        }),
        detail: { counted, before: before ?? null },
      });
      return null;
    },
  },
  'dock/claim': {
    // For a flaw that was counted, or for what was counted short.
    work: async ({ trx, action, me }, asked) => {
      const lot = await oneLotForUpdate(trx, asked.lotId);
      const isShort = asked.kind === 'short';
      if (!isShort) await refuseClaimedTwice(trx, lot, false);
      if (isShort && (await manyStandingClaims(trx, lot.id, true)).some((c) => c.kind === 'short'))
        throw new RefusedError(
          `What lot ${lot.number} was short of is claimed already. Nothing was claimed twice.`,
        );
      if (isShort && lot.stemsShort <= 0)
        throw new RefusedError(`Lot ${lot.number} was not counted short. No claim was opened.`, 'kind');
      const draft = isShort
        ? draftShortClaim(lot.stemsBooked, lot.stemsShort, lot.unitPrice)
        : await draftOf(trx, lot, asked.kind);
      const evidence = await otherEvidence(trx, lot, me.species);
      return openClaim(trx, action, {
        ...draft,
        says: withEvidence(draft.says, evidence),
        lotId: lot.id,
        deliveryId: lot.deliveryId,
        currency: lot.currency,
        dueAt: await claimDueAt(trx, lot),
      });
    },
  },
  'dock/claim-moved': {
    work: async ({ trx, action }, { claimId, state }) => {
      await moveClaim(trx, action, claimId, state, null);
      return null;
    },
  },
  'dock/claim-settled': {
    work: async ({ trx, action }, { claimId, state, settledValue }) => {
      if ((state === 'credited') !== (settledValue !== null))
        throw new RefusedError(
          'A credited claim says how much; no other does. Nothing was changed.',
          'settledValue',
        );
      await moveClaim(trx, action, claimId, state, settledValue);
      return null;
    },
  },
  'dock/claim-window': {
    work: async ({ trx, action }, { supplier, hours }) => {
      const was = (await claimHoursBySupplier(trx))[supplier] ?? null;
      await setClaimHours(trx, action.shopId, supplier, hours);
      await writeEntry(trx, action, {
        kind: 'claim-window',
        subjectKind: 'claim',
        subjectId: action.actionKey,
        says: m('record.claim-window', { supplier, hours }),
        detail: { supplier, hours, was },
      });
      return null;
    },
  },
};
