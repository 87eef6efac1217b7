import * as v from 'valibot';
import { DEPTH_CM } from '../species/depths';
import { SOLUTION_KEYS } from '../water/solutions';
import { ANYBODY, defineAction, lock } from './contract';
import { id, litres } from './fields';

/** What is done with pails. */
export const pailActions = {
  'pails/wash': defineAction({
    input: v.object({ pailId: id, to: v.picklist(['scrubbed', 'contact', 'sanitised']) }),
    result: v.null(),
    roles: ANYBODY,
    mayWait: true,
    entries: ['wash'],
    takenBack: 'restored',
    locks: ({ pailId }) => [lock('pail', 'pailId', pailId)],
  }),
  'pails/fill': defineAction({
    input: v.object({
      pailId: id,
      litres,
      solution: v.picklist(SOLUTION_KEYS),
      tempC: v.pipe(v.number('must be a number'), v.minValue(1), v.maxValue(60)),
      depth: v.picklist(Object.keys(DEPTH_CM) as (keyof typeof DEPTH_CM)[]),
      overrideReason: v.optional(v.pipe(v.string(), v.trim(), v.maxLength(200))),
    }),
    result: v.null(),
    roles: ANYBODY,
    mayWait: true,
    entries: ['fill'],
    takenBack: 'restored',
    locks: ({ pailId }) => [lock('pail', 'pailId', pailId)],
  }),
  'pails/tip-out': defineAction({
    input: v.object({ pailId: id }),
    result: v.null(),
    roles: ANYBODY,
    mayWait: true,
    entries: ['tip-out'],
    takenBack: 'restored',
    locks: ({ pailId }) => [lock('contents of pail', 'pailId', pailId)],
  }),
  'pails/turn-over': defineAction({
    input: v.object({ pailId: id, toPailId: id }),
    result: v.null(),
    roles: ANYBODY,
    mayWait: true,
    entries: ['turn-over'],
    takenBack: 'restored',
    locks: ({ pailId, toPailId }) => [
      lock('contents of pail', 'pailId', pailId),
      lock('contents of pail', 'toPailId', toPailId),
    ],
  }),
} as const;
