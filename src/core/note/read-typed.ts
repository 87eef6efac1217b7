import type { SpeciesRegistry } from '../species/registry';
import { HEADS, splitProductName } from '../species/product-name';
import { findGrams, stemsByWeight, type GramsFound, type GramsPerStem } from '../dock/grams';
import { matchSpecies, type SpeciesMatch } from '../species/match-species';
import { typedNumber } from '../numbers/read-number';
import { readPrice } from './read-cells';
import { readAmounts } from './quantity-cell';
import { readDate } from '../calendar/read-date';
import { spokenDay } from '../calendar/spoken-day';
import { ignoredLine } from './ignored-line';
import { unitOf } from './units';
import { statusOf } from './read-line';
import { Piecewise } from './piecewise';
import { takeBareCount, takeCounts } from './typed-counts';
import type { DeliveryNote, NoteLine } from './types';

export interface TypedHelp {
  /** ISO date of today: a day without a year is the last such day. */
  readonly today: string;
  readonly gramsPerStem?: GramsPerStem;
  /** The table, with the shop's own; the table alone where it is not told. */
  readonly species?: SpeciesRegistry;
}

/** The longest run of words that names a species, surest first; with the words left over. */
function takeSpecies(
  words: readonly string[],
  registry?: SpeciesRegistry,
): { match: SpeciesMatch | null; rest: string[] } {
  for (const how of ['named', 'likely'] as const)
    for (let length = Math.min(4, words.length); length > 0; length--)
      for (let at = 0; at + length <= words.length; at++) {
        const run = words.slice(at, at + length);
        const match = matchSpecies(run.join(' '), {}, registry);
        // A colour beside the name is no part of it.
        const isName = how === 'likely' || splitProductName(run.join(' ')).colours.length === 0;
        if (match?.how === how && isName)
          return { match, rest: [...words.slice(0, at), ...words.slice(at + length)] };
      }
  return { match: null, rest: [...words] };
}

/** In quotes; an apostrophe within a word begins and ends none. */
const QUOTED = /(?<![\p{L}\p{N}])[‘“"']([^’”"']+)[’”"'](?![\p{L}\p{N}])/u;

/** What is collected of one typed line. */
interface Collected {
  readonly guesses: string[];
  readonly decide: string[];
  readonly notes: string[];
}

function takeCut(line: Piecewise, { decide, notes }: Collected, today: string): string | null {
  const said = line.take(/\bcut\s+(?:on\s+)?([\dA-Za-z./-]+(?:\s+[A-Za-z]{3,}\.?)?(?:\s+\d{4})?)/i);
  if (!said) {
    notes.push('the note does not say when it was cut');
    return null;
  }
  const text = said[1] ?? '';
  const date = spokenDay(text, today) ?? readDate(text, { noteDate: today, dayFirst: true })?.date ?? null;
  if (date === null) decide.push(`cut date “${text}” cannot be read`);
  return date;
}

function takePrice(line: Piecewise) {
  const written = line.take(
    /(?:@|€|£|\$)\s*\d[\d.,]*(?:\s*\/\s*\w+)?|\d+[.,]\d{2}\s*(?:€|£|\$|eur)(?:\s*\/\s*\w+)?/i,
  );
  return written && readPrice(written[0], '.');
}

/** A typed weight's point is of its decimals: nobody types tonnes. */
function takeWeight(line: Piecewise): number | null {
  const weighed = line.take(/\d+(?:[.,]\d+)?\s*(?:kg|gr?|grams?)\b/i);
  return weighed && (readAmounts(weighed[0], typedNumber)?.weightG ?? null);
}

/** Counts and length, which may both be bare numbers: what is left once the stems are counted is how long they are. */
function takeNumbers(line: Piecewise, weightG: number | null) {
  const length = line.take(/(?<![\d.,])(\d{2,3})(?:[-–/]\d{2,3})?\s*cm\b/i);
  const { asks, ...counts } = takeCounts(line);
  const isCounted = counts.stems !== null || counts.bunches !== null || asks !== null || weightG !== null;
  const stems = counts.stems ?? (isCounted ? null : takeBareCount(line));
  const bareLength = length ?? line.take(/(?<![\d.,/-])([2-9]\d|1\d\d)(?![\d.,/]*\d)/);
  return { ...counts, stems, lengthCm: bareLength && Number(bareLength[1]), asks };
}

/** Figures that nothing was read from are asked about, and stand in no colour. */
function askedOf(rest: readonly string[], { decide }: Collected): string | null {
  const unread = rest.filter((word) => /\d/.test(word));
  if (unread.length > 0) decide.push(`what is “${unread.join(' ')}”?`);
  const isName = (word: string): boolean =>
    /\p{L}/u.test(word) && !/^(?:of|de|di|von|van|\/\p{L}+)$/iu.test(word);
  return rest.filter((word) => !unread.includes(word) && isName(word)).join(' ') || null;
}

