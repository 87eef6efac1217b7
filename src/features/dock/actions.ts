import 'server-only';
import * as v from 'valibot';
import { draftDecisionClaim } from '@/core/dock/claims';
import { findSpecies } from '@/core/species/species';
import { manyFlaws, openClaim } from '@/data/claims';
import { RefusedError } from '@/data/errors';
import { newId } from '@/data/ids';
import { mergeLots, splitLot } from '@/data/lot-parts';
import { binStems, changeLot, oneLotForUpdate, takeInHand, type LotRow } from '@/data/lots';
import { maybeLastStandingEntry, writeEntry } from '@/data/record';
import { insertPlan, manyStepsOfLot } from '@/data/steps';
import { inZone } from '@/server/clock';
import { actionKind, type ActionContext } from '@/server/actions';
import { houseOf, waysFor } from '@/server/house';
import { flawKindsIn, planFor, replan } from '@/server/replan';
import { bookActions } from './book-actions';
import { count, id, someWords } from './checks';
import { claimActions, claimDueAt, refuseClaimedTwice } from './claim-actions';
import { evidenceActions } from './evidence-actions';
import { loggerActions } from './logger-actions';
import { BIN_REASONS } from './words';

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

const look = actionKind(
  v.object({
    lotId: id,
    stage: v.pipe(v.number(), v.minValue(0), v.maxValue(1.2)),
    droop: v.picklist(['firm', 'soft', 'hanging']),
    /** When it had last been looked at, as the page showed it; not told, whatever stands is looked over. */
    seenAt: v.optional(v.nullable(v.pipe(v.string(), v.isoTimestamp()))),
  }),
  async (context, { lotId, stage, droop, seenAt }) => {
    const { trx, action } = context;
    const lot = await oneLotForUpdate(trx, lotId);
    if (seenAt !== undefined) await refuseIfLookedMeanwhile(context, lot, seenAt);
    const before = { stage: lot.stage, droop: lot.droop, looked_at: lot.lookedAt };
    const plan_no = await replan(context, { ...lot, stage, droop });
    await changeLot(trx, lotId, {
      stage,
      droop,
      looked_at: action.at,
      plan_no,
      in_hand_by: null,
      in_hand_at: null,
    });
    await writeEntry(trx, action, {
      kind: 'look',
      subjectKind: 'lot',
      subjectId: lotId,
      words: `Looked at lot ${lot.number}, ${findSpecies(lot.speciesKey)?.name.toLowerCase() ?? ''}: stage ${stage}, ${droop}`,
      detail: { before, after: { stage, droop } },
    });
  },
);

const bin = actionKind(
  v.object({ lotId: id, stems: count(100_000), reason: v.picklist(BIN_REASONS) }),
  async ({ trx, action }, { lotId, stems, reason }) => binStems(trx, action, lotId, stems, reason),
);

/** Some stems of a lot came in another state: a lot of their own, to be looked at. */
const split = actionKind(
  v.object({ lotId: id, stems: count(100_000) }),
  async ({ trx, action, me }, { lotId, stems }) => {
    const made = await splitLot(trx, action, lotId, stems);
    const older = await manyStepsOfLot(trx, lotId, made.from.planNo);
    const flaws = flawKindsIn(await manyFlaws(trx, [lotId]));
    await insertPlan(
      trx,
      action.shopId,
      made.lotId,
      1,
      planFor(
        made.from,
        flaws,
        waysFor(await houseOf(trx), made.from, action.at, me.shop.timeZone),
        action.at,
      ),
      older,
    );
    await writeEntry(trx, action, {
      kind: 'split',
      subjectKind: 'lot',
      subjectId: lotId,
      words: `Lot ${made.from.number}: ${stems} stems made lot ${made.number}`,
      detail: { splitOffId: made.lotId, stems },
    });
    return { lotId: made.lotId };
  },
);

/** Two lines of a note that are one flower, put together. */
const merge = actionKind(v.object({ lotId: id, intoId: id }), async ({ trx, action }, { lotId, intoId }) => {
  const merged = await mergeLots(trx, lotId, intoId);
  await writeEntry(trx, action, {
    kind: 'merge',
    subjectKind: 'lot',
    subjectId: intoId,
    words: `Lot ${merged.fromNumber} put to lot ${merged.intoNumber}: ${merged.stems} stems`,
    detail: { ...merged },
  });
});

/** Who has which box open: shown to the other tablet, and no entry of the record. */
const inHand = actionKind(v.object({ lotId: id }), async ({ trx, action }, { lotId }) =>
  takeInHand(trx, lotId, action.personId, action.at),
);

/** A box that belongs to another day, or with null to today after all. */
const keepFor = actionKind(
  v.object({ lotId: id, day: v.nullable(v.pipe(v.string(), v.isoDate('is not a date'))) }),
  async ({ trx, action, me }, { lotId, day }) => {
    const lot = await oneLotForUpdate(trx, lotId);
    const today = inZone(action.at, me.shop.timeZone).date;
    if (day !== null && day <= today)
      throw new RefusedError('A box is set aside for a day to come. Nothing was changed.');
    await changeLot(trx, lotId, { for_day: day });
    await writeEntry(trx, action, {
      kind: 'keep-for',
      subjectKind: 'lot',
      subjectId: lotId,
      words: day === null ? `Lot ${lot.number} is for today` : `Lot ${lot.number} set aside for ${day}`,
      detail: { before: lot.forDay },
    });
  },
);

const PERCENT_OF = { accepted: 0, 'use first': 0, 'reduced price': null, refused: 100 } as const;

/** What becomes of a lot: kept, used first, kept for less, or sent back; the last two are claimed at once. */
const decide = actionKind(
  v.object({
    lotId: id,
    decision: v.picklist(['accepted', 'use first', 'reduced price', 'refused']),
    percent: v.optional(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(99))),
    because: someWords(240),
  }),
  async ({ trx, action }, { lotId, decision, percent, because }) => {
    const lot = await oneLotForUpdate(trx, lotId);
    if (lot.stemsLeft === 0)
      throw new RefusedError(`Nothing of lot ${lot.number} is left. Nothing was changed.`);
    const asked = PERCENT_OF[decision] ?? percent;
    if (asked === undefined) throw new RefusedError('How much less? Nothing was changed.');
    if (asked > 0) await refuseClaimedTwice(trx, lot, true);
    const leaving = decision === 'refused' ? lot.stemsLeft : 0;
    await changeLot(trx, lotId, { decision, stems_left: lot.stemsLeft - leaving });
    const claim =
      asked > 0
        ? await openClaim(
            trx,
            { ...action, actionKey: newId() },
            {
              ...draftDecisionClaim(asked, lot.stemsLeft, lot.unitPrice, because),
              kind: decision,
              lotId,
              deliveryId: lot.deliveryId,
              currency: lot.currency,
              dueAt: await claimDueAt(trx, lot),
            },
          )
        : null;
    const less = decision === 'reduced price' ? ` by ${asked} %` : '';
    await writeEntry(trx, action, {
      kind: 'decide',
      subjectKind: 'lot',
      subjectId: lotId,
      words: `Lot ${lot.number}: ${decision}${less}, ${because}`,
      detail: { before: { decision: lot.decision }, claimId: claim?.claimId ?? null, stems: leaving },
    });
  },
);

export const dockActions = {
  look,
  bin,
  split,
  merge,
  'in-hand': inHand,
  'keep-for': keepFor,
  decide,
  ...bookActions,
  ...claimActions,
  ...evidenceActions,
  ...loggerActions,
};
