import { matchSpecies } from '../species/match-species';
import { foldedWords } from '../species/folded-words';
import { COLUMNS, COUNT_COLUMNS, readHeading, type Column, type HeadingMeaning } from './headings';
import type { Meaning } from './meaning';
import { areDutch } from './units';

export { COLUMNS, type Column };

/** Where a file keeps each thing, by index of its column. */
export type ColumnMap = ReadonlyMap<Column, number>;
type Cells = readonly string[];

export interface Heading {
  /** Index of the heading's first row among the rows, and how many rows it takes up. */
  readonly at: number;
  readonly rows: number;
  readonly columns: ColumnMap;
  /** The words over each column, both rows of a double heading together. */
  readonly cells: Cells;
  /** Columns that say what an earlier one says already: a second quantity, a second name. */
  readonly doubles: readonly (readonly [Column, number])[];
}

const COUNTS: readonly Column[] = [
  'bunches',
  'stems',
  'stemsInAll',
  'quantity',
  'boxes',
  'weightG',
  'ordered',
];
/** Columns a note may have several of, the first of which is taken. */
const isCount = (column: Column): boolean => COUNTS.includes(column);

const isCounted = (column: Column): boolean => (COUNT_COLUMNS as readonly Column[]).includes(column);

const filled = (cells: Cells): string[] => cells.filter((c) => c.trim() !== '');
/** A cell of a line and no heading: it is a number, or begins with one. */
const NUMBER = /^[-+]?[.,]?\d/;

/**
 * The two rows of a double heading as one: what stands over several columns goes before each of them. A word
 * with nothing under it is a column's own, and goes over no other.
 */
function joined(upper: Cells, lower: Cells): string[] {
  let over = '';
  return Array.from({ length: Math.max(upper.length, lower.length) }, (_, i) => {
    const [above, below] = [(upper[i] ?? '').trim(), (lower[i] ?? '').trim()];
    if (above !== '') over = below === '' ? '' : above;
    if (below === '') return above;
    return over === '' ? below : oneOver(over, above, below);
  });
}

/** A word of the upper row and the one under it as one heading. @param above what stands right over it, if anything */
function oneOver(over: string, above: string, below: string): string {
  const both = `${over} ${below}`;
  const [alone, together] = [readHeading(below), readHeading(both)];
  // "Packed" over "Bunches": what is counted is told by the lower word.
  if (alone && isCounted(alone.column) && together?.column === 'packing') return below;
  if (together) return both;
  return alone || above === '' ? below : above;
}

interface Candidate {
  readonly cells: Cells;
  readonly meanings: readonly (HeadingMeaning | null)[];
}

const candidate = (cells: Cells): Candidate => ({ cells, meanings: cells.map((c) => readHeading(c.trim())) });
const names = ({ meanings }: Candidate, column: Column): boolean =>
  meanings.some((m) => m?.column === column);
const isHeading = (c: Candidate): boolean =>
  (names(c, 'product') || names(c, 'variety')) &&
  c.meanings.some((m) => m !== null && isCount(m.column)) &&
  !c.cells.some((cell) => NUMBER.test(cell.trim()));

/**
 * Whether a row under a heading goes on with it: words of headings, and no number, as every line of flowers
 * has one.
 */
function goesOn(upper: Candidate, lower: Candidate): boolean {
  const words = filled(lower.cells);
  if (words.length === 0 || words.some((w) => NUMBER.test(w.trim()))) return false;
  const isKnown = (cell: string, i: number): boolean =>
    (lower.cells[i] ?? '').trim() !== '' && readHeading(cell) !== null;
  return joined(upper.cells, lower.cells).filter(isKnown).length * 2 >= words.length;
}

/** The heading that begins in a row, over one row or two; null where none does. */
function headingAt(rows: readonly Cells[], at: number): { cells: Cells; rows: number } | null {
  const cells = rows[at] ?? [];
  // Nearly every row of a file is a line: it has a number, and is no heading, before any word is looked up.
  if (filled(cells).length < 2 || cells.some((cell) => NUMBER.test(cell.trim()))) return null;
  const [first, second] = [candidate(cells), candidate(rows[at + 1] ?? [])];
  // A year, a day or a paper's number stands in no heading: "Date" beside "Tue 24 Nov 2026" is of the note's head.
  const isWords = !cells.some((cell) => /\d{2}/.test(cell));
  const isKnown = first.meanings.some((m) => m !== null);
  if (isKnown && isWords && goesOn(first, second)) {
    const both = joined(first.cells, second.cells);
    if (isHeading(candidate(both))) return { cells: both, rows: 2 };
  }
  return isHeading(first) ? { cells: first.cells, rows: 1 } : null;
}

const LOOKED_AT = 60;

/** Of several columns that might name the flower, the one whose words name most; the first of equals. */
function productColumn(at: readonly number[], below: readonly Cells[]): number {
  const named = (column: number): number =>
    below.slice(0, LOOKED_AT).filter((r) => matchSpecies((r[column] ?? '').trim()) !== null).length;
  return at.reduce((best, column) => (named(column) > named(best) ? column : best), at[0] ?? 0);
}

const cellsOf = (below: readonly Cells[], at: number): string[] =>
  below.map((r) => (r[at] ?? '').trim()).filter((c) => c !== '');

