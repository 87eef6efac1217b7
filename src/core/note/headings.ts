import { foldedUmlauts, foldedWords } from '../species/folded-words';
import { COLUMN_NAMES, HEADING_WORDS, UNIT_WORDS, type HeadingWord } from './units';

/** Everything a column can hold, in the order a note usually has it. */
export const COLUMNS = [
  'deliveryRef',
  'reference',
  'supplier',
  'noteDate',
  'number',
  'code',
  'product',
  'variety',
  'colour',
  'lengthCm',
  'grade',
  'ordered',
  'quantity',
  'unit',
  'boxes',
  'bunchesPerBox',
  'stemsPerBox',
  'bunches',
  'stemsPerBunch',
  'pack',
  'stems',
  'stemsInAll',
  'headsMin',
  'weightG',
  'cutDate',
  'origin',
  'packing',
  'unitPrice',
  'priceUnit',
  'amount',
  'currency',
  'discount',
  'remark',
] as const;
export type Column = (typeof COLUMNS)[number];
/** Columns that say how many there are, in the order a line is read. */
export const COUNT_COLUMNS = [
  'quantity',
  'boxes',
  'bunchesPerBox',
  'stemsPerBox',
  'bunches',
  'stemsPerBunch',
  'pack',
  'stems',
  'stemsInAll',
] as const satisfies readonly Column[];
const isColumn = (text: string): text is Column => (COLUMNS as readonly string[]).includes(text);

type Noun = 'stem' | 'bunch' | 'pack' | 'box' | 'dozen' | 'kg' | 'g' | 'weight' | 'cm';
type Part = { readonly noun: Noun } | { readonly word: HeadingWord } | { readonly unknown: string };

/** What a heading says of its column. */
export interface HeadingMeaning {
  readonly column: Column;
  /** What is counted, or what a price is per, where the heading says. */
  readonly noun: Noun | null;
  /** Said to be of the whole line. */
  readonly isTotal: boolean;
  readonly isShipped: boolean;
}

const FILLERS =
  /^(of|the|de|der|die|das|dem|des|la|le|les|el|los|las|di|do|da|del|della|den|het|een|van|von|und|and|en|et|y|e|i|o|eur|euro|usd|gbp|chf|pln|zl|sek|dkk|nok|as|s|ca|approx|line|zeile|ligne|linea|regel|riga)$/;

/** A compound such as "Bundgröße" or "Stielpreis" as its two known words. */
function compound(token: string): Part[] {
  for (let at = 3; at <= token.length - 3; at++) {
    const [head, tail] = [token.slice(0, at), token.slice(at)];
    const left = partOf(head) ?? partOf(head.replace(/s$/, ''));
    const right = partOf(tail);
    if (left && right) return [left, right];
  }
  return [{ unknown: token }];
}

function partOf(words: string): Part | null {
  const folded = foldedUmlauts(words);
  const word = HEADING_WORDS.get(words) ?? HEADING_WORDS.get(folded);
  if (word) return { word };
  const noun = UNIT_WORDS.get(words) ?? UNIT_WORDS.get(folded);
  return noun ? { noun } : null;
}

/** The parts of a heading, longest phrases first. */
function partsOf(words: string): Part[] {
  const tokens = words.split(' ');
  const parts: Part[] = [];
  for (let at = 0; at < tokens.length;) {
    const three = [3, 2, 1].find(
      (n) => at + n <= tokens.length && partOf(tokens.slice(at, at + n).join(' ')),
    );
    const token = tokens[at] ?? '';
    const part = three && partOf(tokens.slice(at, at + three).join(' '));
    if (part) parts.push(part);
    else if (!FILLERS.test(token)) parts.push(...compound(token));
    at += three ?? 1;
  }
  return parts;
}

const RANK: Readonly<Partial<Record<Noun, number>>> = { stem: 0, bunch: 1, pack: 2, box: 3 };

/** "Stems per bunch", "Bund / Karton": what one holds of the other. */
function contentsOf(inner: Noun, outer: Noun): Column | null {
  if ((RANK[inner] ?? 9) >= (RANK[outer] ?? 9)) return null;
  if (outer === 'box') return inner === 'bunch' || inner === 'pack' ? 'bunchesPerBox' : 'stemsPerBox';
  return outer === 'bunch' ? 'stemsPerBunch' : 'pack';
}

const ALONE: Readonly<Partial<Record<Noun, Column>>> = {
  bunch: 'bunches',
  box: 'boxes',
  pack: 'pack',
  dozen: 'quantity',
};

type Has = (word: HeadingWord) => boolean;
const hasIn =
  (parts: readonly Part[]): Has =>
  (word) =>
    parts.some((p) => 'word' in p && p.word === word);

/** A count of nothing named: shipped, a quantity, the contents of something. */
function countOfNothing(has: Has): Column | null {
  if (has('shipped') || has('quantity')) return 'quantity';
  return has('size') && !has('total') ? 'pack' : null;
}

const CONTENTS_OF: Readonly<Partial<Record<Noun, Column>>> = { bunch: 'stemsPerBunch', box: 'stemsPerBox' };

