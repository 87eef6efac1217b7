import * as v from 'valibot';
import { UNITS } from '../units/measures';
import { QUESTION_KEYS } from '../protocol/schools';
import { NEEDS, SKILLS } from '../protocol/types';
import { ANYBODY, defineAction, HOUSE, lock, MANAGER, ROLES } from './contract';
import { measure, reason, someWords, whole } from './fields';

export const WATER_LIMITS = ['plainDays', 'foodDays', 'lilyDays', 'readyDays'] as const;

const wayInput = v.variant('kind', [
  v.object({
    kind: v.literal('school'),
    key: v.picklist(QUESTION_KEYS),
    subject: v.pipe(v.string(), v.maxLength(60)),
    value: v.nullable(v.pipe(v.string(), v.maxLength(40))),
    reason,
  }),
  v.object({
    kind: v.literal('limit'),
    key: v.picklist(WATER_LIMITS),
    value: v.nullable(measure(0.5, 14, 'days')),
    reason,
  }),
  v.object({ kind: v.literal('has'), key: v.picklist(NEEDS), value: v.nullable(v.literal('no')), reason }),
  v.object({
    kind: v.literal('who may'),
    key: v.picklist(SKILLS),
    value: v.nullable(v.literal('anyone')),
    reason,
  }),
]);

/** What the manager sets, and how anybody takes back what they did. */
export const deskActions = {
  'desk/take-back': defineAction({
    /** The newest entry of what is to be taken back, as it was shown. */
    input: v.object({ entryId: whole(1, Number.MAX_SAFE_INTEGER) }),
    result: v.null(),
    roles: ANYBODY,
    mayWait: false,
    entries: ['correction'],
    takenBack: { not: 'What was taken back is done again, and not taken back.' },
    locks: ({ entryId }) => [lock('entry', 'entryId', String(entryId))],
  }),
  'desk/language': defineAction({
    /** What whoever taps reads the shop in. */
    input: v.object({
      language: v.pipe(v.string('must be a language'), v.regex(/^[a-z]{2}$/, 'must be a language')),
    }),
    result: v.null(),
    roles: ROLES,
    mayWait: false,
    entries: [],
    takenBack: { not: 'A language is chosen again.' },
    locks: () => [],
  }),
  'desk/units': defineAction({
    /** How measures are told to whoever taps; null: as the shop tells them. */
    input: v.object({ units: v.nullable(v.picklist(UNITS)) }),
    result: v.null(),
    roles: ROLES,
    mayWait: false,
    entries: [],
    takenBack: { not: 'Units are chosen again.' },
    locks: () => [],
  }),
  'desk/set-figure': defineAction({
    input: v.object({
      kind: v.picklist(['constant', 'species', 'solution']),
      subject: v.pipe(v.string(), v.maxLength(60)),
      figure: someWords(60),
      /** Null: ours again. */
      value: v.nullable(v.pipe(v.number('must be a number'), v.finite('must be a number'))),
      reason,
    }),
    result: v.null(),
    roles: MANAGER,
    mayWait: false,
    entries: ['figure'],
    takenBack: 'undone',
    locks: () => [HOUSE],
  }),
  'desk/set-way': defineAction({
    input: wayInput,
    result: v.null(),
    roles: MANAGER,
    mayWait: false,
    entries: ['house'],
    takenBack: 'undone',
    locks: () => [HOUSE],
  }),
  'desk/set-protocol': defineAction({
    input: v.object({ file: v.unknown(), reason }),
    result: v.null(),
    roles: MANAGER,
    mayWait: false,
    entries: ['species'],
    takenBack: 'undone',
    locks: () => [HOUSE],
  }),
  'desk/add-species': defineAction({
    input: v.object({
      name: v.pipe(v.string(), v.trim(), v.minLength(2, 'is too short'), v.maxLength(60, 'is too long')),
      botanical: v.pipe(v.string(), v.trim(), v.minLength(2, 'is too short'), v.maxLength(80, 'is too long')),
      like: v.pipe(v.string(), v.maxLength(60)),
      reason,
    }),
    result: v.object({ key: v.string() }),
    roles: MANAGER,
    mayWait: false,
    entries: ['species'],
    takenBack: { not: 'A species that was added stays: lots may bear it. Its protocol can be changed.' },
    locks: () => [HOUSE],
  }),
} as const;
