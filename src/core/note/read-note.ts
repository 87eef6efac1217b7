import {
  findHeadings,
  shapeOf,
  unreadColumns,
  type Column,
  type Heading,
  type SavedColumns,
} from './columns';
import { boxesCounted } from './box-numbers';
import { rowsByLength } from './by-length';
import { withDuplicates } from './duplicates';
import { lineCounts } from './line-counts';
import { NO_HEADING, NoHeadingError, UnreadableNoteError, type NoteHelp } from './note-help';
import { isTable, kindByText, NOT_A_TABLE } from './file-kind';
import { computedTotal } from './note-sum';
import { readHead } from './preamble';
import { meaningOf, questionOf } from './question';
import { readLine } from './read-line';
import { asPersonSays, rememberedOf, type Remembered } from './remembered';
import { sectionsOf, type Section } from './sections';
import { settleMeaning, type PersonSays, type Settled } from './settle';
import { cellIn, sortOut, type OpenRow } from './sort-rows';
import { splitRows, type FileRow } from './split-rows';
import { unlikelyCounts } from './unlikely';
import type { DeliveryNote, NoteLine } from './types';

const SHOWN_ROWS = 6;

type Cells = readonly (readonly string[])[];

/** The headings of a file: as they are recognised, or as somebody said the columns are, now or before. */
function headingsOf(cells: Cells, help: NoteHelp) {
  const found = findHeadings(cells);
  const remembered = help.columns ? null : rememberedOf(cells, found[0] ?? null, help);
  const saved = help.columns ?? remembered?.saved ?? null;
  const first = saved ? asPersonSays(saved, cells, found[0] ?? null) : found[0];
  if (!first) {
    const isTable = cells.some((row) => row.filter((c) => c.trim() !== '').length >= 3);
    throw isTable ? new NoHeadingError(cells.slice(0, SHOWN_ROWS)) : new UnreadableNoteError(NO_HEADING);
  }
  const isSame = (h: Heading): boolean => shapeOf(h.cells, true) === shapeOf(first.cells, true);
  const later = found.slice(1).map((h) => (isSame(h) ? { ...h, columns: first.columns } : h));
  return { headings: [first, ...later], first, saved, remembered };
}

/** The make of a file, by its heading or, without one, by how many columns it has. */
function makeOf(cells: Cells, first: Heading, saved: SavedColumns | null, isRemembered: boolean) {
  const hasHeading = first.cells.length > 0;
  const row = hasHeading ? first.cells : (cells[first.at + first.rows] ?? []);
  return { shape: shapeOf(row, hasHeading), hasHeading, saved, isRemembered };
}

/** What is said of the counts, now or of such a note before. */
const personSaysOf = (help: NoteHelp, remembered: Remembered | null): PersonSays => ({
  now: help.meaning ?? help.columns?.meaning,
  before: remembered?.saved.meaning,
  isDoubted: help.isDoubted,
});

/** What this supplier usually sends; null where too little is known. */
const usualOf = (supplier: string | null, { usualStems = {} }: NoteHelp) =>
  supplier !== null && Object.hasOwn(usualStems, supplier) ? (usualStems[supplier] ?? null) : null;

/** Every open row as a line, its counts under what the note's were settled to mean. */
function linesOf(open: readonly OpenRow[], settled: Settled): NoteLine[] {
  return open.map(({ row, context, evidence }) => {
    const cell = (column: Column): string => cellIn(row, context, column);
    const counts = lineCounts(evidence, settled, {
      remark: cell('remark'),
      name: `${cell('product')} ${cell('variety')} ${cell('packing')}`,
    });
    return readLine(row.cells, row.line, context, counts);
  });
}

const unreadIn = (sections: readonly Section[]): string[] => [
  ...new Set(
    sections.flatMap(({ context, rows }) =>
      unreadColumns(
        context.heading,
        rows.map((r) => r.cells),
      ),
    ),
  ),
];

/**
 * Reads a delivery note from the rows of its table. Every line of the file comes back: understood, guessed,
 * waiting for a decision, or ignored with its reason. What its counts mean is settled for all of them
 * at once, or asked once.
 * @throws UnreadableNoteError when it has no lines; NoHeadingError when nothing names a product and a count
 */
export function readNoteRows(given: readonly FileRow[], help: NoteHelp = {}): DeliveryNote {
  const table = rowsByLength(given) ?? given;
  const cells = table.map((r) => r.cells);
  const { headings, first, saved, remembered } = headingsOf(cells, help);
  const rows = boxesCounted(table, first);
  const head = readHead(cells, first);
  const supplier = [help.supplier, head.supplier, remembered?.supplier].find((s) => s != null) ?? null;
  const sections = sectionsOf(rows, headings, head, supplier, help);
  const { aside, open, totals } = sortOut(rows, sections);
  const settled = settleMeaning(
    open.map((o) => o.evidence),
    totals,
    personSaysOf(help, remembered),
  );
  const read = linesOf(open, settled);
  if (read.length === 0)
    throw new UnreadableNoteError('The note has a heading but no lines. Nothing was booked in.');
  const usual = usualOf(supplier, help);
  const lines = [...aside, ...withDuplicates(unlikelyCounts(read, usual))].sort((a, b) => a.line - b.line);
  const noteDate = sections[0]?.context.dates.noteDate ?? null;
  const amounts = new Map(open.map(({ row, evidence }) => [row.line, evidence.amount]));
  return {
    supplier,
    deliveryRef: head.deliveryRef,
    noteDate: head.dates.length > 0 ? noteDate : null,
    statedTotal: totals.money,
    computedTotal: computedTotal(lines, amounts),
    unreadColumns: unreadIn(sections),
    unreadSheets: [],
    readColumns: Object.fromEntries(
      [...first.columns].map(([column, at]) => [column, first.cells[at] ?? `column ${at + 1}`]),
    ),
    meaning: meaningOf(settled),
    meaningBy: settled.by === 'nothing open' || settled.by === 'open' ? null : settled.by,
    question: questionOf(settled, lines),
    usual,
    make: makeOf(cells, first, saved, remembered !== null),
    lines,
  };
}

/**
 * Reads a delivery note from CSV text; see `readNoteRows`.
 * @throws UnreadableNoteError when it is empty or no text
 */
export function readDeliveryNote(text: string, help: NoteHelp = {}): DeliveryNote {
  if (text.trim() === '') throw new UnreadableNoteError('The file is empty. Nothing was booked in.');
  const kind = kindByText(text);
  if (!isTable(kind)) throw new UnreadableNoteError(`${NOT_A_TABLE[kind]} Nothing was booked in.`);
  return readNoteRows(splitRows(text).rows, help);
}
