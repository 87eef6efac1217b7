import type { Droop } from '../vase-life/types';
import { m, type Message, type Words } from '../words/message';
import { sampleInterval } from './sample-interval';

/** What may be wrong with stems at the dock: whether it is claimed for as a rule, and whether there is something to say of it. */
export const FLAWS = {
  broken: { claim: true, hasNote: false },
  'bruised-outer': { claim: false, hasNote: true },
  'grey-mould': { claim: true, hasNote: true },
  'brown-buds': { claim: true, hasNote: true },
  chilled: { claim: true, hasNote: true },
  soil: { claim: false, hasNote: true },
  nectar: { claim: false, hasNote: true },
  'yellow-leaves': { claim: true, hasNote: false },
  'cut-dry': { claim: true, hasNote: true },
  'too-tight': { claim: true, hasNote: false },
  blown: { claim: true, hasNote: true },
  'few-heads': { claim: true, hasNote: false },
  short: { claim: true, hasNote: false },
  wrong: { claim: true, hasNote: false },
} as const satisfies Record<string, { claim: boolean; hasNote: boolean }>;
export type FlawKind = keyof typeof FLAWS;
export const FLAW_KINDS = Object.keys(FLAWS) as FlawKind[];

type NotedFlaw = { [K in FlawKind]: (typeof FLAWS)[K]['hasNote'] extends true ? K : never }[FlawKind];
const isNoted = (kind: FlawKind): kind is NotedFlaw => FLAWS[kind].hasNote;

/** What a flaw is called: "grey mould". */
export const flawName = (kind: FlawKind): Message => m(`dock.flaw.${kind}`);

/** What to do about a flaw, or to know of it; null where nothing is. */
export const flawNote = (kind: FlawKind): Message | null =>
  isNoted(kind) ? m(`dock.flaw-note.${kind}`) : null;

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

const percent = (share: number): number => Math.round(share * 100);
const oneDecimal = (n: number): number => Math.round(n * 10) / 10;

/** "3 of 20: between 5 and 36 %", or the share itself where all were counted. */
export function flawCounted({ seen, sample, lowShare, highShare, method }: FlawInLot): Message {
  return method === 'counted whole'
    ? m('dock.counted-all', { seen, sample, percent: percent(lowShare) })
    : m('dock.counted-between', { seen, sample, low: percent(lowShare), high: percent(highShare) });
}

export type Advice = 'accept' | 'use first' | 'reduced price' | 'claim' | 'refuse';

/** What to do with a lot, and why; the shop decides. */
export interface DockAdvice {
  readonly advice: Advice;
  readonly because: Words;
}

/** Days under which a lot is to be sold before others, and under which it is hardly worth its work (estimates). */
const USE_FIRST_DAYS = 4;
const HARDLY_DAYS = 1.5;

const told = (flaw: FlawInLot): Message =>
  m('dock.flaw-counted', { flaw: flawName(flaw.kind), counted: flawCounted(flaw) });

/** Why a lot is sent back; null where nothing speaks for that. */
function whyRefused(worst: FlawInLot | null, daysLeftP50: number): Message | null {
  if (worst && worst.lowShare >= 0.5) return m('dock.because.most', { flaw: told(worst) });
  return daysLeftP50 < HARDLY_DAYS ? m('dock.because.hardly', { days: oneDecimal(daysLeftP50) }) : null;
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
  readonly measured?: readonly Words[];
}): DockAdvice {
  const grave = lot.flaws.filter((f) => FLAWS[f.kind].claim);
  const worst = grave.reduce<FlawInLot | null>((w, f) => (f.lowShare > (w?.lowShare ?? 0) ? f : w), null);
  const refused = whyRefused(worst, lot.daysLeftP50);
  if (refused) return { advice: 'refuse', because: refused };
  const short = lot.stemsShort ?? 0;
  if (short > 0) return { advice: 'claim', because: m('dock.because.short', { n: short }) };
  if (worst && worst.lowShare >= 0.02)
    return {
      advice: 'claim',
      because: m('dock.flaw-counted', { flaw: flawName(worst.kind), counted: flawCounted(worst) }),
    };
  if (worst) return { advice: 'reduced price', because: m('dock.because.few', { flaw: told(worst) }) };
  const [measured] = lot.measured ?? [];
  if (measured !== undefined) return { advice: 'reduced price', because: measured };
  if (lot.daysLeftP50 < USE_FIRST_DAYS)
    return { advice: 'use first', because: m('dock.because.days', { days: oneDecimal(lot.daysLeftP50) }) };
  return {
    advice: 'accept',
    because: m(lot.droop === 'hanging' ? 'dock.because.look-again' : 'dock.because.nothing'),
  };
}
