import * as v from 'valibot';
import { DEPTHS } from '../species/depths';
import { stepParamsSchema, STEP_KINDS } from '../steps/steps';
import { NEEDS, SKILLS } from '../steps/types';
import { SOLUTION_KEYS } from '../water/solutions';
import type { Message, Words } from '../words/message';
import { BECAUSE, STEP_MODES, type ProtocolStep } from './types';

/** Words as they were laid down: a key may have gone from the catalogues since, and is then said as it stands. */
const words = v.union([v.string(), v.looseObject({ message: v.string() })]) as v.GenericSchema<
  string | Message,
  Words
>;

const figure = v.object({
  value: words,
  of: words,
  drawn: v.picklist(['depth', 'warmth', 'length', 'time', 'dose']),
  level: v.number(),
});
const pail = v.object({
  solution: v.picklist(SOLUTION_KEYS),
  tempC: v.number(),
  depthCm: v.number(),
  depth: v.picklist(DEPTHS),
  alone: v.boolean(),
});

const step = v.object({
  kind: v.picklist(STEP_KINDS),
  params: stepParamsSchema,
  isPlain: v.boolean(),
  mode: v.picklist(STEP_MODES),
  title: words,
  figures: v.array(figure),
  reason: words,
  because: v.picklist(BECAUSE),
  changes: v.array(v.object({ because: v.picklist(BECAUSE.filter((b) => b !== 'species')), says: words })),
  stems: words,
  who: v.nullable(v.picklist(SKILLS)),
  needs: v.array(v.picklist(NEEDS)),
  risk: v.nullable(words),
  doneWord: words,
  caution: v.nullable(words),
  waitSeconds: v.number(),
  pail: v.nullable(pail),
}) satisfies v.GenericSchema<unknown, ProtocolStep>;

/** A stored step that is none: its row was written by something else than this product. */
export class StoredStepError extends Error {
  override readonly name = 'StoredStepError';
}

/**
 * A step as a portion's plan keeps it.
 * @throws StoredStepError with the field that is otherwise
 */
export function readStoredStep(stored: unknown): ProtocolStep {
  const read = v.safeParse(step, stored);
  if (read.success) return read.output;
  const [first] = read.issues;
  throw new StoredStepError(`${v.getDotPath(first) ?? 'the step'}: ${first.message}`);
}
