import { countUnder, type Counted } from './count-under';
import type { LineFacts } from './line-facts';
import { meaningInWords, type Meaning } from './meaning';
import type { PriceUnit } from './read-cells';
import { unitOf } from './units';
import type { Evidence, Settled } from './settle';
import type { CountReading } from './types';

/** What a line's counts come to, once the note's are settled, with what is still to be decided. */
export interface LineCounts {
  readonly bunches: number | null;
  readonly stemsPerBunch: number | null;
  readonly stems: number | null;
  readonly weightG: number | null;
  readonly ordered: string | null;
  readonly decide: readonly string[];
  readonly guesses: readonly string[];
  readonly notes: readonly string[];
  readonly readings: readonly CountReading[];
  /** Something about its stems is asked already. */
  readonly isAsked: boolean;
  /** What the price is per, as the line's sum tells. */
  readonly pricedPer: PriceUnit | null;
}

const EACH =
  /(\d+)\s*([\p{L}.]+)\s*(?:\/|per|pro|je|par|por|al|an?|na|w)\s*([\p{L}]+)|(\d+)\s*er[\s-]?([\p{L}]+)|([\p{L}]+)\s+(?:of|à|a|von|van|de|da|po|x)\s+(\d+)\b/giu;

/** "Rose Red Naval 70cm x20": what is sold as one is of so many. */
const TIMES_AT_END = /(?:^|\s)[x×]\s?(\d{1,3})\s*$/i;

function timesAtEnd(text: string): number | null {
  const times = Number(TIMES_AT_END.exec(text)?.[1] ?? 0);
  return times > 1 ? times : null;
}

/** Stems a bunch as a remark or a name tells them: "approx 10 stems/bunch", "10er Bund", "bunch of 10". */
export function perBunchIn(text: string): number | null {
  for (const m of text.matchAll(EACH)) {
    const n = Number(m[1] ?? m[4] ?? m[7]);
    const [inner, outer] = [m[2] ?? 'stems', m[3] ?? m[5] ?? m[6] ?? ''];
    if (unitOf(inner) === 'stem' && unitOf(outer) === 'bunch' && n > 0 && n <= 200) return n;
  }
  return timesAtEnd(text);
}

const STEMS_IN_NAME = /(?<![\w.,])(\d{1,3})\s*(\p{L}+)\b/giu;

/** Stems that stand in a name by themselves: "Tulip red 10st". */
export function stemsIn(text: string): number | null {
  for (const m of text.matchAll(STEMS_IN_NAME)) if (unitOf(m[2] ?? '') === 'stem') return Number(m[1]);
  return null;
}

const PER_OF: readonly (readonly [PriceUnit, keyof Counted])[] = [
  ['stem', 'stems'],
  ['bunch', 'bunches'],
  ['box', 'boxes'],
];

/** What a line's price is per, where its sum is the price times one of its counts and no other. */
function pricedPer(counted: Counted, { price, amount }: Evidence): PriceUnit | null {
  if (price === null || amount === null || price <= 0) return null;
  const fits = PER_OF.filter(([, of]) => {
    const n = counted[of];
    return typeof n === 'number' && Math.abs(amount - price * n) <= 0.011 + 0.004 * amount;
  });
  return fits.length === 1 ? (fits[0]?.[0] ?? null) : null;
}

/** What a line lacks to be counted, in words; null where it lacks nothing, or a weight will tell. */
function lacking(facts: LineFacts, counted: Counted): string | null {
  if (counted.stems !== null || facts.weightG !== null) return null;
  if (counted.bunches !== null) return 'no count of stems a bunch';
  return counted.boxes !== null ? 'no count of stems a box' : 'no count of stems';
}

const isOfCount = (problem: string): boolean => !problem.startsWith('weight');
const outcome = (c: Counted): string => `${c.stems} ${c.bunches} ${c.stemsPerBunch}`;

/** Every way a line could be meant that comes out otherwise, each once. */
function readingsOf(left: readonly { m: Meaning; c: Counted }[], settled: Settled): CountReading[] {
  const seen = new Set<string>();
  return left.flatMap(({ m, c }) => {
    if (c.contradiction !== null || seen.has(outcome(c))) return [];
    seen.add(outcome(c));
    return [
      {
        meaning: Object.fromEntries(settled.asked.map((key) => [key, m[key]])),
        words: meaningInWords(m, settled.asked),
        bunches: c.bunches,
        stemsPerBunch: c.stemsPerBunch,
        stems: c.stems,
      },
    ];
  });
}

