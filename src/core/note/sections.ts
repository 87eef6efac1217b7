import { SHIPPED_SPECIES } from '../species/registry';
import type { Column, Heading } from './columns';
import { dateHabitOf, usualCut } from './note-dates';
import type { NoteHelp } from './note-help';
import type { NoteHead } from './preamble';
import type { LineContext } from './line-reading';
import { isTotal } from './set-aside';
import type { FileRow } from './split-rows';
import { habitsOf } from './table-habits';

/** One heading with the rows under it. */
export interface Section {
  readonly context: LineContext;
  readonly rows: readonly FileRow[];
}

export function sectionsOf(
  rows: readonly FileRow[],
  headings: readonly Heading[],
  head: NoteHead,
  supplier: string | null,
  help: NoteHelp,
): Section[] {
  const bodies = headings.map((heading, i) =>
    rows.slice(heading.at + heading.rows, headings[i + 1]?.at ?? rows.length),
  );
  const cell = (row: FileRow, heading: Heading, column: Column): string =>
    (row.cells[heading.columns.get(column) ?? -1] ?? '').trim();
  const cuts = headings.flatMap((heading, i) =>
    (bodies[i] ?? []).map((row) => cell(row, heading, 'cutDate')).filter((c) => c !== ''),
  );
  const dates = dateHabitOf(head.dates, cuts, help.today ?? null);
  return headings.map((heading, i) => {
    const body = bodies[i] ?? [];
    return {
      rows: body,
      context: {
        heading,
        habits: habitsOf(
          body.filter((r) => !isTotal(r.cells, heading)).map((r) => r.cells),
          heading,
        ),
        dates,
        usualCut: dates.noteDate === null ? usualCut(cuts, dates) : null,
        remembered: help.remembered?.[supplier ?? ''] ?? {},
        gramsPerStem: help.gramsPerStem ?? {},
        species: help.species ?? SHIPPED_SPECIES,
      },
    };
  });
}
