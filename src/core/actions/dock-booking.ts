import * as v from 'valibot';
import { ANYBODY, COUNTERS, defineAction, lock } from './contract';
import {
  bookLine,
  columnsChosen,
  day,
  id,
  keptLine,
  measure,
  someWords,
  speciesKey,
  stems,
  whole,
  words,
} from './fields';

export const MOST_LINES = 2000;
const order = (expectedId: string | null) => (expectedId ? [lock('order', 'expectedId', expectedId)] : []);

/** Notes booked in, their lines that wait, and what was ordered. */
export const bookingActions = {
  'dock/book-in': defineAction({
    input: v.object({
      supplier: someWords(120),
      deliveryRef: someWords(60),
      /** Where a person chose what the note's words mean: remembered for this supplier. */
      chosen: v.optional(
        v.pipe(v.array(v.object({ product: words(120), speciesKey })), v.maxLength(MOST_LINES)),
        [],
      ),
      /** Where a person said which column is what: remembered likewise. */
      columns: v.optional(v.nullable(columnsChosen), null),
      /** The order it is the delivery of. */
      expectedId: v.optional(v.nullable(id), null),
      /** Lines of the note that are not booked now. */
      kept: v.optional(v.pipe(v.array(keptLine), v.maxLength(MOST_LINES)), []),
      lines: v.pipe(
        v.array(bookLine),
        v.minLength(1, 'needs at least one line'),
        v.maxLength(MOST_LINES, `takes at most ${MOST_LINES} lines`),
      ),
    }),
    result: v.object({ deliveryId: v.string(), lotIds: v.array(v.string()) }),
    roles: ANYBODY,
    mayWait: false,
    entries: ['book-in'],
    takenBack: 'undone',
    locks: ({ expectedId }) => [COUNTERS, ...order(expectedId)],
  }),
  'dock/book-kept': defineAction({
    input: v.object({ keptId: id, line: bookLine }),
    result: v.object({ lotId: v.string() }),
    roles: ANYBODY,
    mayWait: true,
    entries: ['line-booked'],
    takenBack: 'restored',
    locks: ({ keptId }) => [COUNTERS, lock('kept-line', 'keptId', keptId)],
  }),
  'dock/refuse-kept': defineAction({
    input: v.object({ keptId: id, reason: someWords(300) }),
    result: v.null(),
    roles: ANYBODY,
    mayWait: true,
    entries: ['line-refused'],
    takenBack: 'restored',
    locks: ({ keptId }) => [lock('kept-line', 'keptId', keptId)],
  }),
  'dock/unlearn': defineAction({
    // How one supplier's notes of a make are read, or what a word of its means, is forgotten.
    input: v.object({
      supplier: someWords(120),
      shape: v.optional(v.nullable(words(400)), null),
      product: v.optional(v.nullable(words(300)), null),
    }),
    result: v.null(),
    roles: ANYBODY,
    mayWait: false,
    entries: ['unlearnt'],
    takenBack: { not: 'It is learnt again by saying it at the next note. Nothing was changed.' },
    locks: () => [],
  }),
  'dock/order': defineAction({
    input: v.object({
      supplier: someWords(120),
      orderRef: someWords(60),
      dueOn: day,
      lines: v.pipe(
        v.array(
          v.object({
            line: whole(1, 1_000_000),
            speciesKey,
            variety: v.nullable(words(120)),
            lengthCm: v.nullable(measure(1, 300, 'cm')),
            stems,
          }),
        ),
        v.minLength(1, 'needs at least one line'),
        v.maxLength(MOST_LINES),
      ),
    }),
    result: v.object({ expectedId: v.string() }),
    roles: ANYBODY,
    mayWait: false,
    entries: ['order'],
    takenBack: 'restored',
    locks: () => [],
  }),
  'dock/call-off': defineAction({
    input: v.object({ expectedId: id }),
    result: v.null(),
    roles: ANYBODY,
    mayWait: true,
    entries: ['call-off'],
    takenBack: 'restored',
    locks: ({ expectedId }) => order(expectedId),
  }),
} as const;