/** What "Total" alone is of: money, unless whole numbers stand under it and the money is elsewhere. */
function amountOrStems(cell: string, cells: readonly string[], all: readonly Column[]): Column {
  const isBare = readHeading(cell)?.isTotal === true && !/[a-z]{3,}\s+[a-z]{3,}/i.test(cell);
  if (!isBare || cells.length === 0) return 'amount';
  const hasOther = all.filter((c) => c === 'amount').length > 1 || !all.includes('unitPrice');
  if (!hasOther || !cells.every((c) => /^\d+$/.test(c))) return 'amount';
  return all.includes('stemsPerBunch') ? 'stemsInAll' : 'stems';
}

/** Most cells bear a sign of money, or two decimals: "Unit" over them is short for its price. */
const isMoney = (cells: readonly string[]): boolean =>
  cells.filter((c) => /[€£$]|^\d+[.,]\d{2}$/.test(c)).length * 2 > cells.length;

/** Whether a "reference" is the delivery's or each line's own, and what "Total" is of, by what stands under it. */
function byContent(
  column: Column,
  cell: string,
  at: number,
  all: readonly Column[],
  below: readonly Cells[],
): Column {
  const cells = cellsOf(below, at);
  if (column === 'amount') return amountOrStems(cell, cells, all);
  if (column === 'unit' && !all.includes('unitPrice') && isMoney(cells)) return 'unitPrice';
  if (column === 'quantity' && cells.length > 0 && !cells.some((c) => /^[-+]?\d/.test(c))) return 'code';
  if (column !== 'reference') return column;
  return new Set(cells).size <= 1 && !all.includes('deliveryRef') ? 'deliveryRef' : 'code';
}

/** Which column is what, told from the heading's words and, where these are not enough, from what stands below. */
export function columnsOf(cells: Cells, below: readonly Cells[]): Pick<Heading, 'columns' | 'doubles'> {
  const isDutch = areDutch(cells);
  const said = cells.map((c): Column | null => {
    const meaning = readHeading(c.trim());
    return meaning?.noun === 'dozen' && isDutch && /\bdozen\b/i.test(c) ? 'boxes' : (meaning?.column ?? null);
  });
  const all = said.filter((c) => c !== null);
  const meant = said.map((c, i) => c && byContent(c, (cells[i] ?? '').trim(), i, all, below));
  const products = meant.flatMap((c, i) => (c === 'product' ? [i] : []));
  const product = products.length > 1 ? productColumn(products, below) : products[0];
  const columns = new Map<Column, number>();
  const doubles: [Column, number][] = [];
  meant.forEach((column, i) => {
    if (column === null || (column === 'product' && i !== product)) return;
    if (columns.has(column)) doubles.push([column, i]);
    else columns.set(column, i);
  });
  for (const i of products) if (i !== product && !columns.has('code')) columns.set('code', i);
  const variety = columns.get('variety');
  if (product === undefined && variety !== undefined) {
    columns.set('product', variety);
    columns.delete('variety');
  }
  return { columns, doubles };
}

const HEADING_WITHIN = 25;

/** The headings of a file in their order, each over the rows down to the next, so many at most; none where no row is one. */
export function findHeadings(rows: readonly Cells[], most = Infinity): Heading[] {
  const found: Heading[] = [];
  for (let at = 0; at < rows.length && found.length < most; at++) {
    if (found.length === 0 && at >= HEADING_WITHIN) break;
    const heading = headingAt(rows, at);
    if (!heading) continue;
    const below = rows.slice(at + heading.rows, at + heading.rows + LOOKED_AT);
    found.push({ at, ...heading, ...columnsOf(heading.cells, below) });
    at += heading.rows - 1;
  }
  return found;
}

/** The heading row: one that names a product and some count or weight. Null when no row does. */
export const findHeading = (rows: readonly Cells[]): Heading | null => findHeadings(rows, 1)[0] ?? null;

/** What somebody said of a file's columns and counts, as it is kept for that supplier's next note. */
export interface SavedColumns {
  readonly columns: Readonly<Partial<Record<Column, number>>>;
  /** Whether the first row names the columns, and is no line. */
  readonly hasHeading: boolean;
  /** What its counts were said to mean. */
  readonly meaning?: Meaning | undefined;
}

/** What tells a supplier's next note to be of the same make: its headings, or how many columns it has. */
export function shapeOf(cells: Cells, hasHeading: boolean): string {
  return hasHeading ? cells.map(foldedWords).join('|').slice(0, 400) : `${cells.length} columns`;
}

/** The heading as somebody said it is: a row of the file, or none (-1) where lines begin at once. */
export function headingBy(saved: SavedColumns, rows: readonly Cells[]): Heading {
  const first = Math.max(
    0,
    rows.findIndex((r) => filled(r).length >= 3),
  );
  const columns = new Map(
    COLUMNS.flatMap((c): [Column, number][] => {
      const at = saved.columns[c];
      return at === undefined ? [] : [[c, at]];
    }),
  );
  return saved.hasHeading
    ? { at: first, rows: 1, columns, cells: rows[first] ?? [], doubles: [] }
    : { at: first - 1, rows: 1, columns, cells: [], doubles: [] };
}

/** Headings over columns with something in them that nothing is read from, or the number of such a column. */
export function unreadColumns(heading: Heading, below: readonly Cells[]): string[] {
  const read = new Set(heading.columns.values());
  const width = Math.max(heading.cells.length, ...below.map((r) => r.length), 0);
  return Array.from({ length: width }, (_, i) => i)
    .filter((i) => !read.has(i))
    .flatMap((i) => {
      const words = (heading.cells[i] ?? '').trim();
      if (words !== '') return [words];
      return cellsOf(below, i).length > 0 ? [`column ${i + 1}`] : [];
    });
}
