import * as v from 'valibot';
import { DEPTH_CM } from '../species/depths';
import { LOOKS } from '../water/count-filter';
import { SOLUTION_KEYS } from '../water/solutions';
import { DIRT } from '../sanitising/figures';
import { RELAY_MODES } from '../sanitising/relay';
import { ANYBODY, defineAction, HOUSE, lock } from './contract';
import { id, litres, measure, whole } from './fields';

const MOST_AT_ONCE = 60;
const manyPails = v.pipe(
  v.array(id),
  v.minLength(1, 'names no pail'),
  v.maxLength(MOST_AT_ONCE, `is more than ${MOST_AT_ONCE} at once`),
  v.check((ids) => new Set(ids).size === ids.length, 'names one pail twice'),
);

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
  'pails/wash-many': defineAction({
    /** Pails that are all at the same point; all of them or none. */
    input: v.object({ pailIds: manyPails, to: v.picklist(['scrubbed', 'contact', 'sanitised']) }),
    result: v.null(),
    roles: ANYBODY,
    mayWait: true,
    entries: ['wash'],
    takenBack: 'restored',
    locks: ({ pailIds }) => pailIds.map((pailId, i) => lock('pail', `pailIds.${i}`, pailId)),
  }),
  'pails/relay-begin': defineAction({
    input: v.object({
      pailIds: manyPails,
      /** How dirty most of them are. */
      dirt: v.picklist(DIRT),
      people: whole(1, 6),
      taps: whole(1, 6),
      mode: v.picklist(RELAY_MODES),
      /** What they are laid in, for the mode of that name. */
      tubs: v.optional(
        v.strictObject({ count: whole(1, 20), litres: measure(1, 1000, 'L'), holds: whole(1, 60) }),
      ),
    }),
    result: v.object({ relayId: v.string() }),
    roles: ANYBODY,
    mayWait: false,
    entries: ['relay'],
    takenBack: 'undone',
    locks: ({ pailIds }) => [HOUSE, ...pailIds.map((pailId, i) => lock('pail', `pailIds.${i}`, pailId))],
  }),
  'pails/relay-end': defineAction({
    input: v.object({ relayId: id }),
    result: v.null(),
    roles: ANYBODY,
    mayWait: false,
    entries: ['relay'],
    takenBack: { not: 'A relay is begun again with the pails that are left.' },
    locks: () => [HOUSE],
  }),
  'pails/strip': defineAction({
    /** Read as a pass comes out of the solution, before it is poured on. */
    input: v.object({ relayId: id, pass: whole(0, 200), ppm: whole(0, 2000) }),
    result: v.null(),
    roles: ANYBODY,
    mayWait: false,
    entries: ['strip'],
    takenBack: { not: 'A strip was read as it was; read another at the next pass.' },
    locks: () => [HOUSE],
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
  'pails/reserve': defineAction({
    /** Pails that stand clean, kept for a delivery that is expected; null lets them go. */
    input: v.object({ pailIds: manyPails, expectedId: v.nullable(id) }),
    result: v.null(),
    roles: ANYBODY,
    mayWait: false,
    entries: ['pail'],
    takenBack: 'restored',
    locks: ({ pailIds, expectedId }) => [
      ...(expectedId === null ? [] : [lock('order', 'expectedId', expectedId)]),
      ...pailIds.map((pailId, i) => lock('pail', `pailIds.${i}`, pailId)),
    ],
  }),
  'pails/look': defineAction({
    /** What the water of a filled pail looks like. */
    input: v.object({ pailId: id, look: v.picklist(LOOKS) }),
    result: v.null(),
    roles: ANYBODY,
    mayWait: true,
    entries: ['water-look'],
    takenBack: 'undone',
    locks: ({ pailId }) => [lock('pail', 'pailId', pailId)],
  }),
  'pails/read': defineAction({
    /** What a strip or a meter said of the water of a filled pail: one thing at least. */
    input: v.pipe(
      v.object({
        pailId: id,
        ph: v.optional(v.nullable(measure(0, 14, 'pH')), null),
        us: v.optional(v.nullable(measure(0, 20_000, 'µS/cm')), null),
        chlorinePpm: v.optional(v.nullable(measure(0, 2000, 'ppm')), null),
      }),
      v.check((r) => r.ph !== null || r.us !== null || r.chlorinePpm !== null, 'says nothing that was read'),
    ),
    result: v.null(),
    roles: ANYBODY,
    mayWait: true,
    entries: ['water-reading'],
    takenBack: 'undone',
    locks: ({ pailId }) => [lock('pail', 'pailId', pailId)],
  }),
  'pails/top-up': defineAction({
    /** Plain water put to what stands in a pail. */
    input: v.object({ pailId: id, litres }),
    result: v.null(),
    roles: ANYBODY,
    mayWait: true,
    entries: ['top-up'],
    takenBack: 'undone',
    locks: ({ pailId }) => [lock('pail', 'pailId', pailId)],
  }),
  'pails/clean-tool': defineAction({
    /** A knife, snips, a stripper or vases, cleaned now. */
    input: v.object({ toolId: id }),
    result: v.null(),
    roles: ANYBODY,
    mayWait: true,
    entries: ['tool-cleaned'],
    takenBack: 'undone',
    locks: () => [],
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
