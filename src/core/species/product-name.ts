import {
  isColourWord,
  isGradeWord,
  isOtherThing,
  MOST_WORDS_OF_A_NAME,
  nameFor,
  type NameFound,
} from './known-names';
import { foldedWords, singular } from './folded-words';

/** Words that say how a flower is built: some of them make another species, so they leave a doubt. */
const BUILD = /^(dbl|double|single|doppel|gefullt|dubbel|doble|doppio|pelny|simple|multi)$/;
/** No stem that is sold is longer; what says so is no length. */
const LONGEST_CM = 300;
const LENGTH =
  /(?<!\d)(\d{2,3})(?:\s*[-–/]\s*\d{2,3})?\s*cm\b|\bcm\.?\s*(\d{2,3})\b|(?<![\w.,])([3-9]0|1[0-2]0|[3-9]5)(?:\s*[-–/]\s*\d{2,3})?(?![\d.,%])(?!\s*(?:st|stk|stems?|x|bd|bu)\b)/i;
/** In quotes; an apostrophe within a word ("Baby's breath") begins none. */
const QUOTED = /(?<![\p{L}\p{N}])[‘“"«„'](?=\S)([^’”"»“']{2,}?)[’”"»“'](?=[^\p{L}\p{N}_]|$)/u;
/** How many buds or heads a stem bears at least: "3+ buds", "5 Knospen". */
export const HEADS =
  /(?<![\d.,])(\d{1,2})(?:\s*[-/]\s*\d{1,2})?\s*[+-]?\s*(?:buds?|blooms?|heads?|knospen?|köpfe|knoppen|koppen|boutons?|t[êe]tes|capullos?|botones|boccioli|p[ąa]ki|p[ąa]k[óo]w)(?!\p{L})/iu;
