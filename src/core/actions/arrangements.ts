import * as v from 'valibot';
import { LANGUAGES } from '../words/catalogues';
import { GOES_TO } from '../care/goes-to';
import { MOST_STEMS } from '../arrangement/drawn-together';
import { ANYBODY, defineAction, lock } from './contract';
import { id, measure, someWords, whole } from './fields';

/** What is made of the stock, and handed over. */
export const arrangementActions = {
  'make/make': defineAction({
    input: v.object({
      name: someWords(80),
      vesselKind: v.picklist(['vase', 'foam']),
      litres: measure(0.1, 50, 'L'),
      care: v.picklist(['mixed', 'careful', 'usual', 'careless']),
      lines: v.pipe(
        v.array(v.object({ portionId: id, stems: whole(1, MOST_STEMS) })),
        v.minLength(1, 'needs at least one stem'),
        v.maxLength(40),
        v.check(
          (lines) => lines.reduce((n, l) => n + l.stems, 0) <= MOST_STEMS,
          `takes at most ${MOST_STEMS} stems in all; make it as several`,
        ),
      ),
    }),
    result: v.object({ arrangementId: v.string() }),
    roles: ANYBODY,
    mayWait: false,
    entries: ['make'],
    takenBack: 'restored',
    locks: ({ lines }) => lines.map((l, i) => lock('portion', `lines[${i}].portionId`, l.portionId)),
  }),
  'send-off/issue': defineAction({
    input: v.object({
      arrangementId: id,
      goesTo: v.optional(v.picklist(GOES_TO), 'home'),
      /** What the customer reads; the shop's own language where it is not told. */
      language: v.exactOptional(v.picklist(LANGUAGES)),
    }),
    result: v.object({ cardId: v.string() }),
    roles: ANYBODY,
    mayWait: false,
    entries: ['card'],
    takenBack: 'undone',
    locks: ({ arrangementId }) => [lock('arrangement', 'arrangementId', arrangementId)],
  }),
} as const;

export type MakeActionName = 'make/make';
export type SendOffActionName = 'send-off/issue';
