import type { FlawKind } from '../dock/flaws';
import type { KeepingPlace } from '../steps/params';
import type { ProtocolStep } from '../protocol/types';
import type { Species } from '../species/species';
import type { Droop } from '../vase-life/types';
import type { Words } from '../words/message';

/** A pair of hands and what they may do: "hot water" for dips. */
export interface Hands {
  readonly name: string;
  readonly skills: readonly string[];
}

export interface BenchPail {
  readonly name: string;
  readonly litres: number;
  readonly heightCm: number;
}

export interface RoomSpace {
  readonly name: string;
  readonly kind: 'cold' | 'warm' | 'floor' | 'bench';
  readonly pails: number | null;
}

/** A lot that waits to be processed, as it came. */
export interface WaitingLot {
  readonly id: string;
  readonly species: string;
  readonly stems: number;
  /** Per stem; null where it bears none. */
  readonly unitPrice: number | null;
  readonly stage: number;
  readonly droop: Droop;
  readonly packing: string;
  /** Reference days of its life that are used. */
  readonly agedDays: number;
  readonly flaws: readonly FlawKind[];
  /** What is left of its protocol; composed from its state where it is not told. */
  readonly steps?: readonly WorkStep[];
  /** Seconds until a clock of it that runs has ended. */
  readonly readyInS?: number;
  /** It stands in water already. */
  readonly isWet?: boolean;
  /** Seconds it still bears dry; what its species bears where it is not told. */
  readonly bearsDryS?: number;
  /** Where its own plan puts it after the drink; its species' place where it is not told. */
  readonly goesTo?: KeepingPlace;
  readonly lengthCm?: number | null;
  /** Lots of one customer's order bear one name. */
  readonly order?: string | null;
}

/** A lot that waits, with what is known of its species. */
export type KnownLot = Omit<WaitingLot, 'species'> & { readonly species: Species };

/** As much of a step as a planner needs. */
export type WorkStep = Pick<ProtocolStep, 'kind' | 'params' | 'title' | 'waitSeconds' | 'pail' | 'who'>;

/** A lot that somebody has in hand: it stays with them until that piece of work is done. */
export interface InHand {
  readonly lot: string;
  readonly hands: string;
}

export interface BenchInput {
  readonly hands: readonly Hands[];
  /** Null where the shop has none: then nothing is dipped hot. */
  readonly kettle: { readonly boilMinutes: number } | null;
  /** Sinks to rinse, plunge and cut under water at; not told, nobody waits for one. */
  readonly sinks?: number;
  /** Where lots go after their drink, with the pails there is space for; null where that is not known. */
  readonly rooms?: readonly RoomSpace[];
  /** The moment it is planned from, ISO; the plan then tells clock times as well. */
  readonly now?: string;
  /** Sanitised, ready to fill. */
  readonly pails: readonly BenchPail[];
  readonly lots: readonly WaitingLot[];
  /** The order of work that stands, a lot once for each of its pieces: kept to, but for what is worth changing. */
  readonly standing?: readonly string[];
  readonly inHand?: readonly InHand[];
  readonly seed: number;
  /** Orders tried; more is slower and never worse. */
  readonly tries: number;
}

/** Work of one pair of hands on a lot in one go, and a wait after it that needs nobody. */
export interface Piece {
  readonly titles: readonly Words[];
  readonly handsS: number;
  readonly skill: string | null;
  readonly usesKettle: boolean;
  readonly usesSink: boolean;
  readonly waitS: number;
  /** While it waits the stems drink: from then on the lot is not dry, whatever is still to be done. */
  readonly wets?: boolean;
}

/** A lot as the planner sees it. */
export interface Job {
  readonly lot: KnownLot;
  readonly pieces: readonly Piece[];
  /** What a stem of it is worth against the middling one of the morning; 1 where no lot bears a price. */
  readonly value: number;
  /** Days a stem of it has lost when it comes to water after so many seconds dry: of what finds no pail, as if never. */
  readonly lossDays: (dryS: number) => number;
  /** Share of its stems that find a pail; all where it is not told. */
  readonly pailShare?: number;
  /** It stands in water as it comes: it may wait and loses nothing. */
  readonly isWet: boolean;
  /** Seconds before which nothing can be done with it. */
  readonly readyInS?: number;
}

/** One piece of work at its time. */
export interface Slot {
  readonly job: number;
  readonly piece: number;
  readonly hand: number;
  readonly startS: number;
  readonly endS: number;
}

export interface Schedule {
  readonly slots: readonly Slot[];
  /** By job: seconds until it stands in water. */
  readonly wetS: readonly number[];
  readonly stemDays: number;
  /** Stem-days by what each stem is worth: what a plan loses least of. */
  readonly cost: number;
  readonly finishS: number;
}

/** So many stems of a lot in a pail. */
export interface PailShare {
  readonly lot: string;
  readonly pail: string;
  readonly stems: number;
}
