import * as v from 'valibot';
import { savedColumnsSchema } from '../note/stored-columns';
import { isOwnKey, SHIPPED_SPECIES } from '../species/registry';
import { LENGTHS_CM, MOST_HEADS, MOST_STEMS, MOST_UNIT_PRICE } from '../stock/line-limits';
import { LONGEST_REASON, SHORTEST_REASON } from './reason';

/** Shapes of what actions are told, checked at the edge. */
export const id = v.pipe(v.string(), v.uuid('is no id'));
export const words = (max: number) =>
  v.pipe(v.string(), v.trim(), v.maxLength(max, `is longer than ${max} characters`));
export const someWords = (max: number) => v.pipe(words(max), v.minLength(1, 'is missing'));
export const reason = v.pipe(
  v.string('is missing'),
  v.trim(),
  v.minLength(SHORTEST_REASON, 'says in a few words why'),
  v.maxLength(LONGEST_REASON, `is longer than ${LONGEST_REASON} characters`),
);
export const whole = (min: number, max: number) =>
  v.pipe(
    v.number('must be a count'),
    v.integer('must be a whole number'),
    v.minValue(min, `must be ${min} or more`),
    v.maxValue(max, `must be ${max} or less`),
  );
export const measure = (min: number, max: number, unit: string) =>
  v.pipe(
    v.number('must be a number'),
    v.minValue(min, `must be ${min} ${unit} or more`),
    v.maxValue(max, `must be ${max} ${unit} or less`),
  );
/** The table's, or a key a shop's own may bear; whether this shop has it is asked once the shop is known. */
export const speciesKey = v.pipe(
  v.string('must be the key of a species'),
  v.check((key) => SHIPPED_SPECIES.find(key) !== undefined || isOwnKey(key), 'no species is called so'),
);
export const stems = whole(1, MOST_STEMS);
export const litres = measure(0.2, 100, 'L');

const [FIRST_YEAR, LAST_YEAR] = [2000, 2100];
/** A day that is in the calendar: not the thirtieth of February. */
export const day = v.pipe(
  v.string(),
  v.isoDate('is not a date'),
  v.check((text) => {
    const at = new Date(`${text}T00:00:00Z`);
    const year = at.getUTCFullYear();
    return (
      Number.isFinite(at.getTime()) &&
      at.toISOString().slice(0, 10) === text &&
      year >= FIRST_YEAR &&
      year <= LAST_YEAR
    );
  }, 'is not a day of the calendar'),
);
/** An instant as a page was given it. */
export const instant = v.pipe(
  v.string(),
  v.isoTimestamp('is not a time'),
  v.check((text) => Number.isFinite(Date.parse(text)), 'is not a time'),
);

const maybeWords = v.nullable(words(120));
const lineSaid = {
  line: whole(1, 1_000_000),
  /** As the supplier numbers it; what an older page sends has none of these four. */
  supplierLine: v.optional(v.nullable(words(20)), null),
  bunches: v.optional(v.nullable(stems), null),
  stemsPerBunch: v.optional(v.nullable(stems), null),
  remark: v.optional(v.nullable(words(300)), null),
  variety: maybeWords,
  colour: maybeWords,
  lengthCm: v.nullable(measure(LENGTHS_CM.least, LENGTHS_CM.most, 'cm')),
  headsMin: v.nullable(whole(1, MOST_HEADS)),
  origin: maybeWords,
  packing: v.nullable(words(60)),
  unitPrice: v.nullable(v.pipe(v.number(), v.minValue(0, 'cannot be negative'), v.maxValue(MOST_UNIT_PRICE))),
  currency: v.nullable(words(8)),
};

/** A line of a note as it is booked. */
export const bookLine = v.object({
  ...lineSaid,
  speciesKey,
  stems,
  cutDate: day,
});
export type BookLine = v.InferOutput<typeof bookLine>;

/** A line that is not booked now: it may lack what a booking needs. */
export const keptLine = v.object({
  fate: v.picklist(['waiting', 'refused']),
  reason: words(300),
  product: words(300),
  said: v.object({
    ...lineSaid,
    speciesKey: v.nullable(speciesKey),
    stems: v.nullable(stems),
    cutDate: v.nullable(day),
  }),
});

/** Which column of a file is what, where a person said so. */
export const columnsChosen = v.object({
  shape: someWords(400),
  saved: savedColumnsSchema,
});
