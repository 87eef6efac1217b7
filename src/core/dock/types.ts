export type LineStatus = 'understood' | 'guessed' | 'needs-decision';

/** One line of a delivery note as it was read; what the note does not say is null. */
export interface NoteLine {
  /** Line of the file, from 1. */
  readonly line: number;
  readonly status: LineStatus;
  readonly reasons: readonly string[];
  readonly product: string;
  readonly speciesKey: string | null;
  readonly variety: string | null;
  readonly colour: string | null;
  readonly lengthCm: number | null;
  readonly bunches: number | null;
  readonly stemsPerBunch: number | null;
  readonly stems: number | null;
  readonly weightG: number | null;
  readonly headsMin: number | null;
  /** ISO calendar date. */
  readonly cutDate: string | null;
  readonly origin: string | null;
  readonly packing: string | null;
  readonly unitPrice: number | null;
  readonly currency: string | null;
}

export interface DeliveryNote {
  readonly supplier: string | null;
  readonly deliveryRef: string | null;
  readonly lines: readonly NoteLine[];
}
