import type { PriceUnit } from './read-cells';

/** Past this a file is no delivery note (2 MB is some twenty thousand lines). */
export const NOTE_MAX_BYTES = 2_000_000;

export type LineStatus = 'understood' | 'guessed' | 'needs-decision' | 'ignored';

/** One line of a delivery note as it was read; what the note does not say is null. */
export interface NoteLine {
  /** Line of the file, from 1. */
  readonly line: number;
  readonly status: LineStatus;
  /** Why it was guessed, what is to be decided, or why it is left aside. */
  readonly reasons: readonly string[];
  /** The product's name as the note has it; for a line left aside, the line itself. */
  readonly product: string;
  readonly speciesKey: string | null;
  readonly variety: string | null;
  readonly colour: string | null;
  readonly bunches: number | null;
  readonly stemsPerBunch: number | null;
  readonly stems: number | null;
  readonly weightG: number | null;
  readonly headsMin: number | null;
  readonly lengthCm: number | null;
  /** ISO calendar date. */
  readonly cutDate: string | null;
  readonly origin: string | null;
  readonly packing: string | null;
  readonly unitPrice: number | null;
  readonly priceUnit: PriceUnit | null;
  readonly currency: string | null;
  /** Line of the file that says the same. */
  readonly duplicateOf: number | null;
  readonly remark: string | null;
}

export interface DeliveryNote {
  readonly supplier: string | null;
  readonly deliveryRef: string | null;
  /** ISO calendar date. */
  readonly noteDate: string | null;
  /** The total the note states, and what its lines come to as they stand; null where there are no prices. */
  readonly statedTotal: number | null;
  readonly computedTotal: number | null;
  /** Every line of the file. */
  readonly lines: readonly NoteLine[];
}
