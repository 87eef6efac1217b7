import * as v from 'valibot';
import { FLAW_KINDS } from '../dock/flaws';
import { between, oneOf, seedSchema, speciesKeySchema, strict, whole } from './schemas';

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
