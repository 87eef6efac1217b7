import { findHeading } from './columns';
import { readHeading, type HeadingMeaning } from './headings';
import { readLengthCm } from './read-cells';
import type { FileRow } from './split-rows';

/** Lengths that stand over columns, cm. */
const [SHORTEST_CM, LONGEST_CM] = [20, 180];
const BARE_LENGTH = /^\d{2,3}\s*(?:cm)?$/i;

/** The length a column's heading is, and nothing else: "60", "60 cm". */
function lengthOver(cell: string): number | null {
  const lengthCm = BARE_LENGTH.test(cell.trim()) ? readLengthCm(cell) : null;
  return lengthCm !== null && lengthCm >= SHORTEST_CM && lengthCm <= LONGEST_CM ? lengthCm : null;
}

interface LengthTable {
  readonly at: number;
  /** Columns that are lengths, with how long. */
  readonly lengths: ReadonlyMap<number, number>;
  readonly meanings: readonly (HeadingMeaning | null)[];
}

/** The row that names the flower's column and has lengths, each longer than the last, over two others or more. */
function tableIn(rows: readonly FileRow[]): LengthTable | null {
  for (const [at, { cells }] of rows.entries()) {
    const lengths = cells.map(lengthOver);
    const told = lengths.filter((l) => l !== null);
    const isRising = told.every((l, i) => i === 0 || l > (told[i - 1] ?? 0));
    const meanings = cells.map((c) => readHeading(c.trim()));
    const names = meanings.some((m) => m?.column === 'product' || m?.column === 'variety');
    if (told.length >= 2 && isRising && names)
      return {
        at,
        lengths: new Map(lengths.flatMap((l, i): [number, number][] => (l === null ? [] : [[i, l]]))),
        meanings,
      };
  }
  return null;
}

/** What is counted under the lengths, as the column of sums beside them says; a quantity where none does. */
function countedIn(meanings: readonly (HeadingMeaning | null)[]): string {
  const sums = meanings.find((m) => m?.isTotal && m.noun !== null);
  if (sums?.noun === 'bunch' || sums?.noun === 'pack') return 'bunches';
  return sums?.noun === 'stem' ? 'stems in all' : 'quantity';
}

const isCount = (cell: string): boolean => /^\d/.test(cell.trim()) && !/^0+$/.test(cell.trim());

/**
 * A table with a column for each length as one with a line for each: the flower, its length, how many. Its
 * rows are numbered anew, as several come of one. Null where the rows are no such table.
 */
export function rowsByLength(rows: readonly FileRow[]): FileRow[] | null {
  if (findHeading(rows.map((r) => r.cells))) return null;
  const table = tableIn(rows);
  if (!table) return null;
  const { at, lengths, meanings } = table;
  const isKept = (_: string, i: number): boolean => !lengths.has(i) && meanings[i]?.isTotal !== true;
  const opened = rows.flatMap(({ cells }, i): string[][] => {
    if (i < at) return [[...cells]];
    const beside = cells.filter(isKept);
    if (i === at) return [[...beside, 'length cm', countedIn(meanings)]];
    const each = [...lengths].filter(([column]) => isCount(cells[column] ?? ''));
    // A row of sums names no flower: it goes on as one row, and is set aside as such.
    if (each.length === 0 || readHeading(beside[0] ?? '')?.isTotal) return [[...beside]];
    return each.map(([column, lengthCm]) => [...beside, `${lengthCm}`, cells[column] ?? '']);
  });
  return opened.map((cells, i) => ({ line: i + 1, lines: 1, cells }));
}
