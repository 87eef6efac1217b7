import type { Droop } from '../vase-life/types';
import { sampleInterval } from './sample-interval';

/** What may be wrong with stems at the dock. */
export const FLAWS = {
  broken: { words: 'broken', claim: true, note: null },
  'bruised-outer': {
    words: 'bruised outer petals',
    claim: false,
    note: 'They guard the good ones and come off when it is used: not usually claimed for.',
  },
  'grey-mould': {
    words: 'grey mould',
    claim: true,
    note: 'Stand it apart, dry its petals, bin what is soft.',
  },
  'brown-buds': {
    words: 'brown buds',
    claim: true,
    note: 'Buds of lilies brown when they travelled too cold.',
  },
  chilled: { words: 'chilled', claim: true, note: 'Tropicals: never in the cold room.' },
  soil: { words: 'soil', claim: false, note: 'Rinse the feet under cold running water before cutting.' },
  nectar: { words: 'ants or nectar', claim: false, note: 'Float the heads in tepid water, then shake.' },
  'yellow-leaves': { words: 'yellow leaves', claim: true, note: null },
  'cut-dry': { words: 'cut dry', claim: true, note: 'Recut under water.' },
  'too-tight': { words: 'too tight to open', claim: true, note: null },
  blown: { words: 'blown', claim: true, note: 'Use first.' },
  'few-heads': { words: 'fewer heads than sold', claim: true, note: null },
  short: { words: 'short of the note', claim: true, note: null },
  wrong: { words: 'not what was ordered', claim: true, note: null },
} as const satisfies Record<string, { words: string; claim: boolean; note: string | null }>;
export type FlawKind = keyof typeof FLAWS;
export const FLAW_KINDS = Object.keys(FLAWS) as FlawKind[];

/** Flaws that are counted in a sample; what is short is counted whole. */
export type SampledFlaw = Exclude<FlawKind, 'short'>;
export const SAMPLED_FLAWS: readonly SampledFlaw[] = FLAW_KINDS.filter((k) => k !== 'short');

/** A flaw as it was counted in a sample. */
export interface FlawSeen {
  readonly kind: FlawKind;
  readonly seen: number;
  readonly sample: number;
}

/** What a flaw means for its lot: the stems it likely has, and the range the sample supports. */
export interface FlawInLot extends FlawSeen {
  readonly likelyStems: number;
  readonly lowShare: number;
  readonly highShare: number;
  readonly method: string;
}

const CONFIDENCE = 0.95;

/** A counted flaw carried over to its whole lot. */
export function flawInLot(flaw: FlawSeen, lotStems: number): FlawInLot {
  const sample = Math.min(flaw.sample, lotStems);
  const seen = Math.min(flaw.seen, sample);
  const { low, high, method } = sampleInterval({ seen, sample, lot: lotStems, confidence: CONFIDENCE });
  return {
    ...flaw,
    likelyStems: Math.round((seen / sample) * lotStems),
    lowShare: low,
    highShare: high,
    method,
  };
}

/** "3 of 20: between 5 and 36 %", or the share itself where all were counted. */
export function flawInWords({ seen, sample, lowShare, highShare, method }: FlawInLot): string {
  const percent = (share: number): number => Math.round(share * 100);
  return method === 'counted whole'
    ? `${seen} of ${sample}, all counted: ${percent(lowShare)} %`
    : `${seen} of ${sample}: between ${percent(lowShare)} and ${percent(highShare)} %`;
}

export type Advice = 'accept' | 'use first' | 'reduced price' | 'claim' | 'refuse';

/** What to do with a lot, and why; the shop decides. */
export interface DockAdvice {
  readonly advice: Advice;
  readonly because: string;
}

/** Days under which a lot is to be sold before others, and under which it is hardly worth its work (estimates). */
const USE_FIRST_DAYS = 4;
const HARDLY_DAYS = 1.5;

const saidOf = (flaw: FlawInLot): string => `${FLAWS[flaw.kind].words}, ${flawInWords(flaw)}`;

/** Why a lot is sent back; null where nothing speaks for that. */
function whyRefused(worst: FlawInLot | null, daysLeftP50: number): string | null {
  if (worst && worst.lowShare >= 0.5) return `more than half has it: ${saidOf(worst)}`;
  return daysLeftP50 < HARDLY_DAYS
    ? `hardly a day left in it: ${daysLeftP50.toFixed(1)} at the middle`
    : null;
}

/**
 * Advice for a lot from what was counted, how it stands and how long it lasts. Shares are the low
 * end of what the sample supports, so that nobody is accused on three stems.
 */
export function adviseAtDock(lot: {
  readonly flaws: readonly FlawInLot[];
  readonly droop: Droop;
  readonly daysLeftP50: number;
  /** Stems counted fewer than its note says. */
  readonly stemsShort?: number;
  /** What was measured out of order: a warm box, a chilled one. */
  readonly measured?: readonly string[];
}): DockAdvice {
  const grave = lot.flaws.filter((f) => FLAWS[f.kind].claim);
  const worst = grave.reduce<FlawInLot | null>((w, f) => (f.lowShare > (w?.lowShare ?? 0) ? f : w), null);
  const refused = whyRefused(worst, lot.daysLeftP50);
  if (refused) return { advice: 'refuse', because: refused };
  const short = lot.stemsShort ?? 0;
  if (short > 0) return { advice: 'claim', because: `${short} stems short of the note` };
  if (worst && worst.lowShare >= 0.02)
    return { advice: 'claim', because: `${FLAWS[worst.kind].words}: ${flawInWords(worst)}` };
  if (worst) return { advice: 'reduced price', because: `a few only: ${saidOf(worst)}` };
  const [measured] = lot.measured ?? [];
  if (measured) return { advice: 'reduced price', because: measured };
  if (lot.daysLeftP50 < USE_FIRST_DAYS)
    return { advice: 'use first', because: `${lot.daysLeftP50.toFixed(1)} days left at the middle` };
  return {
    advice: 'accept',
    because:
      lot.droop === 'hanging'
        ? 'nothing counted; look again once it has drunk'
        : 'nothing counted against it',
  };
}