/** Whether a heading of one noun is of what that holds: "per bunch", "bunch size", "/bunch". */
function isContents(parts: readonly Part[], noun: Noun, words: string): boolean {
  const perAt = parts.findIndex((p) => 'word' in p && p.word === 'per');
  const nounAt = parts.findIndex((p) => 'noun' in p && p.noun === noun);
  return hasIn(parts)('size') || (perAt >= 0 && perAt < nounAt) || words.startsWith('/');
}

function countOfOne(parts: readonly Part[], noun: Noun, words: string): Column | null {
  const has = hasIn(parts);
  // "Stems per unit": in whatever is sold as one.
  if (noun === 'stem') return has('unit') && has('per') ? 'pack' : has('total') ? 'stemsInAll' : 'stems';
  if (isContents(parts, noun, words)) return CONTENTS_OF[noun] ?? 'pack';
  const isCounted = has('quantity') || has('shipped') || has('total');
  return noun === 'pack' && isCounted ? 'quantity' : (ALONE[noun] ?? null);
}

/** Counts: of which noun, of the whole or of a part, ordered or shipped. */
function countColumn(parts: readonly Part[], words: string): Column | null {
  const nouns = parts.flatMap((p) => ('noun' in p ? [p.noun] : [])).filter((n) => n in RANK || n === 'dozen');
  const has = hasIn(parts);
  const [first, second] = [...new Set(nouns)];
  if (has('ordered')) return 'ordered';
  if (first === undefined) return countOfNothing(has);
  if (second === undefined) return countOfOne(parts, first, words);
  // "Stems per bunch" in two languages names each twice.
  return contentsOf(first, second) ?? (has('per') || has('size') ? contentsOf(second, first) : null);
}

const SHORTEST_PREFIX = 4;

/** A column by the longest of its names that the heading begins or ends with: "Length (cm)", "Date of cut, approx". */
function byPartOfName(words: string): Column | null {
  let best: { column: Column; length: number } | null = null;
  for (const [name, column] of COLUMN_NAMES) {
    if (name.length < SHORTEST_PREFIX || name.length <= (best?.length ?? 0) || !isColumn(column)) continue;
    if (words.startsWith(`${name} `) || words.endsWith(` ${name}`)) best = { column, length: name.length };
  }
  return best?.column ?? null;
}

/** Weights: the noun itself, or grams and kilograms alone. */
const isOfWeight = (nouns: readonly Noun[]): boolean =>
  nouns.includes('weight') || (nouns.length > 0 && nouns.every((n) => n === 'kg' || n === 'g'));

/** "€/stelo", "EUR per bunch": money per one of something. */
const MONEY_PER = /^\s*(?:[€£$]|eur|usd|gbp|chf|pln|zł)\s*(?:[/.]|per|pro|par|por|al|je|p\/)/i;

/** The column of a heading whose words are money, weights or counts; null where they are none of these. */
function measuredColumn(parts: readonly Part[], nouns: readonly Noun[], heading: string): Column | null {
  const has = hasIn(parts);
  if (nouns.length > 0 && MONEY_PER.test(heading)) return 'unitPrice';
  if (has('price')) return has('total') || has('amount') ? 'amount' : 'unitPrice';
  if (isOfWeight(nouns)) return nouns.some((n) => n in RANK) ? null : 'weightG';
  if (has('amount')) return 'amount';
  return parts.some((p) => 'unknown' in p) ? null : countedOrSummed(parts, nouns, heading);
}

/** A count; without anything that is counted, a sum of money. */
function countedOrSummed(parts: readonly Part[], nouns: readonly Noun[], heading: string): Column | null {
  const has = hasIn(parts);
  const isSum = nouns.length === 0 && (has('total') || has('net'));
  return countColumn(parts, heading.trim()) ?? (isSum ? 'amount' : null);
}

function meaningOf(heading: string): HeadingMeaning | null {
  const words = foldedWords(heading.replace(/€/g, ' eur ').replace(/%/g, ' pct '));
  if (words === '') return null;
  const parts = partsOf(words);
  const has = hasIn(parts);
  const nouns = parts.flatMap((p) => ('noun' in p ? [p.noun] : []));
  const exact = COLUMN_NAMES.get(words) ?? COLUMN_NAMES.get(foldedUmlauts(words));
  const column =
    exact !== undefined && isColumn(exact)
      ? exact
      : (measuredColumn(parts, nouns, heading) ?? byPartOfName(words));
  return column && { column, noun: nouns.at(-1) ?? null, isTotal: has('total'), isShipped: has('shipped') };
}

const MEANINGS = new Map<string, HeadingMeaning | null>();
const MOST_CACHED = 2000;

/** What a heading says its column holds, in any of ten languages; null where it says nothing known. */
export function readHeading(heading: string): HeadingMeaning | null {
  const kept = MEANINGS.get(heading);
  if (kept !== undefined) return kept;
  if (MEANINGS.size >= MOST_CACHED) MEANINGS.clear();
  const meaning = heading.length > 80 ? null : meaningOf(heading);
  MEANINGS.set(heading, meaning);
  return meaning;
}