/** Stems by what they weigh, where nobody counted them. */
function stemsOf(
  { stems: counted, asks }: Pick<ReturnType<typeof takeNumbers>, 'stems' | 'asks'>,
  weightG: number | null,
  grams: GramsFound | null,
  { decide, notes }: Collected,
): number | null {
  if (counted !== null) return counted;
  if (asks !== null && weightG === null) {
    decide.push(asks);
    return null;
  }
  if (weightG !== null && grams !== null) {
    const told = stemsByWeight(weightG, grams);
    notes.push(told.words);
    return told.stems;
  }
  decide.push(weightG === null ? 'no count of stems' : `${weightG} g: how many stems?`);
  return null;
}

/** "1.200 tallos": the point of a count is of its thousands; that of a weight or a price is not. */
const withoutThousands = (text: string): string =>
  text.replace(
    /(?<![\d.,])(\d{1,3})[.,’'](\d{3})(\s*(\p{L}+))/gu,
    (whole, high: string, low: string, rest: string, word: string) => {
      const unit = unitOf(word);
      return unit === 'stem' || unit === 'bunch' ? `${high}${low}${rest}` : whole;
    },
  );

/** No stem that is sold by the bunch costs more, in the money notes come in. Estimate. */
const DEAREST_IN_BUNCH = 5;

function priceOf(price: ReturnType<typeof takePrice>, weightG: number | null, bunches: number | null) {
  if (!price) return { unitPrice: null, priceUnit: null, currency: null };
  const isOfBunch = bunches !== null && price.amount > DEAREST_IN_BUNCH;
  const usual = weightG !== null ? ('kg' as const) : isOfBunch ? ('bunch' as const) : ('stem' as const);
  return { unitPrice: price.amount, priceUnit: price.unit ?? usual, currency: price.currency };
}

/** A greeting or a signature among the lines of a letter: no figure in it, no flower, and a sentence or several words. */
const isTalk = (text: string, registry?: SpeciesRegistry): boolean =>
  !/\d/.test(text) &&
  (/[:,!.?]\s*$/.test(text) || text.trim().split(/\s+/).length >= 3) &&
  takeSpecies(new Piecewise(text).words(), registry).match === null;

function readTypedLine(text: string, at: number, help: TypedHelp): NoteLine {
  if (text.trim() === '') return ignoredLine(at, '', 'an empty line');
  const line = new Piecewise(withoutThousands(text));
  const said: Collected = { guesses: [], decide: [], notes: [] };
  const cutDate = takeCut(line, said, help.today);
  if (isTalk(text, help.species)) return ignoredLine(at, text.trim(), 'names no flower and no figure');
  const variety = line.take(QUOTED)?.[1]?.trim() ?? null;
  const price = takePrice(line);
  const weightG = takeWeight(line);
  const heads = line.take(HEADS);
  const { asks, ...numbers } = takeNumbers(line, weightG);
  const { match, rest } = takeSpecies(line.words(), help.species);
  if (!match) said.decide.push(`no species we know is named in “${text.trim()}”`);
  else if (match.how === 'likely') said.guesses.push(match.reason);
  const grams = match && findGrams(help.gramsPerStem ?? {}, match.species, numbers.lengthCm);
  const colour = askedOf(rest, said);
  const stems = stemsOf({ stems: numbers.stems, asks }, weightG, grams, said);
  return {
    ...ignoredLine(at, text.trim(), ''),
    status: statusOf(said.guesses, said.decide),
    reasons: [...said.decide, ...said.guesses, ...said.notes],
    decisions: said.decide.length,
    guesses: said.guesses.length,
    speciesKey: match && match.species.key,
    variety,
    colour,
    ...numbers,
    stems,
    weightG,
    headsMin: heads && Number(heads[1]),
    cutDate,
    ...priceOf(price, weightG, numbers.bunches),
  };
}

/**
 * Reads lines as a florist types them: "6x25 rose 60 deep red, cut 19/11", "850 g mimosa",
 * "12 stems iris ‘Slack Water’ @0.30". Every line comes back, as from a file.
 */
export function readTypedLines(text: string, help: TypedHelp): DeliveryNote {
  const lines = text
    .replace(/\r\n?/g, '\n')
    .replace(/\n$/, '')
    .split('\n')
    .map((line, i) => readTypedLine(line, i + 1, help));
  return {
    supplier: null,
    deliveryRef: null,
    noteDate: help.today,
    statedTotal: null,
    computedTotal: null,
    unreadColumns: [],
    unreadSheets: [],
    readColumns: {},
    meaning: {},
    meaningBy: null,
    question: null,
    usual: null,
    make: { shape: '', hasHeading: false, saved: null, isRemembered: false },
    lines,
  };
}
