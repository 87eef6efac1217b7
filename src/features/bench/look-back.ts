import { m } from '@/core/words/message';
import 'server-only';
import type { CheckedOf } from '@/core/actions/actions';
import { afterLook } from '@/core/protocol/aftercare';
import { RefusedError } from '@/data/errors';
import { changePortion, onePortion, type PortionRow, lotLabel } from '@/data/portions';
import { writeEntry } from '@/data/record';
import { moveStay } from '@/data/stays';
import { changeStep, insertBranch, manyStepsOfPortion, oneStepForUpdate, type StepRow } from '@/data/steps';
import type { ActionContext } from '@/server/handler';
import { houseOf, waysFor } from '@/server/house';
import { setApartAndEnter } from './set-apart';
import { beginOwnClock } from './step-rules';

type Look = CheckedOf<'bench/look-back'>;

/** Logs one outcome of one portion, and lays what follows it into the plan. */
async function seen(context: ActionContext, portion: PortionRow, step: StepRow, look: Look): Promise<void> {
  const { trx, action, me } = context;
  const { params } = step.step;
  const round = params.kind === 'look-back' ? params.round : 0;
  const ways = waysFor(await houseOf(trx), portion, action.at, me.shop.timeZone);
  const follows = afterLook(look.outcome, round, me.species.byKey(portion.speciesKey), ways);
  await changeStep(trx, step.id, {
    status: 'done',
    outcome: look.outcome,
    started_at: step.startedAt ?? action.at,
    ended_at: action.at,
    hands_id: look.handsId ?? action.personId,
  });
  // What bleeds leaves the water it shares before a cut opens it again.
  if (follows.steps.some((s) => s.kind === 'sap-soak'))
    await moveStay(trx, action.shopId, 'portion_id', portion.id, { wet: false, fillId: null }, action.at);
  let { planNo } = portion;
  if (follows.steps.length > 0)
    planNo = await insertBranch(trx, action.shopId, portion.id, planNo, step.id, follows.steps);
  // How it came is what its forecast starts from: standing up again does not undo it, hanging does count.
  if (look.outcome === 'hanging') await changePortion(trx, portion.id, { droop: 'hanging' });
  await beginOwnClock(context, portion.id, planNo);
  await writeEntry(trx, action, {
    kind: 'look-back',
    subjectKind: 'lot',
    subjectId: portion.lotId,
    partId: portion.id,
    says: m('record.looked-back', {
      lot: lotLabel(portion),
      outcome: m(`record.outcome.${look.outcome}`),
      says: follows.says,
    }),
    detail: { stepId: step.id, portionId: portion.id, stems: portion.stemsLeft, outcome: look.outcome },
  });
}

/** A look back at what has drunk: upright, recovering or hanging, each with what follows; some that hang are set apart. */
export async function lookBack(context: ActionContext, look: Look): Promise<void> {
  const { trx } = context;
  const step = await oneStepForUpdate(trx, look.stepId);
  if (step.kind !== 'look-back')
    throw new RefusedError('That step is no look back. Nothing was logged.', 'stepId');
  if (step.status === 'done' || step.status === 'skipped')
    throw new RefusedError('Somebody has looked already. Nothing was logged twice.');
  const portion = await onePortion(trx, step.portionId);
  const { stems } = look;
  if (look.outcome === 'upright' || stems === null || stems >= portion.stemsLeft) {
    await seen(context, portion, step, look);
    return;
  }
  const apart = await setApartAndEnter(context, portion, stems, 'record.apart-hanging');
  await seen(context, await onePortion(trx, portion.id), step, { ...look, outcome: 'upright' });
  const twin = (await manyStepsOfPortion(trx, apart.id, apart.planNo))[step.position];
  if (!twin) throw new Error('what was set apart has no such step');
  await seen(context, apart, twin, look);
}
