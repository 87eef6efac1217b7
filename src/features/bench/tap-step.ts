import { lowered, m, type Message, type Words } from '@/core/words/message';
import 'server-only';
import { USED_FIGURES } from '@/core/actions/bench';
import type { CheckedOf } from '@/core/actions/actions';
import { drinksMeanwhile } from '@/core/steps/steps';
import { binStems } from '@/data/bins';
import { RefusedError } from '@/data/errors';
import { lotWords, onePortion, type PortionRow, lotLabel } from '@/data/portions';
import { writeEntry } from '@/data/record';
import { changeStep, manyStepsOfPortion, oneStepForUpdate, type StepRow } from '@/data/steps';
import { moveStay } from '@/data/stays';
import type { ActionContext } from '@/server/handler';
import { setApartAndEnter } from './set-apart';
import { pouredWords, standIn, type Poured } from './stand-in';
import {
  askIfEarly,
  askIfOutOfOrder,
  beginOwnClock,
  drinkOf,
  moveToPlace,
  refuseUnshown,
} from './step-rules';

type Tap = CheckedOf<'bench/tap'>;

function usedWords(used: Tap['used']): Words {
  const told = USED_FIGURES.flatMap((key) => {
    const n = used?.[key];
    return n === undefined ? [] : [m(`record.used.${key}`, { n })];
  });
  return told.length === 0 ? '' : m('record.used', { used: told });
}

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

/** Stems that go one way together: into one pail, or none. */
interface Share {
  /** Null: all that are left. */
  readonly stems: number | null;
  readonly pailId: string | null;
  readonly litres: number | undefined;
}

function sharesOf(tap: Tap, portion: PortionRow, isPoured: boolean): Share[] {
  const told: Share[] = tap.pails.map((p) => ({ ...p, litres: p.litres }));
  if (told.length === 0 && tap.pailId) told.push({ stems: null, pailId: tap.pailId, litres: tap.litres });
  if (isPoured && told.length === 0)
    throw new RefusedError('Choose the pail it goes into. Nothing was changed.', 'pails');
  if (!isPoured) return [{ stems: tap.stems, pailId: null, litres: undefined }];
  const open = told.filter((s) => s.stems === null).length;
  const stems = told.reduce((n, s) => n + (s.stems ?? 0), 0);
  if (open > 1 || told.slice(0, -1).some((s) => s.stems === null))
    throw new RefusedError('Only the last of several pails takes the rest. Nothing was changed.', 'pails');
  if (stems > portion.stemsLeft || (open === 1 && stems === portion.stemsLeft))
    throw new RefusedError(
      `${lotWords(portion)} has ${portion.stemsLeft} left, not ${stems}${open === 1 ? ' and more' : ''}. Nothing was changed; deal them out again.`,
      'pails',
    );
  return told;
}

/** The stems of one share, with their own step: set apart from the rest where there is a rest. */
async function partFor(
  context: ActionContext,
  portion: PortionRow,
  step: StepRow,
  share: Share,
): Promise<{ portion: PortionRow; step: StepRow }> {
  if (share.stems === null || share.stems === portion.stemsLeft) return { portion, step };
  const own = await setApartAndEnter(context, portion, share.stems);
  const twin = (await manyStepsOfPortion(context.trx, own.id, own.planNo))[step.position];
  if (!twin) throw new Error('what was set apart has no such step');
  return { portion: own, step: twin };
}

/** Stands the share in its pail, where it goes into one; tells what was poured. */
async function pour(
  context: ActionContext,
  portion: PortionRow,
  step: StepRow,
  tap: Tap,
  { pailId, litres }: Share,
): Promise<Poured[]> {
  if (!pailId) return [];
  const wish = step.step.pail ?? (await drinkOf(context, portion));
  return [await standIn(context, portion, wish, { pailId, litres, overrideReason: tap.reason ?? null })];
}

const doneWords = ({ to, reason }: Tap): Message =>
  to === 'skipped'
    ? m('record.left-out', { reason: reason ?? '' })
    : m(to === 'running' ? 'record.begun' : 'record.done');

const SAID = { skipped: 'skip', running: 'begin', done: 'done' } as const;

async function logPart(
  context: ActionContext,
  portion: PortionRow,
  step: StepRow,
  tap: Tap,
  share: Share,
): Promise<void> {
  const { trx, action } = context;
  const handsId = tap.handsId ?? action.personId;
  const poured = await pour(context, portion, step, tap, share);
  await changeStep(trx, step.id, { ...changesOf(step, tap, action.at), hands_id: handsId });
  if (tap.to === 'done') await moveToPlace(context, portion, step);
  if (tap.to !== 'skipped' && drinksMeanwhile(step.step.params))
    await moveStay(trx, action.shopId, 'portion_id', portion.id, { wet: true }, action.at);
  if (tap.to !== 'running') await beginOwnClock(context, portion.id, portion.planNo);
  await writeEntry(trx, action, {
    kind: SAID[tap.to],
    subjectKind: 'lot',
    subjectId: portion.lotId,
    partId: portion.id,
    says: m('record.stepped', {
      lot: lotLabel(portion),
      step: lowered(step.step.title),
      used: usedWords(tap.used),
      poured: pouredWords(poured),
      what: doneWords(tap),
    }),
    detail: {
      stepId: step.id,
      portionId: portion.id,
      stems: portion.stemsLeft,
      used: tap.used,
      reason: tap.reason ?? null,
      withId: tap.withId,
      poured,
    },
  });
}

/** @throws RefusedError for a step that is done already, and for one left out without a reason */
function refuseDone({ status }: StepRow, { to, reason }: Tap): void {
  if (status === 'done' || status === 'skipped' || (to === 'running' && status === 'running'))
    throw new RefusedError('Somebody has done that already. Nothing was logged twice.');
  if (to === 'skipped' && !reason)
    throw new RefusedError('A step is left out with a reason. Nothing was changed; choose one.', 'reason');
}

/** Logs one step as begun, done or left out, for all of a portion or for the stems that are told. */
export async function tapStep(context: ActionContext, stepId: string, tap: Tap): Promise<void> {
  const { trx, action } = context;
  const step = await oneStepForUpdate(trx, stepId);
  const { to } = tap;
  refuseDone(step, tap);
  const portion = await onePortion(trx, step.portionId);
  if (to !== 'skipped') {
    if (step.status === 'waiting') await askIfOutOfOrder(context, portion, step);
    if (to === 'done') askIfEarly(context, step);
    await refuseUnshown(context, step, tap.handsId ?? action.personId, tap.withId);
  }
  if (tap.stems !== null && tap.stems > portion.stemsLeft)
    throw new RefusedError(
      `${lotWords(portion)} has ${portion.stemsLeft} left, not ${tap.stems}. Nothing was logged.`,
      'stems',
    );
  for (const share of sharesOf(tap, portion, needsPail(step, to))) {
    const rest = await onePortion(trx, portion.id);
    const part = await partFor(context, rest, step, share);
    await logPart(context, part.portion, part.step, tap, share);
  }
  if (tap.binned > 0) await binStems(trx, action, portion.lotId, portion.id, tap.binned, 'did not come back');
}
