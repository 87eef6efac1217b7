import * as v from 'valibot';
import { speciesKeySchema } from '@/core/door/schemas';

/** What the dock's actions are told, checked at the edge. */
export const id = v.pipe(v.string(), v.uuid());
export const words = (max: number) =>
  v.pipe(v.string(), v.trim(), v.maxLength(max, `is longer than ${max} characters`));
export const someWords = (max: number) => v.pipe(words(max), v.minLength(1, 'is missing'));
export const count = (max: number) =>
  v.pipe(
    v.number('must be a count'),
    v.integer('must be a whole number'),
    v.minValue(1, 'must be 1 or more'),
    v.maxValue(max, `must be ${max} or less`),
  );
const maybeWords = v.nullable(words(120));
const cutDate = v.pipe(v.string(), v.isoDate('is not a date'));

const said = {
  line: v.pipe(v.number(), v.integer(), v.minValue(1)),
  variety: maybeWords,
  colour: maybeWords,
  lengthCm: v.nullable(v.pipe(v.number(), v.minValue(1), v.maxValue(300))),
  headsMin: v.nullable(count(200)),
  origin: maybeWords,
  packing: v.nullable(words(60)),
  unitPrice: v.nullable(v.pipe(v.number(), v.minValue(0, 'cannot be negative'), v.maxValue(100_000))),
  currency: v.nullable(words(8)),
};

/** A line as it is booked. */
export const bookLineSchema = v.object({
  ...said,
  speciesKey: speciesKeySchema,
  stems: count(100_000),
  cutDate,
});
export type BookLine = v.InferOutput<typeof bookLineSchema>;

/** A line that is not booked now: it may lack what a booking needs. */
export const keptLineSchema = v.object({
  fate: v.picklist(['waiting', 'refused']),
  reason: words(300),
  product: words(300),
  said: v.object({
    ...said,
    speciesKey: v.nullable(speciesKeySchema),
    stems: v.nullable(count(100_000)),
    cutDate: v.nullable(cutDate),
  }),
});
