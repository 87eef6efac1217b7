import * as v from 'valibot';
import { COLUMNS, type SavedColumns } from './columns';

const MOST_COLUMNS = 200;
const index = v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(MOST_COLUMNS));

/** What somebody said of a supplier's columns and counts, as it comes from a tablet and as it is kept. */
export const savedColumnsSchema = v.object({
  columns: v.record(v.picklist(COLUMNS), v.exactOptional(index)),
  hasHeading: v.boolean(),
  meaning: v.optional(
    v.object({
      stems: v.optional(v.picklist(['in all', 'a bunch', 'a box'])),
      bunches: v.optional(v.picklist(['in all', 'a box'])),
      quantity: v.optional(v.picklist(['stems', 'bunches', 'boxes', 'a bunch'])),
      marks: v.optional(v.picklist(['thousands', 'decimals'])),
    }),
  ),
}) satisfies v.GenericSchema<unknown, SavedColumns>;

/** The same as it is kept; null where it is kept otherwise, and has to be said anew. */
export function readSavedColumns(stored: unknown): SavedColumns | null {
  const read = v.safeParse(savedColumnsSchema, stored);
  return read.success ? read.output : null;
}
