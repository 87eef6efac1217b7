import { SHIPPED_SPECIES, type SpeciesRegistry } from '../species/registry';
import { headingBy, shapeOf, type Column, type Heading, type SavedColumns } from './columns';
import type { GramsPerStem } from './grams';
import { matchSpecies, plainWords } from './match-species';
import { readHead } from './preamble';
import { readAmount, type DecimalMark } from '../numbers/read-number';
import { decimalMarkOf, readPrice } from './read-cells';
import { isDayFirstIn } from '../calendar/read-date';
import { ignoredLine, readLine, type LineContext } from './read-line';
import { splitRows, type FileRow } from './split-rows';
import type { DeliveryNote, NoteLine } from './types';

/** A file that could not be read as a delivery note at all, in words for the person who dropped it. */
export class UnreadableNoteError extends Error {
  override readonly name: string = 'UnreadableNoteError';
}

const NO_HEADING =
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
  /** Species chosen before for a supplier's words, by supplier and plain words. */
  readonly remembered?: Readonly<Record<string, Readonly<Record<string, string>>>>;
  readonly gramsPerStem?: GramsPerStem;
  /** The table, with the shop's own; the table alone where it is not told. */
  readonly species?: SpeciesRegistry;
  /** Columns as somebody said they are, for this file. */
  readonly columns?: SavedColumns;
  /** Columns as they were said to be before, by supplier and the shape of the file. */
  readonly rememberedColumns?: Readonly<Record<string, Readonly<Record<string, SavedColumns>>>>;
}

const TOTAL = /^(grand ?)?(sub ?)?(sum|summe|suma|somme|total|totaal|gesamt\w*|totale|tot)\b/i;

function isTotal(cells: readonly string[]): boolean {
  const first = cells.find((c) => c.trim() !== '') ?? '';
  return TOTAL.test(first.trim()) && matchSpecies(first) === null;
}

/** The last amount in a total line. */
function totalIn(cells: readonly string[], mark: DecimalMark): number | null {
  for (const cell of [...cells].reverse()) {
    const amount =
      readAmount(cell, mark) ?? (/\d/.test(cell) ? (readPrice(cell, mark)?.amount ?? null) : null);
    if (amount !== null) return amount;
  }
  return null;
}

const repeated = (line: NoteLine): string =>
  JSON.stringify([
    plainWords(line.product),
    line.variety,
    line.colour,
    line.lengthCm,
    line.bunches,
    line.stemsPerBunch,
    line.stems,
    line.weightG,
    line.cutDate,
    line.unitPrice,
  ]);

/** Points out lines that say just what an earlier one said. */
function withDuplicates(lines: readonly NoteLine[]): NoteLine[] {
  const first = new Map<string, number>();
  return lines.map((line) => {
    if (line.status === 'ignored') return line;
    const key = repeated(line);
    const duplicateOf = first.get(key) ?? null;
    if (duplicateOf === null) {
      first.set(key, line.line);
      return line;
    }
    return {
      ...line,
      status: 'needs-decision',
      reasons: [`says the same as line ${duplicateOf}: twice sent, or written twice?`, ...line.reasons],
      duplicateOf,
    };
  });
}

function priceOf(line: NoteLine): number | null {
  if (line.unitPrice === null) return null;
  switch (line.priceUnit) {
    case 'kg':
      return line.weightG === null ? null : (line.unitPrice * line.weightG) / 1000;
    case 'bunch':
      return line.bunches === null ? null : line.unitPrice * line.bunches;
    case 'line':
      return line.unitPrice;
    default:
      return line.stems === null ? null : line.unitPrice * line.stems;
  }
}

function computedTotal(lines: readonly NoteLine[]): number | null {
  const prices = lines.map(priceOf).filter((p) => p !== null);
  return prices.length === 0 ? null : Math.round(prices.reduce((a, b) => a + b, 0) * 100) / 100;
}

/** Words of a row with nothing countable in it: a remark under the lines, a signature. */
function isRemark(cells: readonly string[], context: LineContext): boolean {
  const cell = (column: Column): string => (cells[context.columns.get(column) ?? -1] ?? '').trim();
  const counts = (['bunches', 'stemsPerBunch', 'stems', 'weightG', 'unitPrice'] as const).map(cell);
  return (
    counts.every((c) => c === '') &&
    matchSpecies(cell('product'), context.remembered, context.species) === null
  );
}

function refuseUnlessText(text: string): void {
  if (text.trim() === '') throw new UnreadableNoteError('The file is empty. Nothing was booked in.');
  if (/[\u0000-\u0008]/.test(text.slice(0, 4000)))
    throw new UnreadableNoteError(
      'This is not a CSV file: it holds binary data. Ask the supplier for the note as CSV. Nothing was booked in.',
    );
}

