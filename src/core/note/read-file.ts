import { decodeNote } from './decode';
import { isTable, kindByBytes, kindByText, NOT_A_TABLE, type FileKind } from './file-kind';
import { rowsOfHtml } from './html-table';
import { UnreadableNoteError, type NoteHelp } from './note-help';
import { readNoteRows } from './read-note';
import { readTypedLines } from './read-typed';
import { splitRows, type FileRow } from './split-rows';
import { SHIPPED_SPECIES } from '../species/registry';
import type { DeliveryNote } from './types';
import { rowsOfWorkbook } from './workbook';

/** A file's rows, whatever kind of table it is. */
export interface NoteTable {
  readonly rows: readonly FileRow[];
  readonly otherSheets: readonly string[];
  /** The text it was split from; null where it was none. */
  readonly text: string | null;
}

/**
 * A letter or a message as lines somebody typed, where it is no table: half of the lines that have a figure
 * name a flower and how many. Null where they do not, and somebody is to say what the columns are.
 */
function readAsWritten(text: string, help: NoteHelp): DeliveryNote | null {
  const lines = text.split(/\r\n?|\n/);
  const isCells = (line: string): boolean => /[;\t|].*[;\t|]/.test(line);
  if (lines.some(isCells)) return null;
  const { today = '', gramsPerStem = {}, species = SHIPPED_SPECIES } = help;
  const note = readTypedLines(text, { today, gramsPerStem, species });
  const figures = note.lines.filter((l) => /\d/.test(l.product));
  const counted = figures.filter((l) => l.speciesKey !== null && (l.stems ?? l.bunches) !== null);
  if (counted.length === 0 || counted.length * 2 < figures.length) return null;
  return { ...note, noteDate: help.today ?? null, supplier: help.supplier ?? null };
}

function refuse(kind: FileKind): void {
  if (!isTable(kind)) throw new UnreadableNoteError(`${NOT_A_TABLE[kind]} Nothing was booked in.`);
}

/**
 * Rows of a delivery note's file: CSV in any of its habits, an Excel workbook, or a web page's table under
 * whatever name.
 * @throws UnreadableNoteError where it is empty or something else, which is named
 */
export async function tableOfFile(bytes: Uint8Array): Promise<NoteTable> {
  const byBytes = kindByBytes(bytes);
  if (byBytes === 'xlsx') {
    const { rows, otherSheets } = await rowsOfWorkbook(bytes);
    return { rows, otherSheets, text: null };
  }
  if (byBytes) refuse(byBytes);
  const text = decodeNote(bytes);
  if (text.trim() === '') throw new UnreadableNoteError('The file is empty. Nothing was booked in.');
  const kind = kindByText(text);
  refuse(kind);
  return kind === 'html'
    ? { rows: rowsOfHtml(text), otherSheets: [], text: null }
    : { rows: splitRows(text).rows, otherSheets: [], text };
}

/**
 * Reads a delivery note from a file's table, or from its lines where it is a letter; see `readNoteRows`.
 * @throws UnreadableNoteError, NoHeadingError
 */
export function readNoteTable({ rows, otherSheets, text }: NoteTable, help: NoteHelp = {}): DeliveryNote {
  try {
    return { ...readNoteRows(rows, help), unreadSheets: otherSheets };
  } catch (error) {
    const written = error instanceof UnreadableNoteError && text !== null ? readAsWritten(text, help) : null;
    if (written) return written;
    throw error;
  }
}

/** The same from a file's bytes. */
export const readNoteFile = async (bytes: Uint8Array, help: NoteHelp = {}): Promise<DeliveryNote> =>
  readNoteTable(await tableOfFile(bytes), help);
