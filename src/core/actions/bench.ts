import * as v from 'valibot';
import { planSchema } from '../bench/stored-plan';
import { LOOK_OUTCOMES } from '../protocol/aftercare';
import { SKILLS } from '../protocol/types';
import { PURPOSES } from '../protocol/ways';
import { ANYBODY, defineAction, HOUSE, lock, MANAGER } from './contract';
import { MOST_STEMS } from '../stock/line-limits';
import { day, id, litres, stems, whole } from './fields';

export const USED_FIGURES = ['tempC', 'seconds', 'cm', 'hours'] as const;

/** One of the pails that stems go into; without a number the rest of them. */
const share = v.object({
  pailId: id,
  stems: v.optional(v.nullable(stems), null),
  litres: v.optional(litres),
});

const tapInput = v.object({
  stepId: id,
  /** What the hand meant: a tap for "done" that arrives twice must not end the clock it began. */
  to: v.picklist(['running', 'done', 'skipped']),
  /** The same step of other lots, done together. */
  also: v.optional(v.pipe(v.array(id), v.maxLength(30)), []),
  /** Whose hands; whoever is signed in where it is not told. */
  handsId: v.optional(id),
  /** Who stands beside hands that were not shown. */
  withId: v.optional(v.nullable(id), null),
  /** How many of the stems it was done for; all where it is not told. The rest keep their step. */
  stems: v.optional(v.nullable(stems), null),
  /** The pails they go into. */
  pails: v.optional(v.pipe(v.array(share), v.maxLength(60)), []),
  /** One pail for all of them, as older pages tell it. */
  pailId: v.optional(id),
  litres: v.optional(litres),
  reason: v.optional(v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(200))),
  /** What was really used, where it was not what the step says. */
  used: v.optional(
    v.nullable(v.record(v.picklist(USED_FIGURES), v.pipe(v.number(), v.minValue(0), v.maxValue(100_000)))),
    null,
  ),
  /** Stems that went into the bin with this step. */
  binned: v.optional(whole(0, MOST_STEMS), 0),
});

const hands = (handsId: string | null | undefined, field = 'handsId') =>
  handsId ? [lock('person', field, handsId)] : [];

/** What is done at the bench. */
export const benchActions = {
  'bench/tap': defineAction({
    input: tapInput,
    result: v.null(),
    roles: ANYBODY,
    mayWait: true,
    entries: ['begin', 'done', 'skip', 'bin', 'apart'],
    takenBack: 'restored',
    locks: (tap) => [
      lock('step', 'stepId', tap.stepId),
      ...tap.also.map((s, i) => lock('step', `also[${i}]`, s)),
      ...tap.pails.map((p, i) => lock('pail', `pails[${i}].pailId`, p.pailId)),
      ...(tap.pailId ? [lock('pail', 'pailId', tap.pailId)] : []),
      ...hands(tap.handsId),
      ...hands(tap.withId, 'withId'),
    ],
  }),
  'bench/look-back': defineAction({
    input: v.object({
      stepId: id,
      outcome: v.picklist(LOOK_OUTCOMES),
      /** How many hang, where it is not all of them: they are set apart. */
      stems: v.optional(v.nullable(stems), null),
      handsId: v.optional(id),
    }),
    result: v.null(),
    roles: ANYBODY,
    mayWait: true,
    entries: ['look-back', 'apart'],
    takenBack: 'restored',
    locks: ({ stepId, handsId }) => [lock('step', 'stepId', stepId), ...hands(handsId)],
  }),
  'bench/apart': defineAction({
    input: v.object({ portionId: id, stems, handsId: v.optional(id) }),
    result: v.object({ portionId: v.string() }),
    roles: ANYBODY,
    mayWait: true,
    entries: ['apart'],
    takenBack: 'restored',
    locks: ({ portionId, handsId }) => [lock('portion', 'portionId', portionId), ...hands(handsId)],
  }),
  'bench/recut': defineAction({
    input: v.object({
      portionId: id,
      cm: v.pipe(v.number(), v.minValue(0.1, 'cuts nothing'), v.maxValue(30)),
      handsId: v.optional(id),
    }),
    result: v.null(),
    roles: ANYBODY,
    mayWait: true,
    entries: ['recut'],
    takenBack: 'restored',
    locks: ({ portionId, handsId }) => [lock('portion', 'portionId', portionId), ...hands(handsId)],
  }),
  'bench/purpose': defineAction({
    input: v.object({
      portionId: id,
      purpose: v.picklist(PURPOSES),
      eventOn: v.optional(v.nullable(day), null),
    }),
    result: v.null(),
    roles: ANYBODY,
    mayWait: true,
    entries: ['purpose'],
    takenBack: 'restored',
    locks: ({ portionId }) => [lock('portion', 'portionId', portionId)],
  }),
  'bench/plan': defineAction({
    input: v.object({ fromVersion: whole(0, 2_000_000_000), plan: planSchema }),
    result: v.object({ isPut: v.boolean() }),
    roles: ANYBODY,
    mayWait: false,
    entries: [],
    takenBack: { not: 'A plan is advice: it is made anew, and nothing was done by it.' },
    locks: () => [],
  }),
  'bench/stand': defineAction({
    input: v.object({ personId: id, isHere: v.boolean() }),
    result: v.null(),
    roles: ANYBODY,
    mayWait: false,
    entries: [],
    takenBack: { not: 'Who stands at the bench is tapped again.' },
    locks: ({ personId }) => [lock('person', 'personId', personId)],
  }),
  'bench/skill': defineAction({
    input: v.object({ personId: id, skill: v.picklist(SKILLS), shown: v.boolean() }),
    result: v.null(),
    roles: MANAGER,
    mayWait: false,
    entries: ['skill'],
    takenBack: 'undone',
    locks: ({ personId }) => [HOUSE, lock('person', 'personId', personId)],
  }),
} as const;
