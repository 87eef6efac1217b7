import { expose } from 'comlink';
import { findHeading } from '@/core/note/columns';
import { NoHeadingError, UnreadableNoteError, type NoteHelp } from '@/core/note/note-help';
import { readNoteTable, tableOfFile } from '@/core/note/read-file';
import type { FileRow } from '@/core/note/split-rows';
import type { DeliveryNote } from '@/core/note/types';
import { registryWith } from '@/core/species/registry';
import type { Species } from '@/core/species/species';

/** The first rows of a file, for saying which column is what. */
export type FirstRows = readonly (readonly string[])[];
const SHOWN_ROWS = 6;

/** What became of a file: read, or to be told which column is what, or refused with why. */
export type NoteRead =
  | { readonly kind: 'read'; readonly note: DeliveryNote; readonly rows: FirstRows }
  | { readonly kind: 'columns'; readonly rows: FirstRows }
  | { readonly kind: 'refused'; readonly message: string };

/** From the first row that looks like a table's: a letter head above it has no columns to name. */
function firstRowsOfTable(rows: readonly FileRow[]): FirstRows {
  const cells = rows.map((r) => r.cells);
  const at = Math.max(0, findHeading(cells)?.at ?? 0);
  return cells.slice(at, at + SHOWN_ROWS);
}

const door = {
  /** Reads a note away from the page: thousands of lines hold nothing up. */
  async read(bytes: Uint8Array, help: NoteHelp, own: readonly Species[]): Promise<NoteRead> {
    try {
      const table = await tableOfFile(bytes);
      const note = readNoteTable(table, { ...help, species: registryWith(own) });
      return { kind: 'read', note, rows: firstRowsOfTable(table.rows) };
    } catch (error) {
      if (error instanceof NoHeadingError) return { kind: 'columns', rows: error.rows };
      if (error instanceof UnreadableNoteError) return { kind: 'refused', message: error.message };
      throw error;
    }
  },
};
export type NoteDoor = typeof door;

expose(door);
