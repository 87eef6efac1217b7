import readWorkbook from 'read-excel-file/universal';
import { findHeading } from './columns';
import { packedNames } from './file-kind';
import { UnreadableNoteError } from './note-help';
import type { FileRow } from './split-rows';

/** Past this a workbook unpacks into more than any delivery note is. */
const UNPACKED_MAX_BYTES = 40_000_000;
const MOST_ROWS = 20_000;
const MOST_COLUMNS = 200;

type Cell = string | number | boolean | Date | null;

/** A number as text that can be read one way only: "1.125" as "1.1250", which is no eleven hundred. */
function numberAsText(n: number): string {
  const text = String(Number(n.toPrecision(12)));
  return /\.\d{3}$/.test(text) ? `${text}0` : text;
}

function asText(cell: Cell): string {
  if (cell === null) return '';
  if (cell instanceof Date) return Number.isNaN(cell.getTime()) ? '' : cell.toISOString().slice(0, 10);
  return typeof cell === 'number' ? numberAsText(cell) : String(cell).trim();
}

export interface Workbook {
  readonly rows: readonly FileRow[];
  /** Sheets with something on them that were not read. */
  readonly otherSheets: readonly string[];
}

function refuseTooLarge(bytes: Uint8Array): void {
  const unpacked = [...packedNames(bytes).values()].reduce((a, b) => a + b, 0);
  if (unpacked > UNPACKED_MAX_BYTES)
    throw new UnreadableNoteError(
      `This workbook unpacks into ${Math.round(unpacked / 1e6)} MB; a delivery note is never that large. Nothing was booked in.`,
    );
}

/**
 * The rows of an Excel workbook's delivery note: of the first sheet with a heading, else the first with
 * anything on it. Dates come as ISO dates, numbers with a point.
 * @throws UnreadableNoteError where it is broken, empty or unpacks into too much
 */
export async function rowsOfWorkbook(bytes: Uint8Array): Promise<Workbook> {
  refuseTooLarge(bytes);
  const copy = new Uint8Array(bytes);
  let sheets;
  try {
    sheets = await readWorkbook(copy.buffer, { trim: false });
  } catch {
    throw new UnreadableNoteError(
      'This Excel workbook is broken or locked and could not be read. Open it and save it anew. Nothing was booked in.',
    );
  }
  const tables = sheets
    .map(({ sheet, data }) => ({
      sheet,
      rows: (data as Cell[][]).slice(0, MOST_ROWS + 1).map((row) => row.slice(0, MOST_COLUMNS).map(asText)),
    }))
    .filter(({ rows }) => rows.some((row) => row.some((c) => c !== '')));
  const first = tables.find(({ rows }) => findHeading(rows) !== null) ?? tables[0];
  if (!first) throw new UnreadableNoteError('The workbook is empty. Nothing was booked in.');
  if (first.rows.length > MOST_ROWS)
    throw new UnreadableNoteError(
      `The sheet “${first.sheet}” has more than ${MOST_ROWS} rows; a delivery note is never that long. Nothing was booked in.`,
    );
  return {
    rows: first.rows.map((cells, i) => ({ line: i + 1, lines: 1, cells })),
    otherSheets: tables.filter((t) => t !== first).map((t) => t.sheet),
  };
}
