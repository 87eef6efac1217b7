import 'server-only';
import { insertFlaw, type FlawRow } from '@/data/claims';
import { RefusedError } from '@/data/errors';
import { joinLots } from '@/data/lot-parts';
import { changeLot, oneLotForUpdate, returnStems } from '@/data/lots';
import { changePail, isOpenFill, manyLotsByFill, unfillPail } from '@/data/pails';
import { manyNewestEntries, maybeLastStandingEntry, writeEntry, type Entry } from '@/data/record';
import { changeStep } from '@/data/steps';
import { UNDO_AT_THE_DOCK } from './dock-corrections';
import type { ActionContext } from './actions';
import { replan } from './replan';

type Was = Record<string, unknown>;
interface StepDetail {
  readonly stepId: string;
  readonly stepWas: Was;
  readonly lotWas: Was;
  readonly poured: { readonly fillId: string; readonly opened: boolean; readonly pailWas: Was } | null;
  /** The step whose clock began by itself when this one was done. */
  readonly began?: string | null;
}

const NOT_BEGUN: Was = { status: 'waiting', started_at: null, due_at: null };

/** The plan that was in force stands again, as it stood; what the newer one brought is not lost, only not in force. */
async function undoBranch({ trx }: ActionContext, entry: Entry): Promise<void> {
  const { stepId, stepWas, lotWas, began } = entry.detail as unknown as Partial<StepDetail> & { lotWas: Was };
  if (typeof lotWas.fill_id === 'string' && !(await isOpenFill(trx, lotWas.fill_id)))
    throw new RefusedError(
      'The water it stood in before was tipped out since. Nothing was changed; put it into a pail.',
    );
  await changeLot(trx, entry.subjectId, lotWas);
  if (stepId && stepWas) await changeStep(trx, stepId, stepWas);
  if (began) await changeStep(trx, began, NOT_BEGUN);
}

async function undoStep({ trx, action }: ActionContext, entry: Entry): Promise<void> {
  const { stepId, stepWas, lotWas, poured, began } = entry.detail as unknown as StepDetail;
  if (poured?.opened) {
    const others = (await manyLotsByFill(trx)).filter(
      (l) => l.fillId === poured.fillId && l.lotId !== entry.subjectId,
    );
    if (others.length > 0)
      throw new RefusedError(
        'Another lot stands in that water by now. Nothing was changed; take that one back first.',
      );
  }
  if (typeof lotWas.fill_id === 'string' && !(await isOpenFill(trx, lotWas.fill_id)))
    throw new RefusedError(
      'The water it stood in before was tipped out since. Nothing was changed; put it into a pail.',
    );
  await changeStep(trx, stepId, stepWas);
  if (began) await changeStep(trx, began, NOT_BEGUN);
  await changeLot(trx, entry.subjectId, lotWas);
  if (poured?.opened) {
    const { state, contact_until } = poured.pailWas;
    await unfillPail(trx, poured.fillId, { state, contact_until }, action.at);
  }
}

async function undoLook(context: ActionContext, entry: Entry): Promise<void> {
  const { trx } = context;
  const lot = await oneLotForUpdate(trx, entry.subjectId);
  const before = entry.detail.before as {
    stage: number;
    droop: 'firm' | 'soft' | 'hanging';
    looked_at: string | null;
  };
  const plan_no = await replan(context, { ...lot, ...before });
  await changeLot(trx, lot.id, { ...before, plan_no });
}

/** The journey the route made of it stands again, droop and plan with it. */
async function undoLogger(context: ActionContext, entry: Entry): Promise<void> {
  const { trx } = context;
  const before = entry.detail.before as {
    lotId: string;
    aged_days: number;
    air_share: number;
    droop: 'firm' | 'soft' | 'hanging';
  }[];
  for (const { lotId, ...was } of before) {
    const lot = await oneLotForUpdate(trx, lotId);
    if (lot.droop === was.droop || lot.lookedAt) {
      await changeLot(trx, lotId, { aged_days: was.aged_days, air_share: was.air_share });
      continue;
    }
    const plan_no = await replan(context, { ...lot, droop: was.droop });
    await changeLot(trx, lotId, { ...was, plan_no });
  }
}

/** The count before stands again; where there was none, the flaw is withdrawn. */
async function undoFlaw(context: ActionContext, entry: Entry): Promise<void> {
  const { trx, action } = context;
  const { counted, before } = entry.detail as unknown as { counted: FlawRow; before: FlawRow | null };
  await insertFlaw(trx, action, before ?? counted, before === null);
  const lot = await oneLotForUpdate(trx, counted.lotId);
  await changeLot(trx, lot.id, { plan_no: await replan(context, lot) });
}

async function undoMake({ trx, action }: ActionContext, entry: Entry): Promise<void> {
  const lines = entry.detail.lines as { lotId: string; stems: number }[];
  for (const line of lines) await returnStems(trx, line.lotId, line.stems);
  await trx('arrangement').where({ id: entry.subjectId }).update({ taken_apart_at: action.at });
}

/** How each kind of entry is taken back; a kind that is in neither list stands. */
const UNDO: Readonly<Record<string, (context: ActionContext, entry: Entry) => Promise<void>>> = {
  begin: undoStep,
  done: undoStep,
  skip: undoStep,
  'look-back': undoBranch,
  recut: undoBranch,
  purpose: undoBranch,
  look: undoLook,
  make: undoMake,
  ...UNDO_AT_THE_DOCK,
  bin: ({ trx }, entry) => returnStems(trx, entry.subjectId, entry.detail.stems as number),
  flaw: undoFlaw,
  logger: undoLogger,
  split: ({ trx }, entry) => joinLots(trx, entry.subjectId, entry.detail.splitOffId as string),
  wash: ({ trx }, entry) => changePail(trx, entry.subjectId, entry.detail.pailWas as Was),
  fill: async ({ trx, action }, entry) => {
    const fillId = entry.detail.fillId as string;
    if ((await manyLotsByFill(trx)).some((l) => l.fillId === fillId))
      throw new RefusedError('A lot stands in that water by now. Nothing was changed.');
    await unfillPail(trx, fillId, entry.detail.pailWas as Was, action.at);
  },
};

/** Whether an entry of that kind can be taken back by another. */
export const canCorrect = (kind: string): boolean => Object.hasOwn(UNDO, kind);

/**
 * Takes an entry back by another: the state is as it was, both entries stand.
 * @throws RefusedError when it is too old, was taken back, or something was done after it
 */
export async function takeBack(context: ActionContext, entryId: number): Promise<void> {
  const { trx, action } = context;
  const entry = (await manyNewestEntries(trx, 200)).find((e) => e.id === entryId);
  if (!entry)
    throw new RefusedError('That entry is too far back to take back from here. Nothing was changed.');
  const undo = UNDO[entry.kind];
  if (!undo) throw new RefusedError('That is not taken back by a tap. Nothing was changed.');
  if (entry.corrected) throw new RefusedError('That was taken back already.');
  const last = await maybeLastStandingEntry(trx, entry.subjectId);
  if (last?.id !== entry.id)
    throw new RefusedError(
      'Something was done after it. Nothing was changed; take the later one back first.',
    );
  await undo(context, entry);
  await writeEntry(trx, action, {
    kind: 'correction',
    subjectKind: 'lot',
    subjectId: entry.subjectId,
    words: `Taken back: ${entry.words}`,
    corrects: entry.id,
  });
}
