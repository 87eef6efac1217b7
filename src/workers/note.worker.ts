import { expose } from 'comlink';
import { decodeNote } from '@/core/dock/decode';
import { splitRows } from '@/core/dock/split-rows';
import { NoHeadingError, readDeliveryNote, UnreadableNoteError, type NoteHelp } from '@/core/dock/read-note';
import type { DeliveryNote } from '@/core/dock/types';
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
function firstRowsOfTable(text: string): FirstRows {
  const { rows, heading } = splitRows(text);
  const at = Math.max(0, heading?.at ?? 0);
  return rows.slice(at, at + SHOWN_ROWS).map((r) => r.cells);
}

const door = {
  /** Reads a note away from the page: thousands of lines hold nothing up. */
  read(bytes: Uint8Array, help: NoteHelp, own: readonly Species[]): NoteRead {
    try {
      const text = decodeNote(bytes);
      const note = readDeliveryNote(text, { ...help, species: registryWith(own) });
      return { kind: 'read', note, rows: firstRowsOfTable(text) };
    } catch (error) {
      if (error instanceof NoHeadingError) return { kind: 'columns', rows: error.rows };
      if (error instanceof UnreadableNoteError) return { kind: 'refused', message: error.message };
      throw error;
    }
  },
};
export type NoteDoor = typeof door;

expose(door);
