import type { GramsPerStem } from '../dock/grams';
import type { SpeciesRegistry } from '../species/registry';
import type { Column, Heading } from './columns';
import { COLUMNS } from './headings';
import type { TableHabits } from './line-facts';
import type { DateHabit } from './note-dates';
import type { NoteLine } from './types';

/** What a table's lines share in being read. */
export interface LineContext {
  readonly heading: Heading;
  readonly habits: TableHabits;
  readonly dates: DateHabit;
  /** Where the note bears no date: the day most of it was cut. */
  readonly usualCut: string | null;
  /** Species this shop chose for such words of this supplier, by plain words. */
  readonly remembered: Readonly<Record<string, string>>;
  /** Grams a stem, where the shop has weighed its own. */
  readonly gramsPerStem: GramsPerStem;
  readonly species: SpeciesRegistry;
}

/** Collects what is read off one line: what was guessed and why, and what somebody must decide. */
export class LineReading {
  readonly guesses: string[] = [];
  readonly decide: string[] = [];
  /** Told beside, and no doubt about the line. */
  readonly notes: string[] = [];

  constructor(
    private readonly row: readonly string[],
    readonly context: LineContext,
  ) {}

  cell(column: Column): string {
    return (this.row[this.context.heading.columns.get(column) ?? -1] ?? '').trim();
  }

  mark(column: Column) {
    return this.context.habits.marks.get(this.context.heading.columns.get(column) ?? -1) ?? null;
  }

  headingOf(column: Column): string {
    return this.context.heading.cells[this.context.heading.columns.get(column) ?? -1] ?? '';
  }

  /** Every cell something was read from, by what it was taken to be. */
  readFrom(): NoteLine['readFrom'] {
    const cells = COLUMNS.map((c): [Column, string] => [c, this.cell(c)]);
    return Object.fromEntries(cells.filter(([, text]) => text !== ''));
  }
}

/** A cell that nothing stands in, or a stroke. */
export const isBlank = (text: string): boolean => text === '' || /^[-–—.]$/.test(text);
