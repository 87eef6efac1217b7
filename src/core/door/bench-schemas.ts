import * as v from 'valibot';
import { day } from '../actions/fields';
import { FLAW_KINDS } from '../dock/flaws';
import { protocolEditsSchema } from '../protocol/edits';
import { PLACES } from '../steps/params';
import { QUESTION_KEYS, questionOf, type QuestionKey } from '../protocol/schools';
import { NEEDS } from '../protocol/types';
import { DEFAULT_LIMITS, PURPOSES } from '../protocol/ways';
import { seedSchema, speciesKeySchema } from './schemas';
import { between, oneOf, strict, whole } from './shapes';

const name = v.pipe(
  v.string('must be words'),
  v.trim(),
  v.minLength(1, 'is empty'),
  v.maxLength(60, 'is longer than 60 characters'),
);

const isOfItsOwn =
  <T>(of: (one: T) => string) =>
  (list: T[]) =>
    new Set(list.map(of)).size === list.length;

const lotSchema = strict({
  id: name,
  species: speciesKeySchema,
  stems: whole(1, 100_000),
  unitPrice: v.optional(v.nullable(between(0, 100_000)), null),
  stage: v.optional(between(0, 1.5), 0.2),
  droop: v.optional(oneOf(['firm', 'soft', 'hanging']), 'firm'),
  packing: v.optional(v.pipe(v.string(), v.maxLength(60)), ''),
  agedDays: v.optional(between(0, 200), 0),
  flaws: v.optional(v.pipe(v.array(oneOf(FLAW_KINDS)), v.maxLength(20)), []),
  readyInS: v.exactOptional(between(0, 172_800)),
  isWet: v.exactOptional(v.boolean('must be true or false')),
  bearsDryS: v.exactOptional(between(-1_000_000, 1_000_000)),
  goesTo: v.exactOptional(oneOf(PLACES)),
  lengthCm: v.optional(v.nullable(between(1, 300)), null),
  order: v.optional(v.nullable(name), null),
});

/** A house's answer to each question it answers; which answers there are is the question's. */
export const answersSchema = strict(
  Object.fromEntries(
    QUESTION_KEYS.map((key) => [key, v.exactOptional(oneOf(questionOf(key).schools.map((s) => s.key)))]),
  ) as unknown as Record<QuestionKey, v.ExactOptionalSchema<v.GenericSchema<string>, undefined>>,
);

export const schoolsSchema = strict({
  house: v.optional(answersSchema, {}),
  exceptions: v.optional(v.record(speciesKeySchema, answersSchema), {}),
});

/** What the protocol of one lot is composed from. */
export const protocolInputSchema = strict({
  species: speciesKeySchema,
  stage: v.exactOptional(between(0, 1.5)),
  droop: v.optional(oneOf(['firm', 'soft', 'hanging']), 'firm'),
  packing: v.optional(v.pipe(v.string('must be words'), v.maxLength(60)), ''),
  hoursDry: v.optional(between(0, 500), 0),
  flaws: v.optional(v.pipe(v.array(oneOf(FLAW_KINDS)), v.maxLength(20)), []),
  schools: v.optional(schoolsSchema, { house: {}, exceptions: {} }),
  purpose: v.optional(oneOf(PURPOSES), 'usual'),
  eventInDays: v.optional(between(0, 365), 0),
  /** The day of it, so that day and hour out of the cold are named. */
  eventOn: v.exactOptional(day),
  /** What the shop has; everything where it is not told. */
  equipment: v.optional(v.pipe(v.array(oneOf(NEEDS)), v.maxLength(20)), [...NEEDS]),
  limits: v.optional(
    strict({ plainDays: between(0.5, 14), foodDays: between(0.5, 14), lilyDays: between(0.5, 14) }),
    DEFAULT_LIMITS,
  ),
  edits: v.optional(protocolEditsSchema, []),
});

/** What the bench planner is told: hands, kettle, pails, and the lots that wait. */
export const benchInputSchema = strict({
  hands: v.pipe(
    v.array(strict({ name, skills: v.optional(v.pipe(v.array(name), v.maxLength(20)), []) })),
    v.minLength(1, 'needs at least one pair of hands'),
    v.maxLength(8, 'takes at most eight pairs of hands'),
    v.check(
      isOfItsOwn((h) => h.name),
      'two pairs of hands have one name',
    ),
  ),
  kettle: v.optional(v.nullable(strict({ boilMinutes: between(0, 120) })), null),
  pails: v.optional(
    v.pipe(
      v.array(strict({ name, litres: between(0.5, 100), heightCm: between(5, 100) })),
      v.maxLength(500),
      v.check(
        isOfItsOwn((p) => p.name),
        'two pails have one name',
      ),
    ),
    [],
  ),
  sinks: v.exactOptional(whole(1, 20)),
  rooms: v.exactOptional(
    v.pipe(
      v.array(
        strict({
          name,
          kind: oneOf(['cold', 'warm', 'floor', 'bench']),
          pails: v.optional(v.nullable(whole(0, 10_000)), null),
        }),
      ),
      v.maxLength(40),
      v.check(
        isOfItsOwn((r) => r.name),
        'two rooms have one name',
      ),
    ),
  ),
  /** The moment it is planned from; the plan then tells clock times as well. */
  now: v.exactOptional(
    v.pipe(v.string('must be a time'), v.isoTimestamp('must be a time like 2026-11-24T06:50:00Z')),
  ),
  standing: v.exactOptional(v.pipe(v.array(name), v.maxLength(600))),
  inHand: v.exactOptional(v.pipe(v.array(strict({ lot: name, hands: name })), v.maxLength(8))),
  lots: v.pipe(
    v.array(lotSchema),
    v.maxLength(60, 'takes at most sixty lots'),
    v.check(
      isOfItsOwn((l) => l.id),
      'two lots have one id',
    ),
  ),
  seed: v.optional(seedSchema, 1),
  tries: v.optional(whole(1, 200_000), 6000),
});
