import * as v from 'valibot';
import type { MessageKey, Words } from './message';

const MOST = 200;
// The catalogue itself is too long to be sent to every tablet: a key that is none is said as it stands.
const key = v.pipe(v.string(), v.regex(/^[a-z][a-z0-9. -]{1,90}$/)) as v.GenericSchema<MessageKey>;
const written = v.pipe(v.string(), v.maxLength(MOST));
const number = v.pipe(v.number(), v.finite());
const isLow = v.optional(v.literal(true));

/** A message told with what is told at the level below; none is nested deeper than ours are. */
const toldWith = (below: v.GenericSchema) =>
  v.strictObject({
    message: key,
    with: v.optional(
      v.pipe(
        v.record(
          v.pipe(v.string(), v.maxLength(30)),
          v.union([below, number, v.pipe(v.array(below), v.maxLength(20))]),
        ),
        v.check((values) => Object.keys(values).length <= 8, 'is told with too much'),
      ),
    ),
    low: isLow,
  });
const simple = v.union([written, v.strictObject({ message: key, low: isLow })]);
const once = v.union([written, toldWith(simple)]);

/** What is said, as it comes from outside: a message of ours, or a few words as they are written. */
export const wordsSchema = v.union([written, toldWith(once)]) as v.GenericSchema<Words>;
