import 'server-only';
import * as v from 'valibot';
import type { BenchPlan } from '@/core/bench/tell';
import { manyAtBench, replaceBenchPlan, setAtBench } from '@/data/bench';
import { recordSkill } from '@/data/house';
import { SKILLS } from '@/core/protocol/types';
import { RefusedError } from '@/data/errors';
import { manyLotsInStock } from '@/data/lots';
import { maybePerson } from '@/data/people';
import { actionKind } from '@/server/actions';
import { shiftBegan } from './floor';

const id = v.pipe(v.string(), v.uuid());
const name = v.pipe(v.string(), v.maxLength(60));
const amount = v.pipe(v.number(), v.finite(), v.minValue(-1e7), v.maxValue(1e7));
const list = <T extends v.GenericSchema>(of: T) => v.pipe(v.array(of), v.maxLength(600));
const share = v.object({ lot: name, pail: name, stems: amount });

/** A plan as a tablet worked it out; what it says is advice, and changes no lot. */
const planSchema: v.GenericSchema<BenchPlan> = v.object({
  assignment: list(
    v.object({
      lot: name,
      hands: name,
      steps: v.pipe(v.array(v.pipe(v.string(), v.maxLength(200))), v.maxLength(40)),
      fromMin: amount,
      toMin: amount,
      kettle: v.boolean(),
      waitMin: amount,
      slackMin: amount,
    }),
  ),
  lots: list(v.object({ lot: name, wetAtMin: amount, daysLost: amount, lateMin: amount })),
  order: list(name),
  pails: list(share),
  withoutPail: list(share),
  rooms: list(v.object({ lot: name, room: v.nullable(name) })),
  objective: v.object({ stemDays: amount, finishMin: amount }),
  bound: v.object({ stemDays: amount }),
  firstComeFirstServed: v.object({ stemDays: amount, finishMin: amount }),
  saved: v.object({ stemDays: amount, money: v.nullable(amount) }),
  kettleOnMin: v.nullable(amount),
});

/** Puts a plan up for every tablet; the second of two that were made at once is told to look at the first. */
const plan = actionKind(
  v.object({ fromVersion: v.pipe(v.number(), v.integer(), v.minValue(0)), plan: planSchema }),
  async ({ trx, action }, input) => {
    const [lots, hands] = [await manyLotsInStock(trx), await manyAtBench(trx, shiftBegan(action.at))];
    const isKnown =
      input.plan.lots.every((l) => lots.some((row) => row.id === l.lot)) &&
      input.plan.assignment.every((w) => hands.some((h) => h.name === w.hands));
    if (!isKnown) throw new RefusedError('The bench has changed since. The plan is made anew.');
    return { isPut: await replaceBenchPlan(trx, action, input.fromVersion, input.plan) };
  },
);

/** Somebody comes to the bench, or goes: the plan is made for who stands there. */
const stand = actionKind(
  v.object({ personId: id, isHere: v.boolean() }),
  async ({ trx, action }, { personId, isHere }) => {
    const person = await maybePerson(trx, personId);
    if (!person?.active) throw new RefusedError('Nobody of that name works here. Nothing was changed.');
    await setAtBench(trx, action, personId, isHere);
  },
);

/** Somebody was shown how: recorded by the manager, with the day. */
const skill = actionKind(
  v.object({ personId: id, skill: v.picklist(SKILLS), shown: v.boolean() }),
  async ({ trx, action, me }, shown) => {
    if (me.role !== 'manager')
      throw new RefusedError('The manager records what somebody was shown. Nothing was changed.');
    const person = await maybePerson(trx, shown.personId);
    if (!person?.active) throw new RefusedError('Nobody of that name works here. Nothing was changed.');
    const words = shown.shown
      ? `${person.name} was shown: ${shown.skill}`
      : `${person.name}, ${shown.skill}: no longer counts as shown`;
    await recordSkill(trx, action, shown, words);
  },
);

export const planActions = { plan, stand, skill };