const inWords = (r: CountReading): string =>
  r.stems === null ? `${r.bunches ?? '?'} bunches` : `${r.stems} stems`;

/** What is asked of a line that could be meant in several ways. */
export const countQuestion = (readings: readonly CountReading[]): string =>
  `${readings.map(inWords).join(' or ')}?`;

/** Words that may say how many stems are in a bunch. */
export interface Hint {
  readonly remark: string;
  readonly name: string;
}

/** Bunches whose stems only a remark or the name tells. */
function byHint(facts: LineFacts, hint: Hint, counted: Counted): { counted: Counted; guess: string | null } {
  const { bunches } = counted;
  const isOpen = counted.stems === null && counted.stemsPerBunch === null && facts.problems.length === 0;
  if (bunches === null || !isOpen) return { counted, guess: null };
  const remarked = perBunchIn(hint.remark);
  const each = remarked ?? perBunchIn(hint.name) ?? stemsIn(hint.name);
  if (each === null) return { counted, guess: null };
  return {
    counted: { ...counted, stemsPerBunch: each, stems: bunches * each },
    guess: `${each} stems a bunch by its ${remarked === null ? 'name' : 'remark'}`,
  };
}

/** What is to be decided of counts that could be meant in one way only. */
function doubtsOf(facts: LineFacts, first: Counted, told: ReturnType<typeof byHint>): string[] {
  if (first.contradiction !== null) return [first.contradiction];
  if (facts.problems.some(isOfCount) || told.guess !== null) return [];
  const lack = lacking(facts, told.counted);
  if (lack === null) return [];
  const isOrdered = facts.ordered !== null && lack === 'no count of stems';
  return [isOrdered ? `${facts.ordered} ordered, and no count of what came` : lack];
}

function notesOf(facts: LineFacts, first: Counted, doubts: readonly string[]): string[] {
  const ordered =
    facts.ordered !== null && !doubts.some((d) => d.includes('ordered')) ? [`ordered: ${facts.ordered}`] : [];
  const isOdd = first.isUneven && first.bunches !== null;
  return isOdd
    ? [...ordered, `${first.stems} stems do not go evenly into ${first.bunches} bunches`]
    : ordered;
}

/** A line whose counts wait for what is asked of the whole note. */
const openCounts = (facts: LineFacts, readings: readonly CountReading[]): LineCounts => ({
  weightG: facts.weightG,
  ordered: facts.ordered,
  bunches: null,
  stemsPerBunch: null,
  stems: null,
  decide: [...facts.problems, countQuestion(readings)],
  guesses: [],
  notes: facts.ordered === null ? [] : [`ordered: ${facts.ordered}`],
  readings,
  isAsked: true,
  pricedPer: null,
});

/**
 * The counts of one line under what the note's were settled to mean. A line that comes out the same
 * whatever they mean has nothing to ask.
 */
export function lineCounts(evidence: Evidence, settled: Settled, hint: Hint): LineCounts {
  const left = settled.left.map((m) => ({ m, c: countUnder(evidence.facts(m), m) }));
  const facts = evidence.facts(settled.left[0] ?? {});
  const readings = settled.asked.length > 0 ? readingsOf(left, settled) : [];
  if (readings.length > 1) return openCounts(facts, readings);
  const first = (left.find(({ c }) => c.contradiction === null) ?? left[0])?.c ?? countUnder(facts, {});
  const told = byHint(facts, hint, first);
  const doubts = doubtsOf(facts, first, told);
  const isUnclear = first.contradiction !== null || facts.problems.some(isOfCount);
  return {
    weightG: facts.weightG,
    ordered: facts.ordered,
    bunches: told.counted.bunches,
    stemsPerBunch: told.counted.stemsPerBunch,
    stems: isUnclear ? null : told.counted.stems,
    decide: [...facts.problems, ...doubts],
    guesses: told.guess === null ? [] : [told.guess],
    notes: notesOf(facts, first, doubts),
    readings: [],
    isAsked: isUnclear || facts.problems.length + doubts.length > 0,
    pricedPer: isUnclear ? null : pricedPer(told.counted, evidence),
  };
}
