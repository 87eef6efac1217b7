import 'server-only';
import { ROOM_KIND_OF } from '@/core/bench/rooms';
import { outOfOrder } from '@/core/protocol/in-order';
import { spokenTime } from '@/core/steps/figures';
import { stepOf } from '@/core/steps/steps';
import { m } from '@/core/words/message';
import { say } from '@/core/words/say';
import { RefusedError } from '@/data/errors';
import { manySkills } from '@/data/house';
import { maybePerson } from '@/data/people';
import { lotWords, manyPortionsInFill, type PortionRow } from '@/data/portions';
import { manyRooms } from '@/data/rooms';
import { moveStay } from '@/data/stays';
import { changeStep, manyStepsOfPortion, type StepRow } from '@/data/steps';
import type { ActionContext } from '@/server/handler';
import { houseOf } from '@/server/house';

/** Refuses what the lot's own order forbids, and asks about what it warns of. */
export async function askIfOutOfOrder(
  { trx, ask, me }: ActionContext,
  portion: PortionRow,
  step: StepRow,
): Promise<void> {
  const steps = await manyStepsOfPortion(trx, portion.id, portion.planNo);
  const found = outOfOrder(
    me.species.byKey(portion.speciesKey),
    steps.map((s) => ({ ...s, params: s.step.params })),
    steps.findIndex((s) => s.id === step.id),
  );
  if (found?.level === 'stop')
    throw new RefusedError(`${say(found.says, me.language)} ${say(m('order.nothing-logged'), me.language)}`);
  if (found) ask('out of order', say(found.says, me.language));
}

/** Nobody is asked over a breath. */
const AS_GOOD_AS_DONE = 0.95;

/** A soak or a drink that is ended before its time is asked about, with what that means. */
export function askIfEarly({ ask, action, me }: ActionContext, step: StepRow): void {
  const meaning = stepOf(step.kind).endedEarly;
  if (!meaning || step.status !== 'running' || !step.startedAt || !step.dueAt) return;
  const whole = step.dueAt.getTime() - step.startedAt.getTime();
  const had = action.at.getTime() - step.startedAt.getTime();
  if (had >= whole * AS_GOOD_AS_DONE) return;
  ask(
    'early',
    say(
      m('order.had-of', {
        had: spokenTime(Math.max(0, had) / 1000),
        whole: spokenTime(whole / 1000),
        meaning,
      }),
      me.language,
    ),
  );
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

/** Takes a portion to the place a "move" step names, its pail and what else stands in it along with it. */
export async function moveToPlace(
  { trx, action }: ActionContext,
  portion: PortionRow,
  step: StepRow,
): Promise<void> {
  const { params } = step.step;
  if (params.kind !== 'move') return;
  const room = (await manyRooms(trx)).find((r) => r.kind === ROOM_KIND_OF[params.place]);
  if (!room) return;
  const to = { roomId: room.id };
  const mates = portion.fillId ? await manyPortionsInFill(trx, portion.fillId) : [portion];
  for (const mate of mates) await moveStay(trx, action.shopId, 'portion_id', mate.id, to, action.at);
  if (portion.pailId) await moveStay(trx, action.shopId, 'pail_id', portion.pailId, to, action.at);
}

const runsByItself = ({ kind, step }: StepRow): boolean =>
  step.waitSeconds > 0 && stepOf(kind).beginsByItself;

/** Begins the clock of a step that nobody taps to begin: the next change of water, a later look. */
export async function beginOwnClock(
  { trx, action }: ActionContext,
  portionId: string,
  planNo: number,
): Promise<void> {
  const steps = await manyStepsOfPortion(trx, portionId, planNo);
  const next = steps.find((s) => s.status === 'waiting' || s.status === 'running');
  if (next?.status !== 'waiting' || !runsByItself(next)) return;
  await changeStep(trx, next.id, {
    status: 'running',
    started_at: action.at,
    due_at: new Date(action.at.getTime() + next.step.waitSeconds * 1000),
  });
}

/** The water a portion drinks from by its plan, for a step that changes it. */
export async function drinkOf({ trx }: ActionContext, portion: PortionRow) {
  const steps = await manyStepsOfPortion(trx, portion.id, portion.planNo);
  const wish = steps.findLast((s) => s.kind === 'drink')?.step.pail;
  if (!wish)
    throw new RefusedError(`${lotWords(portion)} has no water of its own in its plan. Nothing was changed.`);
  return wish;
}
