import type { Column, Heading } from './columns';
import type { FileRow } from './split-rows';

const NUMBERED = /^\s*(\d{1,4})(?:\s*[-–]\s*(\d{1,4}))?\s*$/;

/** How many boxes a cell names by their numbers: "4" is one, "2-3" are two. */
function boxesNamed(cell: string): number | null {
  const [, first, last] = NUMBERED.exec(cell) ?? [];
  if (first === undefined) return null;
  const n = last === undefined ? 1 : Number(last) - Number(first) + 1;
  return n > 0 ? n : null;
}

const wholeIn = (cell: string): number | null => (/^\s*\d+\s*$/.test(cell) ? Number(cell) : null);

/** What is in one box by its other columns, and what the line comes to, stems; null where a row does not say both. */
function sums(cells: readonly string[], heading: Heading): { each: number; inAll: number } | null {
  const number = (column: Column): number | null => wholeIn(cells[heading.columns.get(column) ?? -1] ?? '');
  const each = number('bunchesPerBox') ?? number('bunches');
  const [perBunch, inAll] = [number('stemsPerBunch'), number('stemsInAll') ?? number('stems')];
  return each === null || perBunch === null || inAll === null ? null : { each: each * perBunch, inAll };
}

/**
 * Rows whose boxes are numbered, and not counted, with how many boxes each names in the place of the
 * numbers. That they are numbers is told by arithmetic: every row that says so comes out as one box, or
 * as many as its "2-3" names, and some would not if the number were a count.
 */
export function boxesCounted(rows: readonly FileRow[], heading: Heading): readonly FileRow[] {
  const at = heading.columns.get('boxes');
  if (at === undefined) return rows;
  const below = rows.slice(heading.at + heading.rows);
  let isNumbered = false;
  for (const { cells } of below) {
    const [named, said] = [boxesNamed(cells[at] ?? ''), sums(cells, heading)];
    if (named === null || said === null) continue;
    if (named * said.each !== said.inAll) return rows;
    if (wholeIn(cells[at] ?? '') !== 1) isNumbered = true;
  }
  if (!isNumbered) return rows;
  return rows.map((row, i) => {
    const named = i < heading.at + heading.rows ? null : boxesNamed(row.cells[at] ?? '');
    return named === null
      ? row
      : { ...row, cells: row.cells.map((cell, column) => (column === at ? `${named}` : cell)) };
  });
}
