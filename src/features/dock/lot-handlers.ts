import { m, saidSpecies } from '@/core/words/message';
import 'server-only';
import type { DockLotAction } from '@/core/actions/dock';
import { draftDecisionClaim } from '@/core/dock/claims';
import { binStems } from '@/data/bins';
import { openClaim } from '@/data/claims';
import { RefusedError } from '@/data/errors';
import { mergeLots, splitLot } from '@/data/lot-parts';
import { changeLot, oneLotForUpdate, takeInHand, type LotRow } from '@/data/lots';
import { changePortion, manyPortionsOfLot, onePortion } from '@/data/portions';
import { maybeLastStandingEntry, writeEntry } from '@/data/record';
import { endLine } from '@/data/stays';
import { inZone } from '@/server/clock';
import type { ActionContext, Handlers } from '@/server/handler';
import { replan, replanLot } from '@/server/replan';
import { claimDueAt, refuseClaimedTwice } from './claims';

/** Somebody else looked since this page was made: theirs stands, and whoever is late is told what it was. */
async function refuseIfLookedMeanwhile(
  { trx, action, me }: ActionContext,
  lot: LotRow,
  seenAt: string | null,
): Promise<void> {
  if ((lot.lookedAt?.toISOString() ?? null) === seenAt) return;
  const last = await maybeLastStandingEntry(trx, lot.id, 'look');
  if (!last || last.personId === action.personId) return;
  const { clock } = inZone(last.at, me.shop.timeZone);
  throw new RefusedError(
    `${last.personName} looked at lot ${lot.number} at ${clock}: ${lot.droop}. Yours was not logged over it; look again if you see it otherwise.`,
  );
}

const PERCENT_OF = { accepted: 0, 'use first': 0, 'reduced price': null, refused: 100 } as const;

/** Lots at the dock: how they are seen, split, put together, set aside, decided of. */
export const dockLotHandlers: Handlers<DockLotAction> = {
  'dock/look': {
    work: async (context, { lotId, stage, droop, seenAt }) => {
      const { trx, action } = context;
      const lot = await oneLotForUpdate(trx, lotId);
      if (seenAt !== undefined) await refuseIfLookedMeanwhile(context, lot, seenAt);
      await changeLot(trx, lot.id, {
        stage,
        droop,
        looked_at: action.at,
        in_hand_by: null,
        in_hand_at: null,
      });
      await replanLot(context, lot.id);
      await writeEntry(trx, action, {
        kind: 'look',
        subjectKind: 'lot',
        subjectId: lot.id,
        says: m('record.looked', {
          lot: String(lot.number),
          species: saidSpecies(context.me.species.byKey(lot.speciesKey)),
          stage,
          droop: m(`record.droop.${droop}`),
        }),
        detail: { stage, droop, was: { stage: lot.stage, droop: lot.droop } },
      });
      return null;
    },
  },
  'dock/bin': {
    work: async ({ trx, action }, { lotId, portionId, stems, reason }) => {
      await binStems(trx, action, lotId.toLowerCase(), portionId, stems, reason);
      return null;
    },
  },
  'dock/split': {
    // Some stems of a lot came in another state: a lot of their own, to be looked at.
    work: async (context, { lotId, stems }) => {
      const { trx, action } = context;
      const made = await splitLot(trx, lotId, stems);
      await replan(context, await onePortion(trx, made.portionId), lotId);
      await writeEntry(trx, action, {
        kind: 'split',
        subjectKind: 'lot',
        subjectId: made.from.id,
        says: m('record.split', { lot: String(made.from.number), n: stems, other: String(made.number) }),
        detail: { splitOffId: made.lotId, stems },
      });
      return { lotId: made.lotId };
    },
  },
  'dock/merge': {
    // Two lines of a note that are one flower, put together.
    work: async ({ trx, action }, { lotId, intoId }) => {
      const merged = await mergeLots(trx, lotId, intoId, action.at);
      await writeEntry(trx, action, {
        kind: 'merge',
        subjectKind: 'lot',
        subjectId: intoId,
        says: m('record.merged', {
          lot: String(merged.fromNumber),
          other: String(merged.intoNumber),
          n: merged.stems,
        }),
        detail: { ...merged },
      });
      return null;
    },
  },
  'dock/in-hand': {
    // Whose box is open: shown to the other tablet, and no entry of the record.
    work: async ({ trx, action }, { lotId }) => {
      await takeInHand(trx, lotId, action.personId, action.at);
      return null;
    },
  },
  'dock/keep-for': {
    // A box that belongs to another day, or with null to today after all.
    work: async ({ trx, action, me }, { lotId, day }) => {
      const lot = await oneLotForUpdate(trx, lotId);
      const today = inZone(action.at, me.shop.timeZone).date;
      if (day !== null && day <= today)
        throw new RefusedError('A box is set aside for a day to come. Nothing was changed.', 'day');
      await changeLot(trx, lot.id, { for_day: day });
      await writeEntry(trx, action, {
        kind: 'keep-for',
        subjectKind: 'lot',
        subjectId: lot.id,
        says:
          day === null
            ? m('record.for-today', { lot: String(lot.number) })
            : m('record.set-aside', { lot: String(lot.number), day }),
        detail: { day },
      });
      return null;
    },
  },
  'dock/decide': {
    // What becomes of a lot: kept, used first, kept for less, or sent back; the last two are claimed at once.
    work: async ({ trx, action }, { lotId, decision, percent, because }) => {
      const lot = await oneLotForUpdate(trx, lotId);
      if (lot.stemsLeft === 0)
        throw new RefusedError(`Nothing of lot ${lot.number} is left. Nothing was changed.`);
      const asked = PERCENT_OF[decision] ?? percent;
      if (asked === undefined) throw new RefusedError('How much less? Nothing was changed.', 'percent');
      if (asked > 0) await refuseClaimedTwice(trx, lot, true);
      await changeLot(trx, lot.id, { decision });
      const leaving = decision === 'refused' ? lot.stemsLeft : 0;
      if (leaving > 0)
        for (const portion of await manyPortionsOfLot(trx, lot.id)) {
          await changePortion(trx, portion.id, { stems: 0 });
          await endLine(trx, portion.id, action.at);
        }
      const claim =
        asked > 0
          ? await openClaim(trx, action, {
              ...draftDecisionClaim(asked, lot.stemsLeft, lot.unitPrice, because),
              kind: decision,
              lotId: lot.id,
              deliveryId: lot.deliveryId,
              currency: lot.currency,
              dueAt: await claimDueAt(trx, lot),
            })
          : null;
      const decided = { lot: String(lot.number), decision: m(`record.decision.${decision}`), because };
      await writeEntry(trx, action, {
        kind: 'decide',
        subjectKind: 'lot',
        subjectId: lot.id,
        says:
          decision === 'reduced price'
            ? m('record.decided-less', { ...decided, percent: asked })
            : m('record.decided', decided),
        detail: { decision, because, claimId: claim?.claimId ?? null, stems: leaving },
      });
      return null;
    },
  },
};
