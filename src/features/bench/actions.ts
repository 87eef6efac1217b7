import 'server-only';
import * as v from 'valibot';
import { RefusedError } from '@/data/errors';
import { newId } from '@/data/ids';
import { binStems, changeLot, oneLotForUpdate } from '@/data/lots';
import { writeEntry } from '@/data/record';
import { changeStep, manyStepsOfLot, oneStepForUpdate, stepStateOf, type StepRow } from '@/data/steps';
import { actionKind, type ActionContext } from '@/server/actions';
import { lookActions } from './look-actions';
import { lotActions } from './lot-actions';
import { planActions } from './plan-actions';
import { standIn, type Poured } from './pour';
import { beginOwnClock, refuseOutOfOrder, refuseUnshown, roomAfter } from './step-rules';

const id = v.pipe(v.string(), v.uuid());
const USED = ['tempC', 'seconds', 'cm', 'hours'] as const;

const tapSchema = v.object({
  stepId: id,
  /** What the hand meant: a tap for "done" that arrives twice must not end the clock it began. */
  to: v.picklist(['running', 'done', 'skipped']),
  /** The same step of other lots, done together. */
  also: v.optional(v.pipe(v.array(id), v.maxLength(30)), []),
  /** Whose hands; whoever is signed in where it is not told. */
  handsId: v.optional(id),
  /** Who stands beside hands that were not shown. */
  withId: v.optional(v.nullable(id), null),
  pailId: v.optional(id),
  litres: v.optional(v.pipe(v.number(), v.minValue(0.2), v.maxValue(100))),
  reason: v.optional(v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(200))),
  /** What was really used, where it was not what the step says. */
  used: v.optional(
    v.nullable(v.record(v.picklist(USED), v.pipe(v.number(), v.minValue(0), v.maxValue(100_000)))),
    null,
  ),
  /** Stems that went into the bin with this step. */
  binned: v.optional(v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(100_000)), 0),
  /** The warning that it is out of order was seen. */
  despite: v.optional(v.boolean(), false),
});
type Tap = v.InferOutput<typeof tapSchema>;

const UNITS: Readonly<Record<(typeof USED)[number], string>> = {
  tempC: '°C',
  seconds: 's',
  cm: 'cm',
  hours: 'h',
};
const usedWords = (used: Tap['used']): string =>
  used === null
    ? ''
    : Object.entries(used)
        .map(([key, value]) => `, ${value} ${UNITS[key as keyof typeof UNITS]}`)
        .join('');

/** A step that comes round again: its clock begins anew each time it is done. */
const comesRound = (step: StepRow): boolean => step.kind === 'recut' && step.step.waitSeconds > 0;

const clockFrom = (at: Date, seconds: number): Record<string, unknown> => ({
  status: 'running',
  started_at: at,
  due_at: new Date(at.getTime() + seconds * 1000),
});

function changesOf(step: StepRow, { to, used }: Tap, at: Date): Record<string, unknown> {
  const really = used === null ? {} : { used: JSON.stringify(used) };
  if (to === 'skipped') return { status: 'skipped', ended_at: at };
  const seconds = used?.seconds ?? (used?.hours === undefined ? step.step.waitSeconds : used.hours * 3600);
  if (to === 'running') return { ...clockFrom(at, seconds), ...really };
  if (comesRound(step)) return { ...clockFrom(at, step.step.waitSeconds), ...really };
  return { status: 'done', ended_at: at, started_at: step.startedAt ?? at, ...really };
}

/** Water that a tap is to be poured with: as it begins, or for what comes round, as it is done. */
function needsPail(step: StepRow, to: Tap['to']): boolean {
  if (to === 'skipped') return false;
  if (step.step.params.kind === 'recut') return step.step.params.newWater && to === 'done';
  return step.step.pail !== null && step.status === 'waiting';
}

async function tapOne(context: ActionContext, stepId: string, tap: Tap): Promise<void> {
  const { trx, action } = context;
  const step = await oneStepForUpdate(trx, stepId);
  const { to } = tap;
  if (step.status === 'done' || step.status === 'skipped' || (to === 'running' && step.status === 'running'))
    throw new RefusedError('Somebody has done that already. Nothing was logged twice.');
  if (to === 'skipped' && !tap.reason)
    throw new RefusedError('A step is left out with a reason. Nothing was changed; choose one.');
  const lot = await oneLotForUpdate(trx, step.lotId);
  const handsId = tap.handsId ?? action.personId;
  if (to !== 'skipped') {
    if (step.status === 'waiting') await refuseOutOfOrder(context, lot, step, tap.despite);
    await refuseUnshown(context, step, handsId, tap.withId);
  }
  const lotWas = { fill_id: lot.fillId, room_id: lot.roomId };
  let poured: Poured | null = null;
  if (needsPail(step, to)) {
    if (!tap.pailId) throw new RefusedError('Choose the pail it goes into. Nothing was changed.');
    const wish = step.step.pail ?? (await drinkOf(context, step));
    poured = await standIn(context, lot, wish, {
      pailId: tap.pailId,
      litres: tap.litres ?? 4,
      overrideReason: tap.reason ?? null,
    });
  }
  await changeStep(trx, step.id, { ...changesOf(step, tap, action.at), hands_id: handsId });
  const roomId = to === 'done' ? await roomAfter(context, step) : null;
  if (roomId) await changeLot(trx, lot.id, { room_id: roomId });
  const began = to === 'running' ? null : await beginOwnClock(context, lot.id, lot.planNo);
  if (tap.binned > 0)
    await binStems(trx, { ...action, actionKey: newId() }, lot.id, tap.binned, 'did not come back');
  const what = to === 'skipped' ? `Left out: ${tap.reason ?? ''}` : to === 'running' ? 'Begun' : 'Done';
  await writeEntry(trx, action, {
    kind: to === 'skipped' ? 'skip' : to === 'running' ? 'begin' : 'done',
    subjectKind: 'lot',
    subjectId: lot.id,
    words: `Lot ${lot.number}, ${step.step.title.toLowerCase()}${usedWords(tap.used)}${poured ? `, ${poured.words}` : ''}. ${what}`,
    detail: {
      stepId: step.id,
      stepWas: stepStateOf(step),
      lotWas,
      poured,
      reason: tap.reason ?? null,
      began,
      handsId,
      withId: tap.withId,
    },
  });
}

/** The water a lot drinks from by its plan, for a step that changes it. */
async function drinkOf({ trx }: ActionContext, step: StepRow) {
  const steps = await manyStepsOfLot(trx, step.lotId, step.planNo);
  const wish = steps.findLast((s) => s.kind === 'drink')?.step.pail;
  if (!wish) throw new RefusedError('This lot has no water of its own in its plan. Nothing was changed.');
  return wish;
}

const tap = actionKind(tapSchema, async (context, input) => {
  await tapOne(context, input.stepId, input);
  for (const stepId of input.also)
    await tapOne({ ...context, action: { ...context.action, actionKey: newId() } }, stepId, {
      ...input,
      binned: 0,
    });
});

export const benchActions = { tap, ...lookActions, ...lotActions, ...planActions };
