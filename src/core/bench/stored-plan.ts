import * as v from 'valibot';
import { wordsSchema } from '../words/words-schema';
import type { BenchPlan } from './tell';

const name = v.pipe(v.string(), v.maxLength(60));
const amount = v.pipe(v.number(), v.finite(), v.minValue(-1e7), v.maxValue(1e7));
const list = <T extends v.GenericSchema>(of: T) => v.pipe(v.array(of), v.maxLength(600));
const pailShare = v.object({ lot: name, pail: name, stems: amount });

/** A plan as a tablet worked it out; what it says is advice, and changes no lot. */
export const planSchema: v.GenericSchema<BenchPlan> = v.object({
  assignment: list(
    v.object({
      lot: name,
      hands: name,
      steps: v.pipe(v.array(wordsSchema), v.maxLength(40)),
      fromMin: amount,
      toMin: amount,
      kettle: v.boolean(),
      waitMin: amount,
      slackMin: amount,
    }),
  ),
  lots: list(v.object({ lot: name, wetAtMin: v.nullable(amount), daysLost: amount, lateMin: amount })),
  order: list(name),
  pails: list(pailShare),
  withoutPail: list(pailShare),
  rooms: list(v.object({ lot: name, room: v.nullable(name) })),
  objective: v.object({ stemDays: amount, cost: amount, finishMin: amount }),
  bound: v.object({ stemDays: amount, cost: amount }),
  firstComeFirstServed: v.object({ stemDays: amount, finishMin: amount }),
  saved: v.object({ stemDays: amount, money: v.nullable(amount) }),
  kettleOnMin: v.nullable(amount),
});

/** The plan as it is kept for every tablet; null where it is kept otherwise, and is made anew. */
export function readStoredPlan(stored: unknown): BenchPlan | null {
  const read = v.safeParse(planSchema, stored);
  return read.success ? read.output : null;
}
