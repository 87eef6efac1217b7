import { decodeNote } from './decode';
import { isTable, kindByBytes, kindByText, NOT_A_TABLE, type FileKind } from './file-kind';
import { rowsOfHtml } from './html-table';
import { UnreadableNoteError, type NoteHelp } from './note-help';
import { readNoteRows } from './read-note';
import { splitRows, type FileRow } from './split-rows';
import type { DeliveryNote } from './types';
import { rowsOfWorkbook } from './workbook';

/** A file's rows, whatever kind of table it is. */
export interface NoteTable {
  readonly rows: readonly FileRow[];
  readonly otherSheets: readonly string[];
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
    return { rows, otherSheets };
  }
  if (byBytes) refuse(byBytes);
  const text = decodeNote(bytes);
  if (text.trim() === '') throw new UnreadableNoteError('The file is empty. Nothing was booked in.');
  const kind = kindByText(text);
  refuse(kind);
  return { rows: kind === 'html' ? rowsOfHtml(text) : splitRows(text).rows, otherSheets: [] };
}

/**
 * Reads a delivery note from a file's bytes; see `readNoteRows`.
 * @throws UnreadableNoteError, NoHeadingError
 */
export async function readNoteFile(bytes: Uint8Array, help: NoteHelp = {}): Promise<DeliveryNote> {
  const { rows, otherSheets } = await tableOfFile(bytes);
  return { ...readNoteRows(rows, help), unreadSheets: otherSheets };
}
