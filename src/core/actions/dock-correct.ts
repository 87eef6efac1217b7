import * as v from 'valibot';
import { ANYBODY, defineAction, lock } from './contract';
import { day, id, someWords, speciesKey, words } from './fields';
import { LONGEST_REASON } from './reason';

const why = someWords(LONGEST_REASON);

/** What was booked wrongly, put right by an entry; what it was before stays in the record. */
export const correctActions = {
  'dock/correct-lot': defineAction({
    input: v.object({
      lotId: id,
      speciesKey,
      variety: v.nullable(words(120)),
      cutDate: day,
      reason: why,
    }),
    result: v.null(),
    roles: ANYBODY,
    mayWait: true,
    entries: ['lot-corrected'],
    takenBack: 'restored',
    locks: ({ lotId }) => [lock('lot', 'lotId', lotId)],
  }),
  'dock/correct-delivery': defineAction({
    input: v.object({ deliveryId: id, supplier: someWords(120), deliveryRef: someWords(60), reason: why }),
    result: v.null(),
    roles: ANYBODY,
    mayWait: true,
    entries: ['delivery-corrected'],
    takenBack: 'restored',
    locks: ({ deliveryId }) => [lock('delivery', 'deliveryId', deliveryId)],
  }),
} as const;
export type DockCorrectAction = keyof typeof correctActions;
