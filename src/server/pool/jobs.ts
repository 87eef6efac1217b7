import { DAY_MS } from '@/core/calendar/spans';
import { predictArrangement } from '@/core/arrangement/predict-arrangement';
import { firstGuess, type FirstGuess, type GuessInput } from '@/core/dock/first-guess';
import type { ArrangementForecast, ArrangementInput } from '@/core/arrangement/types';
import { whatADayCosts, type DayCosts } from '@/core/habits/what-a-day-costs';
import { journeyByLogger, loggerInWords, type JourneyOf } from '@/core/logger/journey-by-logger';
import { readLogger } from '@/core/logger/read-logger';
import type { JourneyOutcome } from '@/core/vase-life/journey';
import { waterWorth, type WaterWorth } from '@/core/hygiene/water-worth';
import type { LongestUse } from '@/core/water/pail-water';
import { arrivalNow, type LotHistory } from '@/core/vase-life/lot-history';
import { predictLot } from '@/core/vase-life/predict-lot';
import type { Arrival, LotForecast, LotInput } from '@/core/vase-life/types';
import type { PrintedCard } from '../documents/care-card';
import type { ClaimSheet } from '../documents/claim-sheet';
import type { ProofSheet } from '../documents/proof-sheet';

/** A lot's days left from now, and how it stands now. */
export interface LotNow {
  readonly forecast: LotForecast;
  readonly arrival: Arrival;
}

/** A lot's history, and how long its house lets water stand. */
export interface LotAsStood {
  readonly history: LotHistory;
  readonly use: LongestUse;
}
/** Differences are paired, so that few draws do. */
const WORTH_DRAWS = 80;

interface LoggedDelivery {
  readonly csv: string;
  readonly timeZone: string;
  readonly lots: readonly JourneyOf[];
}
interface LoggedJourneys {
  /** The file in words. */
  readonly words: string;
  /** Whether it was read on the way of the first lot. */
  readonly covers: boolean;
  /** Hours of the best covered journey that the logger tells of, and how long that journey was. */
  readonly loggedHours: number;
  readonly hours: number;
  readonly outcomes: readonly JourneyOutcome[];
}

/** A logger that runs on for weeks is still the one that travelled; of another season it is not. */
const LONGEST_AWAY_MS = 60 * DAY_MS;

function journeysOf({ csv, timeZone, lots }: LoggedDelivery): LoggedJourneys {
  const file = readLogger(csv, timeZone);
  const arrivedMs = lots[0]?.arrivedMs ?? 0;
  const journeys = lots.map((lot) => journeyByLogger(file, lot));
  const met = [...journeys].sort(
    (a, b) => b.journey.loggedHours / b.journey.hours - a.journey.loggedHours / a.journey.hours,
  )[0]?.journey;
  return {
    loggedHours: met?.loggedHours ?? 0,
    hours: met?.hours ?? 0,
    words: loggerInWords(file),
    covers: file.readings.some((r) => r.atMs < arrivedMs && r.atMs > arrivedMs - LONGEST_AWAY_MS),
    outcomes: journeys.map((j) => j.outcome),
  };
}

/**
 * What is worked out off the event loop, by name. All that a job needs travels in its input (a
 * shop's own species and figures too): a worker knows of no shop and asks the database nothing.
 */
export const JOBS = {
  'first-guesses': (inputs: readonly GuessInput[]): FirstGuess[] => inputs.map(firstGuess),
  'lots-now': (inputs: readonly LotInput[]): LotNow[] =>
    inputs.map((input) => ({ forecast: predictLot(input), arrival: arrivalNow(input) })),
  'water-worth': (of: readonly LotAsStood[]): WaterWorth[] =>
    of.map(({ history, use }) => waterWorth(history, use, WORTH_DRAWS)),
  arrangement: (input: ArrangementInput): ArrangementForecast => predictArrangement(input),
  habits: (input: ArrangementInput): DayCosts => whatADayCosts(input),
  journeys: (of: LoggedDelivery): LoggedJourneys => journeysOf(of),
  // What lays documents out is large, and read by the thread that needs it.
  'claim-sheet': async (sheet: ClaimSheet): Promise<Uint8Array<ArrayBuffer>> =>
    (await import('../documents/claim-sheet')).claimSheetPdf(sheet),
  'proof-sheet': async (sheet: ProofSheet): Promise<Uint8Array<ArrayBuffer>> =>
    (await import('../documents/proof-sheet')).proofSheetPdf(sheet),
  'care-card': async (card: PrintedCard): Promise<Uint8Array<ArrayBuffer>> =>
    (await import('../documents/care-card')).careCardPdf(card),
} as const;

/** Jobs that answer a list, each of its inputs by itself. */
export type ListJobName = 'first-guesses' | 'lots-now' | 'water-worth';
export type JobName = keyof typeof JOBS;
export type JobInput<N extends JobName> = Parameters<(typeof JOBS)[N]>[0];
export type JobResult<N extends JobName> = Awaited<ReturnType<(typeof JOBS)[N]>>;
