import type { SavedColumns } from './columns';
import type { Column } from './headings';
import type { Asked, Meaning } from './meaning';
import type { PriceUnit } from './read-cells';

/** Past this a file is no delivery note (2 MB is some twenty thousand lines). */
export const NOTE_MAX_BYTES = 2_000_000;

export type LineStatus = 'understood' | 'guessed' | 'needs-decision' | 'ignored';

/** One of the things a line's counts could mean. */
export interface CountReading {
  readonly meaning: Meaning;
  readonly words: string;
  readonly bunches: number | null;
  readonly stemsPerBunch: number | null;
  /** Null where this reading leaves the stems to be told. */
  readonly stems: number | null;
}

/** One line of a delivery note as it was read; what the note does not say is null. */
export interface NoteLine {
  /** Line of the file, from 1. */
  readonly line: number;
  /** The supplier's own number of the line, as it is written. */
  readonly supplierLine: string | null;
  readonly status: LineStatus;
  /** Why it was guessed, what is to be decided, or why it is left aside. */
  readonly reasons: readonly string[];
  /** How many of the reasons, from the first, are to be decided, and how many after these were guesses. */
  readonly decisions: number;
  readonly guesses: number;
  /** The product's name as the note has it; for a line left aside, the line itself. */
  readonly product: string;
  readonly speciesKey: string | null;
  /** Its species is what this shop chose for such words of this supplier before. */
  readonly isRemembered: boolean;
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
  /** A price that could not be read, as it is written. */
  readonly priceAsWritten: string | null;
  /** What was ordered, as it is written beside what was sent. */
  readonly ordered: string | null;
  /** Line of the file that says the same. */
  readonly duplicateOf: number | null;
  readonly remark: string | null;
  /** What its counts could mean, where that is two things or more. */
  readonly readings?: readonly CountReading[];
  /** The cells it was read from, by what they were taken to be. */
  readonly readFrom: Readonly<Partial<Record<Column, string>>>;
}

/** What is asked once for the whole note. */
export interface NoteQuestion {
  readonly about: readonly Asked[];
  readonly answers: readonly {
    readonly meaning: Meaning;
    readonly words: string;
    readonly example: string;
  }[];
  /** Lines that wait for the answer. */
  readonly lines: number;
}

/** What a supplier usually sends of a line: stems, half of its lines have fewer. */
export interface UsualStems {
  /** Of any line. */
  readonly ofAny: number;
  readonly bySpecies: Readonly<Record<string, number>>;
}

export interface DeliveryNote {
  readonly supplier: string | null;
  readonly deliveryRef: string | null;
  /** ISO calendar date. */
  readonly noteDate: string | null;
  /** The total the note states, and what its lines come to as they stand; null where there are no prices. */
  readonly statedTotal: number | null;
  readonly computedTotal: number | null;
  /** Headings of columns nothing was read from. */
  readonly unreadColumns: readonly string[];
  /** Sheets of a workbook that have something on them and were not read. */
  readonly unreadSheets: readonly string[];
  /** The heading each thing was read under. */
  readonly readColumns: Readonly<Partial<Record<Column, string>>>;
  /** What the counts were taken to mean where the headings leave it open, and by what. */
  readonly meaning: Meaning;
  readonly meaningBy: 'arithmetic' | 'memory' | 'said' | null;
  readonly question: NoteQuestion | null;
  /** What its supplier usually sends of a line, where enough is known: counts that are answered are held against it. */
  readonly usual: UsualStems | null;
  /** What tells this supplier's next note to be of the same make, with what is remembered of it. */
  readonly make: {
    readonly shape: string;
    readonly hasHeading: boolean;
    readonly saved: SavedColumns | null;
    readonly isRemembered: boolean;
  };
  /** Every line of the file. */
  readonly lines: readonly NoteLine[];
}
