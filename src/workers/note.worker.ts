import { expose } from 'comlink';
import { decodeNote } from '@/core/dock/decode';
import { NoHeadingError, readDeliveryNote, UnreadableNoteError, type NoteHelp } from '@/core/dock/read-note';
import type { DeliveryNote } from '@/core/dock/types';

/** What became of a file: read, or to be told which column is what, or refused with why. */
export type NoteRead =
  | { readonly kind: 'read'; readonly note: DeliveryNote }
  | { readonly kind: 'columns'; readonly rows: readonly (readonly string[])[] }
  | { readonly kind: 'refused'; readonly message: string };

const door = {
  /** Reads a note away from the page: thousands of lines hold nothing up. */
  read(bytes: Uint8Array, help: NoteHelp): NoteRead {
    try {
      return { kind: 'read', note: readDeliveryNote(decodeNote(bytes), help) };
    } catch (error) {
      if (error instanceof NoHeadingError) return { kind: 'columns', rows: error.rows };
      if (error instanceof UnreadableNoteError) return { kind: 'refused', message: error.message };
      throw error;
    }
  },
};
export type NoteDoor = typeof door;

expose(door);
