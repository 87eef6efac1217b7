import { headingBy, shapeOf, type Heading, type SavedColumns } from './columns';
import type { NoteHelp } from './note-help';
import { readHead } from './preamble';

/** Columns as somebody said, in the row that was recognised as the heading where there is one. */
export function asPersonSays(
  saved: SavedColumns,
  rows: readonly (readonly string[])[],
  found: Heading | null,
): Heading {
  const said = headingBy(saved, rows);
  if (!found || !saved.hasHeading) return said;
  const kept = said.columns.size > 0 ? said.columns : found.columns;
  return { ...said, at: found.at, rows: found.rows, cells: found.cells, columns: kept };
}

export interface Remembered {
  readonly saved: SavedColumns;
  readonly supplier: string;
}

/** What was said of this supplier's last note of the same make; of two suppliers with one make, nothing. */
export function rememberedOf(
  rows: readonly (readonly string[])[],
  found: Heading | null,
  help: NoteHelp,
): Remembered | null {
  const bySupplier = help.rememberedColumns ?? {};
  const first = rows.find((r) => r.filter((c) => c.trim() !== '').length >= 3) ?? [];
  const named = help.supplier ?? (found && readHead(rows, found).supplier);
  const shapes = [
    ...(found ? [shapeOf(found.cells, true)] : []),
    shapeOf(first, true),
    shapeOf(first, false),
  ];
  const known = Object.entries(bySupplier).flatMap(([supplier, ofShape]) => {
    const shape = shapes.find((s) => Object.hasOwn(ofShape, s));
    const saved = shape === undefined ? undefined : ofShape[shape];
    return saved && (named === null || supplier === named) ? [{ supplier, saved }] : [];
  });
  const [only] = known;
  if (!only || known.length > 1) return null;
  return !only.saved.hasHeading && found ? null : only;
}
