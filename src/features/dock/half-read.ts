import type { OrderLine } from '@/core/dock/compare-order';
import type { SavedColumns } from '@/core/note/columns';
import type { DeliveryNote } from '@/core/note/types';
import type { DraftLine } from './draft-lines';

/** A note that was read and is not booked yet, as it is kept on this tablet. */
export interface HalfRead {
  readonly fileName: string;
  /** The note without the lines that are in `lines`. */
  readonly note: DeliveryNote;
  readonly lines: readonly DraftLine[];
  readonly supplier: string;
  readonly deliveryRef: string;
  readonly expectedId: string | null;
  /** Columns as somebody said they are, to be remembered with the booking. */
  readonly columns: NamedColumns | null;
}

/** Columns somebody named, with the make of the note they are of. */
export interface NamedColumns {
  readonly shape: string;
  readonly saved: SavedColumns;
}

/** Where a half-read note is kept; what an older reader kept under another name has less in it. */
export const HALF_READ = 'note, as read';

/** An order that a note can be held against. */
export interface Expected {
  readonly id: string;
  readonly supplier: string;
  readonly orderRef: string;
  readonly dueOn: string;
  readonly lines: readonly OrderLine[];
}
