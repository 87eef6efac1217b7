import type { FlawKind } from '../dock/flaws';
import type { Droop } from '../vase-life/types';

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
}

export interface BenchInput {
  readonly hands: readonly Hands[];
  /** Null where the shop has none: then nothing is dipped hot. */
  readonly kettle: { readonly boilMinutes: number } | null;
  /** Sanitised, ready to fill. */
  readonly pails: readonly BenchPail[];
  readonly lots: readonly WaitingLot[];
  readonly seed: number;
  /** Orders tried; more is slower and never worse. */
  readonly tries: number;
}

/** Work of one pair of hands on a lot in one go, and a wait after it that needs nobody. */
export interface Piece {
  readonly titles: readonly string[];
  readonly handsS: number;
  readonly skill: string | null;
  readonly usesKettle: boolean;
  readonly waitS: number;
}

/** A lot as the planner sees it. */
export interface Job {
  readonly lot: WaitingLot;
  readonly pieces: readonly Piece[];
  /** Days a stem of it has lost when it comes to water after so many seconds dry. */
  readonly lossDays: (dryS: number) => number;
  /** It stands in water as it comes: it may wait and loses nothing. */
  readonly isWet: boolean;
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
  readonly finishS: number;
}
