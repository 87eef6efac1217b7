import 'server-only';
import { ROOM_KIND_OF } from '@/core/bench/rooms';
import { outOfOrder } from '@/core/protocol/in-order';
import { speciesByKey } from '@/core/species/species';
import { RefusedError } from '@/data/errors';
import { manySkills } from '@/data/house';
import type { LotRow } from '@/data/lots';
import { maybePerson } from '@/data/people';
import { manyRooms } from '@/data/rooms';
import { changeStep, manyStepsOfLot, type StepRow } from '@/data/steps';
import type { ActionContext } from '@/server/actions';
import { houseOf } from '@/server/house';

/** Refuses what the lot's own order forbids, and what it warns of unless that was seen. */
export async function refuseOutOfOrder(
  { trx }: ActionContext,
  lot: LotRow,
  step: StepRow,
  despite: boolean,
): Promise<void> {
  const steps = await manyStepsOfLot(trx, lot.id, lot.planNo);
  const found = outOfOrder(
    speciesByKey(lot.speciesKey),
    steps.map((s) => ({ ...s, params: s.step.params })),
    steps.findIndex((s) => s.id === step.id),
  );
  if (found?.level === 'stop' || (found && !despite))
    throw new RefusedError(`${found.says} Nothing was logged.`);
}

/**
 * Refuses what somebody was not shown, unless the house lets anyone or somebody shown stands beside.
 * @param handsId whose hands; `withId` who stands beside them
 */
export async function refuseUnshown(
  { trx }: ActionContext,
  step: StepRow,
  handsId: string,
  withId: string | null,
): Promise<void> {
  const { who } = step.step;
  if (who === null || (await houseOf(trx)).whoMay[who] === 'anyone') return;
  const skills = await manySkills(trx);
  const isShown = (id: string | null): boolean => skills.some((s) => s.personId === id && s.skill === who);
  if (isShown(handsId) || isShown(withId)) return;
  const name = (await maybePerson(trx, handsId))?.name ?? 'They';
  throw new RefusedError(
    `${name} has not been shown ${who}: not alone. Nothing was logged; let somebody shown do it, or stand beside.`,
  );
}

/** The place a "move" step names, if the shop has one of that kind. */
export async function roomAfter({ trx }: ActionContext, step: StepRow): Promise<string | null> {
  const { params } = step.step;
  if (params.kind !== 'move') return null;
  return (await manyRooms(trx)).find((r) => r.kind === ROOM_KIND_OF[params.place])?.id ?? null;
}

const runsByItself = ({ kind, step }: StepRow): boolean =>
  step.waitSeconds > 0 && (kind === 'recut' || kind === 'look-back');

/** Begins the clock of a step that nobody taps to begin: the next change of water, a later look. */
export async function beginOwnClock(
  { trx, action }: ActionContext,
  lotId: string,
  planNo: number,
): Promise<string | null> {
  const steps = await manyStepsOfLot(trx, lotId, planNo);
  const next = steps.find((s) => s.status === 'waiting' || s.status === 'running');
  if (next?.status !== 'waiting' || !runsByItself(next)) return null;
  await changeStep(trx, next.id, {
    status: 'running',
    started_at: action.at,
    due_at: new Date(action.at.getTime() + next.step.waitSeconds * 1000),
  });
  return next.id;
}
