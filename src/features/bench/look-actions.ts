import 'server-only';
import * as v from 'valibot';
import { afterLook, LOOK_OUTCOMES } from '@/core/protocol/aftercare';
import { speciesByKey } from '@/core/species/species';
import { RefusedError } from '@/data/errors';
import { newId } from '@/data/ids';
import { splitLot } from '@/data/lot-parts';
import { changeLot, oneLotForUpdate, type LotRow } from '@/data/lots';
import { writeEntry, type Action } from '@/data/record';
import {
  changeStep,
  insertBranch,
  insertPlan,
  manyStepsOfLot,
  oneStepForUpdate,
  stepStateOf,
  type StepRow,
} from '@/data/steps';
import { actionKind, type ActionContext } from '@/server/actions';
import { houseOf, waysFor } from '@/server/house';
import { beginOwnClock } from './step-rules';

const id = v.pipe(v.string(), v.uuid());
const lookSchema = v.object({
  stepId: id,
  outcome: v.picklist(LOOK_OUTCOMES),
  /** How many hang, where it is not all of them: they become a lot of their own. */
  stems: v.optional(v.nullable(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(100_000))), null),
  handsId: v.optional(id),
});
type Look = v.InferOutput<typeof lookSchema>;

/** Logs one outcome of one lot, and lays what follows it into the plan. */
async function seen(
  context: ActionContext,
  lot: LotRow,
  step: StepRow,
  look: Look,
  action: Action,
): Promise<void> {
  const { trx, me } = context;
  const { params } = step.step;
  const round = params.kind === 'look-back' ? params.round : 0;
  const ways = waysFor(await houseOf(trx), lot, action.at, me.shop.timeZone);
  const follows = afterLook(look.outcome, round, speciesByKey(lot.speciesKey), ways);
  await changeStep(trx, step.id, {
    status: 'done',
    outcome: look.outcome,
    started_at: step.startedAt ?? action.at,
    ended_at: action.at,
    hands_id: look.handsId ?? action.personId,
  });
  let planNo = lot.planNo;
  // What bleeds leaves the water it shares before a cut opens it again.
  const isToSoak = follows.steps.some((s) => s.kind === 'sap-soak');
  if (isToSoak) await changeLot(trx, lot.id, { fill_id: null });
  if (follows.steps.length > 0)
    planNo = await insertBranch(trx, action.shopId, lot.id, lot.planNo, step.id, follows.steps);
  // How it came is what its forecast starts from: standing up again does not undo it, hanging does count.
  if (look.outcome === 'hanging') await changeLot(trx, lot.id, { droop: 'hanging' });
  const began = await beginOwnClock({ ...context, action }, lot.id, planNo);
  await writeEntry(trx, action, {
    kind: 'look-back',
    subjectKind: 'lot',
    subjectId: lot.id,
    words: `Lot ${lot.number}, looked back: ${look.outcome}. ${follows.says}`,
    detail: {
      stepId: step.id,
      stepWas: stepStateOf(step),
      lotWas: { plan_no: lot.planNo, droop: lot.droop, fill_id: lot.fillId },
      outcome: look.outcome,
      began: planNo === lot.planNo ? began : null,
    },
  });
}

/** A look back at a lot that has drunk: upright, recovering or hanging, each with what follows. */
const lookBack = actionKind(lookSchema, async (context, look) => {
  const { trx, action } = context;
  const step = await oneStepForUpdate(trx, look.stepId);
  if (step.kind !== 'look-back') throw new RefusedError('That step is no look back. Nothing was logged.');
  if (step.status === 'done' || step.status === 'skipped')
    throw new RefusedError('Somebody has looked already. Nothing was logged twice.');
  const lot = await oneLotForUpdate(trx, step.lotId);
  const { stems } = look;
  if (look.outcome === 'upright' || stems === null || stems >= lot.stemsLeft) {
    await seen(context, lot, step, look, action);
    return;
  }
  const older = await manyStepsOfLot(trx, lot.id, lot.planNo);
  const made = await splitLot(trx, action, lot.id, stems);
  await insertPlan(
    trx,
    action.shopId,
    made.lotId,
    1,
    older.map((s) => s.step),
    older,
  );
  await writeEntry(
    trx,
    { ...action, actionKey: newId() },
    {
      kind: 'split',
      subjectKind: 'lot',
      subjectId: lot.id,
      words: `Lot ${lot.number}: ${stems} stems that do not stand made lot ${made.number}`,
      detail: { splitOffId: made.lotId, stems },
    },
  );
  const rest = await oneLotForUpdate(trx, lot.id);
  await seen(context, rest, step, { ...look, outcome: 'upright' }, { ...action, actionKey: newId() });
  const twin = (await manyStepsOfLot(trx, made.lotId, 1))[step.position];
  if (!twin) throw new Error('the split-off lot has no such step');
  await seen(context, await oneLotForUpdate(trx, made.lotId), twin, look, action);
});

export const lookActions = { 'look-back': lookBack };
