import 'server-only';
import { maybeClaim, moveClaim } from '@/data/claims';
import { unbookDelivery } from '@/data/deliveries';
import { correctWeighing, insertTemperature, withdrawPhoto, type TakenAt } from '@/data/evidence';
import { callOffOrder } from '@/data/expected';
import { newId } from '@/data/ids';
import { settleKeptLine } from '@/data/kept-lines';
import { partLots, type Merged } from '@/data/lot-parts';
import { changeLot, oneLotForUpdate } from '@/data/lots';
import type { Entry } from '@/data/record';
import type { ActionContext } from './actions';

type Undo = (context: ActionContext, entry: Entry) => Promise<void>;

/** What was decided before stands again; a claim that the decision opened is withdrawn, unless it went on. */
const undoDecision: Undo = async ({ trx, action }, entry) => {
  const { before, claimId, stems } = entry.detail as {
    before: { decision: string | null };
    claimId: string | null;
    /** Stems that left with it. */
    stems: number;
  };
  const lot = await oneLotForUpdate(trx, entry.subjectId);
  await changeLot(trx, lot.id, { ...before, stems_left: lot.stemsLeft + stems });
  const claim = claimId === null ? undefined : await maybeClaim(trx, claimId);
  if (claim?.state === 'open')
    await moveClaim(trx, { ...action, actionKey: newId() }, claim.id, 'withdrawn', null);
};

/** The count before stands again, and what was used since stays used. */
const undoCount: Undo = async ({ trx, action }, entry) => {
  const { before, stems, weighingId } = entry.detail as {
    before: { stems_booked: number; stems_short: number };
    stems: number;
    weighingId: string | null;
  };
  const lot = await oneLotForUpdate(trx, entry.subjectId);
  await changeLot(trx, lot.id, {
    ...before,
    stems_left: lot.stemsLeft + before.stems_booked - stems,
  });
  if (weighingId) await correctWeighing(trx, action, weighingId);
};

/** How what is done at the dock is taken back. */
export const UNDO_AT_THE_DOCK: Readonly<Record<string, Undo>> = {
  decide: undoDecision,
  count: undoCount,
  'book-in': ({ trx, action }, entry) => unbookDelivery(trx, action, entry.subjectId),
  order: async ({ trx }, entry) => {
    await callOffOrder(trx, entry.subjectId);
  },
  'call-off': async ({ trx }, entry) => {
    await callOffOrder(trx, entry.subjectId, true);
  },
  temperature: ({ trx, action }, entry) => {
    const { place, before } = entry.detail as { place: TakenAt; before: number | null };
    return insertTemperature(trx, action, entry.subjectId, place, before);
  },
  photo: ({ trx, action }, entry) => withdrawPhoto(trx, entry.detail.photoId as string, action.at),
  'photo-away': ({ trx }, entry) => withdrawPhoto(trx, entry.detail.photoId as string, null),
  'keep-for': ({ trx }, entry) => changeLot(trx, entry.subjectId, { for_day: entry.detail.before }),
  merge: ({ trx }, entry) => partLots(trx, entry.subjectId, entry.detail as unknown as Merged),
  'line-refused': ({ trx }, entry) =>
    settleKeptLine(trx, entry.subjectId, { fate: 'waiting', reason: entry.detail.before as string }),
};