/** A grade in figures beside the name: "3/5", "2+", "1's"; of lilies it counts the buds. */
const FIGURES = /(?<![\w.,/+-])(\d)(?:[/-]\d{1,2}\+?|\+|'s)(?![\w/+-])/;
/** A code of a catalogue: figures, or letters with figures. */
const CODE = /^(?=.*\d)[a-z0-9]{3,}$/;

/** A product's name with what stands round it taken apart. */
export interface ProductName {
  readonly found: NameFound | null;
  /** Words that name the species, as they stand. */
  readonly named: readonly string[];
  /** A quoted name. */
  readonly quoted: string | null;
  readonly colours: readonly string[];
  readonly lengthCm: number | null;
  /** Buds or heads it says a stem bears at least. */
  readonly headsMin: number | null;
  /** Words about the flower's build, which may make it another. */
  readonly doubtful: readonly string[];
  /** What is left over: a variety, for the most part. */
  readonly unknown: readonly string[];
  /** Names something that is none of ours. */
  readonly isOther: boolean;
  /** Names two species. */
  readonly isTorn: boolean;
}

/** Every choice of up to four of the words, the most words first. */
function* choices(words: readonly string[]): Generator<readonly number[]> {
  const most = Math.min(MOST_WORDS_OF_A_NAME, words.length);
  function* of(size: number, from: number, chosen: readonly number[]): Generator<readonly number[]> {
    if (chosen.length === size) yield chosen;
    else for (let i = from; i < words.length; i++) yield* of(size, i + 1, [...chosen, i]);
  }
  for (let size = most; size > 0; size--) yield* of(size, 0, []);
}

interface Hit extends NameFound {
  readonly at: readonly number[];
}

const MOST_LOOKED_AT = 7;

/** The names among the words, those of more words first, no word in two of them. */
function namesAmong(words: readonly string[]): Hit[] {
  const looked = words.slice(0, MOST_LOOKED_AT);
  const hits: Hit[] = [];
  for (const at of choices(looked)) {
    if (hits.some((h) => h.at.some((i) => at.includes(i)))) continue;
    const words = at.map((i) => looked[i] ?? '').join(' ');
    const found = nameFor(words) ?? nameFor(singular(words));
    if (found) hits.push({ ...found, at });
  }
  return hits;
}

/** The hit that is meant: one that is no colour's word too, where there are others ("Gerbera rosa"). */
function meant(hits: readonly Hit[], words: readonly string[]): { hit: Hit | null; isTorn: boolean } {
  const isColour = (h: Hit): boolean => h.at.every((i) => isColourWord(words[i] ?? ''));
  const names = hits.length > 1 ? hits.filter((h) => !isColour(h)) : hits;
  const left = names.length > 0 ? names : hits;
  const proper = left.filter((h) => !h.isShort);
  const best = proper.length > 0 ? proper : left;
  const first = best[0] ?? null;
  const isTorn = best.some((h) => h.species !== first?.species);
  return { hit: isTorn ? null : first, isTorn };
}

const SPLITS = new Map<string, ProductName>();
const MOST_CACHED = 5000;

/**
 * Takes a product's name apart: "Red Rose 60cm", "Rosa 'Harbour Light' 60", "10334 Mums spray white".
 * Nothing is thrown away: what it does not know is in `unknown`.
 */
export function splitProductName(product: string): ProductName {
  const kept = SPLITS.get(product);
  if (kept) return kept;
  const split = takeApart(product);
  if (SPLITS.size >= MOST_CACHED) SPLITS.clear();
  SPLITS.set(product, split);
  return split;
}

/** The length that stands in a name, with what is left without it. */
function lengthIn(text: string): { lengthCm: number | null; rest: string } {
  const length = LENGTH.exec(text);
  if (!length) return { lengthCm: null, rest: text };
  const told = Number(length[1] ?? length[2] ?? length[3]);
  return { lengthCm: told <= LONGEST_CM ? told : null, rest: text.replace(length[0], ' ') };
}

/** Buds or heads that stand in a name, by their word or as bare figures, with what is left without them. */
function headsIn(text: string): { n: number | null; isSaid: boolean; rest: string } {
  const said = HEADS.exec(text);
  const found = said ?? FIGURES.exec(text);
  if (!found) return { n: null, isSaid: false, rest: text };
  return { n: Number(found[1]), isSaid: said !== null, rest: text.replace(found[0], ' ') };
}

function takeApart(product: string): ProductName {
  const quoted = QUOTED.exec(product)?.[1]?.trim() ?? null;
  const bare = quoted === null ? product : product.replace(QUOTED, ' ');
  const heads = headsIn(bare);
  const { lengthCm, rest } = lengthIn(heads.rest);
  const raw = rest
    .split(/[\s,;:()/|+·]+|(?<=\w)-(?=\s)|\s-|[.](?=\s|$)/)
    .filter((w) => foldedWords(w) !== '');
  const words = raw.map(foldedWords).flatMap((w, at) => w.split(' ').map((word) => ({ word, at })));
  const isOther = isOtherThing(foldedWords(bare));
  const { hit, isTorn } = isOther
    ? { hit: null, isTorn: false }
    : meant(
        namesAmong(words.map((w) => w.word)),
        words.map((w) => w.word),
      );
  const named = new Set((hit?.at ?? []).flatMap((i) => words[i]?.at ?? []));
  const left = raw.map((text, at) => ({ text, word: foldedWords(text), at })).filter((w) => !named.has(w.at));
  const wordsLeft = left.filter((w) => !isGradeWord(w.word) && !CODE.test(w.word));
  const isColour = (w: { word: string }): boolean => w.word.split(' ').every(isColourWord);
  const isUnknown = (w: { word: string }): boolean => !isColour(w) && !BUILD.test(w.word);
  // "Rosa Red Naomi": a colour's word before an unknown one, behind the flower's name, is part of the variety.
  const behind = Math.max(-1, ...named);
  const lastUnknown = Math.max(-1, ...wordsLeft.filter(isUnknown).map((w) => w.at));
  const isOfVariety = (w: { word: string; at: number }): boolean =>
    isUnknown(w) || (isColour(w) && w.at > behind && w.at < lastUnknown);
  return {
    found: hit && { species: hit.species, isShort: hit.isShort },
    named: raw.filter((_, at) => named.has(at)),
    quoted,
    colours: wordsLeft.filter((w) => isColour(w) && !isOfVariety(w)).map((w) => w.text),
    lengthCm,
    headsMin: heads.isSaid || hit?.species.traits.includes('lily') ? heads.n : null,
    doubtful: wordsLeft.filter((w) => BUILD.test(w.word)).map((w) => w.text),
    unknown: wordsLeft.filter(isOfVariety).map((w) => w.text),
    isOther,
    isTorn,
  };
}

/** What a name that was taken apart names, if it names one thing. */
export const foundIn = (split: ProductName): NameFound | null => (split.isOther ? null : split.found);