function contextOf(
  rows: readonly FileRow[],
  heading: Heading,
  noteDate: string | null,
  help: NoteHelp,
  supplier: string | null,
): LineContext {
  const column = (name: Column): string[] =>
    rows.slice(heading.at + 1).map((r) => (r.cells[heading.columns.get(name) ?? -1] ?? '').trim());
  return {
    columns: heading.columns,
    headings: heading.cells,
    decimalMark: decimalMarkOf(column('unitPrice')),
    noteDate,
    dayFirst: isDayFirstIn(column('cutDate')),
    remembered: help.remembered?.[supplier ?? ''] ?? {},
    gramsPerStem: help.gramsPerStem ?? {},
    species: help.species ?? SHIPPED_SPECIES,
  };
}

function readRow(row: FileRow, context: LineContext): NoteLine {
  const text = row.cells
    .map((c) => c.trim())
    .filter((c) => c !== '')
    .join(' · ');
  if (text === '') return ignoredLine(row.line, '', 'an empty line');
  if (isTotal(row.cells)) return ignoredLine(row.line, text, 'a total, compared with the lines');
  if (isRemark(row.cells, context))
    return ignoredLine(row.line, text, 'a remark, with nothing to count in it');
  return readLine(row.cells, row.line, context);
}

const SHOWN_ROWS = 6;

/** Columns as somebody said, in the row that was recognised as the heading where there is one. */
function asSaid(saved: SavedColumns, rows: readonly (readonly string[])[], found: Heading | null): Heading {
  const said = headingBy(saved, rows);
  return found && saved.hasHeading ? { ...said, at: found.at, cells: found.cells } : said;
}

/**
 * The heading that goes: what somebody says now, else what was said of this supplier's last note
 * of the same make, else what is recognised. `from` is the supplier that a note's make tells of.
 */
function headingOf(
  rows: readonly (readonly string[])[],
  found: Heading | null,
  help: NoteHelp,
): { heading: Heading | null; from: string | null } {
  if (help.columns) return { heading: asSaid(help.columns, rows, found), from: null };
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
  // Two suppliers with notes of one make: nobody can tell whose this is.
  if (!only || known.length > 1) return { heading: found, from: null };
  if (!only.saved.hasHeading && found) return { heading: found, from: null };
  return { heading: asSaid(only.saved, rows, found), from: only.supplier };
}

/**
 * Reads a delivery note from CSV text. Every line of the file comes back: understood, guessed,
 * waiting for a decision, or ignored with its reason.
 * @throws UnreadableNoteError when it is empty; NoHeadingError when nothing names a product and a count
 */
export function readDeliveryNote(text: string, help: NoteHelp = {}): DeliveryNote {
  refuseUnlessText(text);
  const { rows, heading: found } = splitRows(text);
  const cells = rows.map((r) => r.cells);
  const { heading, from } = headingOf(cells, found, help);
  if (!heading) {
    const isTable = cells.some((row) => row.filter((c) => c.trim() !== '').length >= 3);
    throw isTable ? new NoHeadingError(cells.slice(0, SHOWN_ROWS)) : new UnreadableNoteError(NO_HEADING);
  }
  const head = readHead(cells, heading);
  const supplier = help.supplier ?? head.supplier ?? from;
  const context = contextOf(rows, heading, head.noteDate, help, supplier);
  const read = rows.flatMap((row, at): NoteLine[] => {
    const line =
      at < heading.at
        ? ignoredLine(
            row.line,
            row.cells.filter((c) => c.trim() !== '').join(' · '),
            'stands above the heading',
          )
        : at === heading.at
          ? ignoredLine(row.line, row.cells.join(' · '), 'the heading')
          : readRow(row, context);
    const goesOn = Array.from({ length: row.lines - 1 }, (_, i) =>
      ignoredLine(row.line + 1 + i, '', `goes on from line ${row.line}`),
    );
    return [line, ...goesOn];
  });
  const lines = withDuplicates(read);
  if (lines.every((l) => l.status === 'ignored'))
    throw new UnreadableNoteError('The note has a heading but no lines. Nothing was booked in.');
  const total = rows
    .slice(heading.at + 1)
    .filter((r) => isTotal(r.cells))
    .at(-1);
  return {
    supplier,
    deliveryRef: head.deliveryRef,
    noteDate: head.noteDate,
    statedTotal: total ? totalIn(total.cells, context.decimalMark) : null,
    computedTotal: computedTotal(lines),
    lines,
  };
}
