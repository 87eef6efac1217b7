import type { GramsPerStem } from '../dock/grams';
import type { SpeciesRegistry } from '../species/registry';
import type { SavedColumns } from './columns';
import type { Meaning } from './meaning';
import type { UsualStems } from './types';

/** A file that could not be read as a delivery note at all, in words for the person who dropped it. */
export class UnreadableNoteError extends Error {
  override readonly name: string = 'UnreadableNoteError';
}

export const NO_HEADING =
  'No heading names a product and a count of bunches or a weight, so this does not read as a delivery note. Nothing was booked in.';

/** A file whose columns nobody has named yet: somebody can say which is which. */
export class NoHeadingError extends UnreadableNoteError {
  override readonly name: string = 'NoHeadingError';
  constructor(
    /** The first rows of the file, for showing. */
    readonly rows: readonly (readonly string[])[],
  ) {
    super(NO_HEADING);
  }
}

/** What the shop knows that helps to read a note. */
export interface NoteHelp {
  /** The supplier, where it is known from elsewhere than the file. */
  readonly supplier?: string;
  /** Today, ISO: what a note without a date is held against. */
  readonly today?: string;
  /** Species chosen before for a supplier's words, by supplier and plain words. */
  readonly remembered?: Readonly<Record<string, Readonly<Record<string, string>>>>;
  readonly gramsPerStem?: GramsPerStem;
  /** What each supplier usually sends of a line, of those enough is known of. */
  readonly usualStems?: Readonly<Record<string, UsualStems>>;
  /** The table, with the shop's own; the table alone where it is not told. */
  readonly species?: SpeciesRegistry;
  /** Columns, and what the counts mean, as somebody said they are, for this file. */
  readonly columns?: SavedColumns;
  /** What the counts of this note mean, where somebody says so now. */
  readonly meaning?: Meaning;
  /** Somebody doubts how its counts were settled: they are asked about. */
  readonly isDoubted?: boolean;
  /** Columns as they were said to be before, by supplier and the shape of the file. */
  readonly rememberedColumns?: Readonly<Record<string, Readonly<Record<string, SavedColumns>>>>;
}
