import 'server-only';
import * as v from 'valibot';
import { mayShareWater } from '@/core/protocol/compose';
import type { PailWish } from '@/core/protocol/types';
import { RefusedError } from '@/data/errors';
import { changeLot, oneLotForUpdate, type LotRow } from '@/data/lots';
import { fillPail, onePailForUpdate } from '@/data/pails';
import { writeEntry } from '@/data/record';
import { manyRooms } from '@/data/rooms';
import { changeStep, oneStepForUpdate, stepStateOf, type StepRow } from '@/data/steps';
import { deedKind, type DeedContext } from '@/server/deeds';

const id = v.pipe(v.string(), v.uuid());

interface Poured {
  readonly fillId: string;
  readonly opened: boolean;
  readonly pailWas: Record<string, unknown>;
  readonly words: string;
}

/** Puts a lot into a pail: into the water that stands in it if they get along, else a fresh fill. */
async function standIn(
  { trx, deed }: DeedContext,
  lot: LotRow,
  wish: PailWish,
  pailId: string,
  litres: number,
  overrideReason: string | null,
): Promise<Poured> {
  const pail = await onePailForUpdate(trx, pailId);
  const pailWas = { state: pail.state, contact_until: pail.contactUntil };
  if (pail.fillId) {
    const inIt = {
      solution: pail.solution,
      tempC: pail.fillTempC,
      depth: pail.depth,
      depthCm: 0,
      alone: pail.alone,
    } as PailWish;
    if (!mayShareWater(inIt, wish))
      throw new RefusedError(
        `Pail ${pail.name} holds water that does not suit this lot. Nothing was changed; choose a clean pail.`,
      );
    await changeLot(trx, lot.id, { fill_id: pail.fillId });
    return { fillId: pail.fillId, opened: false, pailWas, words: `into pail ${pail.name}` };
  }
  const fillId = await fillPail(trx, deed.shopId, pail, { ...wish, litres, overrideReason }, deed.at);
  await changeLot(trx, lot.id, { fill_id: fillId });
  return {
    fillId,
    opened: true,
    pailWas: { ...pailWas, id: pail.id },
    words: `into pail ${pail.name}, ${litres} L`,
  };
}

function endedChanges(step: StepRow, at: Date): Record<string, unknown> {
  return { status: 'done', ended_at: at, started_at: step.startedAt ?? at };
}

/** The place a "move" step names, if the shop has one of that kind. */
async function roomAfter({ trx }: DeedContext, step: StepRow): Promise<string | null> {
  if (step.kind !== 'move') return null;
  const { title } = step.step;
  const kind = /cold room/.test(title)
    ? 'cold'
    : /tropical/.test(title)
      ? 'warm'
      : /the bench/.test(title)
        ? 'bench'
        : 'floor';
  return (await manyRooms(trx)).find((r) => r.kind === kind)?.id ?? null;
}

const tap = deedKind(
  v.object({
    stepId: id,
    /** What the hand meant: a tap for "done" that arrives twice must not end the clock it began. */
    to: v.picklist(['running', 'done', 'skipped']),
    pailId: v.optional(id),
    litres: v.optional(v.pipe(v.number(), v.minValue(0.2), v.maxValue(100))),
    reason: v.optional(v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(200))),
  }),
  async (context, { stepId, to, pailId, litres, reason }) => {
    const { trx, deed } = context;
    const step = await oneStepForUpdate(trx, stepId);
    if (
      step.status === 'done' ||
      step.status === 'skipped' ||
      (to === 'running' && step.status === 'running')
    )
      throw new RefusedError('Somebody has done that already. Nothing was logged twice.');
    if (to === 'skipped' && !reason)
      throw new RefusedError('A step is left out with a reason. Nothing was changed; choose one.');
    const lot = await oneLotForUpdate(trx, step.lotId);
    const lotWas = { fill_id: lot.fillId, room_id: lot.roomId };
    const wish = step.step.pail;
    let poured: Poured | null = null;
    if (wish && step.status === 'waiting' && to !== 'skipped') {
      if (!pailId) throw new RefusedError('Choose the pail it goes into. Nothing was changed.');
      poured = await standIn(context, lot, wish, pailId, litres ?? 4, reason ?? null);
    }
    const isBegin = to === 'running';
    await changeStep(
      trx,
      stepId,
      isBegin
        ? {
            status: 'running',
            started_at: deed.at,
            due_at: new Date(deed.at.getTime() + step.step.waitSeconds * 1000),
          }
        : to === 'done'
          ? endedChanges(step, deed.at)
          : { status: 'skipped', ended_at: deed.at },
    );
    const roomId = to === 'done' ? await roomAfter(context, step) : null;
    if (roomId) await changeLot(trx, lot.id, { room_id: roomId });
    const what = to === 'skipped' ? `Left out: ${reason ?? ''}` : isBegin ? 'Begun' : 'Done';
    await writeEntry(trx, deed, {
      kind: to === 'skipped' ? 'skip' : isBegin ? 'begin' : 'done',
      subjectKind: 'lot',
      subjectId: lot.id,
      words: `Lot ${lot.number}, ${step.step.title.toLowerCase()}${poured ? `, ${poured.words}` : ''}. ${what}`,
      detail: { stepId, stepWas: stepStateOf(step), lotWas, poured, reason: reason ?? null },
    });
  },
);

export const benchDeeds = { tap };
