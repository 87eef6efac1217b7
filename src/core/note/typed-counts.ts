import { unitOf, type Unit } from './units';
import type { Piecewise } from './piecewise';

/** What is counted on a typed line. What cannot be settled is said in `asks`. */
export interface TypedCounts {
  readonly bunches: number | null;
  readonly stemsPerBunch: number | null;
  readonly stems: number | null;
  readonly asks: string | null;
}

const MOST = 100_000;
const NOTHING: TypedCounts = { bunches: null, stemsPerBunch: null, stems: null, asks: null };
const DOZEN = 12;

/** A whole number of things, 1 to 100 000; null for anything else. */
function countOf(text: string | undefined): number | null {
  const value = Number(text);
  return text !== undefined && Number.isInteger(value) && value > 0 && value <= MOST ? value : null;
}

const within = (n: number | null): number | null => (n !== null && n <= MOST ? n : null);
const times = (...factors: readonly (number | null)[]): number | null =>
  within(factors.reduce<number | null>((n, f) => (n === null || f === null ? null : n * f), 1));

/** A number that is no part of another, of a price or of a length. */
const NUMBER = String.raw`(?<![\d.,/€£$-])(\d{1,9})(?![\d.,/]*\d)(?!\s*(?:cm\b|€|£|\$|eur\b))`;
const COUNTED = new RegExp(`${NUMBER}\\s*(\\p{L}+)`, 'u');
/** What joins a bunch to what is in it: "of 10", "à 20 St", "je 10". */
const HOLDS = new RegExp(
  `(?:\\b(?:of|a|x|je|mit|with|con|de|per|van|met)\\b|à|×|\\*)\\s*${NUMBER}(?:\\s*(\\p{L}+))?`,
  'iu',
);
const EACH = /\b(?:each|ea|apiece|(?:per|a|the)\s+bunch|je\s+bund|cada(?:\s+uno)?)\b/i;

/** Takes a number that counts one of those units, with its word. */
function takeCounted(line: Piecewise, units: readonly Unit[]): number | null {
  const found = line.takeWhere(COUNTED, ([, , word = '']) => {
    const unit = unitOf(word);
    return unit !== null && units.includes(unit);
  });
  return found ? countOf(found[1]) : null;
}

/** "of 10", "à 20 St": how many stems, or bunches, are in what was counted before. */
function takeHolds(line: Piecewise): { n: number | null; unit: Unit | null } | null {
  const found = line.takeWhere(
    HOLDS,
    ([, , word]) => {
      const unit = word === undefined ? null : unitOf(word);
      return unit === null || unit === 'stem' || unit === 'bunch' || unit === 'pack';
    },
    ([whole, number = '', word]) =>
      // A word behind it that is no unit is the flower's: "of 10 tulips".
      word === undefined || unitOf(word) !== null
        ? whole
        : whole.slice(0, whole.indexOf(number) + number.length),
  );
  if (!found) return null;
  return { n: countOf(found[1]), unit: found[2] === undefined ? null : unitOf(found[2]) };
}

const PER = new RegExp(`${NUMBER}\\s*(?:\\p{L}+\\s*)?(?:\\b(?:per|pro|par|por|al)\\b|/)\\s*(\\p{L}+)`, 'iu');

/** "(10 stems each)", "10 per bunch": stems of one bunch, where it says so. */
function takeEach(line: Piecewise): number | null {
  const per = line.takeWhere(PER, ([, , word = '']) => unitOf(word) === 'bunch');
  if (per) return countOf(per[1]);
  if (!line.has(EACH)) return null;
  const stems = takeCounted(line, ['stem']);
  if (stems !== null) line.take(EACH);
  return stems;
}

/** Stems in a bunch as bunches come. Estimate. */
const [FEWEST_IN_BUNCH, MOST_IN_BUNCH] = [3, 60];
const isOfOne = (n: number): boolean => Number.isInteger(n) && n >= FEWEST_IN_BUNCH && n <= MOST_IN_BUNCH;

/**
 * "(10 stems)", "(10s)" behind bunches: in each, where all together would leave too few in one; null where
 * they could be either, which is asked.
 */
function takeBracketed(line: Piecewise, bunches: number): number | null {
  const found = line.takeWhere(/\(\s*(\d{1,4})\s*(\p{L}*)\.?\s*\)/u, ([, n, word = '']) => {
    const isStems = word === '' || word === 's' || unitOf(word) === 'stem';
    return isStems && isOfOne(Number(n)) !== isOfOne(Number(n) / bunches);
  });
  const n = countOf(found?.[1]);
  return n === null || isOfOne(n) ? n : n / bunches;
}

/** Bunches, or packs, with what is in each; asked about where nothing says it. */
function ofBunches(line: Piecewise, bunches: number): TypedCounts {
  const holds = takeHolds(line);
  const stemsPerBunch = holds ? holds.n : (takeEach(line) ?? takeBracketed(line, bunches));
  return {
    bunches,
    stemsPerBunch,
    stems: times(bunches, stemsPerBunch),
    asks: stemsPerBunch === null ? `${bunches} bunches of how many stems?` : null,
  };
}

/** Boxes of bunches of stems, or of stems. */
function ofBoxes(line: Piecewise, boxes: number): TypedCounts {
  const holds = takeHolds(line);
  const inBox =
    holds?.unit === 'bunch' || holds?.unit === 'pack' ? holds.n : takeCounted(line, ['bunch', 'pack']);
  const bunches = times(boxes, inBox);
  if (bunches !== null) return ofBunches(line, bunches);
  const inEach = holds ? holds.n : takeEach(line);
  return {
    ...NOTHING,
    stems: times(boxes, inEach),
    asks: inEach === null ? `${boxes} boxes of how many stems?` : null,
  };
}

/** "6x25", "2 x 20 x 5": bunches of stems, or boxes of bunches of stems. */
function takeProduct(line: Piecewise): TypedCounts | null {
  const by = String.raw`\s*[x×*]\s*`;
  const three = line.take(new RegExp(`${NUMBER}${by}${NUMBER}${by}${NUMBER}`, 'iu'));
  const two = three ?? line.take(new RegExp(`${NUMBER}${by}${NUMBER}`, 'iu'));
  if (!two) return null;
  const [first, second, third] = two.slice(1).map(countOf);
  const bunches = three ? times(first ?? null, second ?? null) : (first ?? null);
  const stemsPerBunch = (three ? third : second) ?? null;
  return { bunches, stemsPerBunch, stems: times(bunches, stemsPerBunch), asks: null };
}

/** "wraps of 20" with no count of them: in each of what the line's first number counts. */
const OF_EACH = /(\p{L}+)\s+(?:of|à|je|van|von|de|di)\s*(\d{1,3})(?!\d)/iu;

function takeOfEach(line: Piecewise): TypedCounts | null {
  const each = line.takeWhere(OF_EACH, ([, word = '']) => {
    const unit = unitOf(word);
    return unit === 'bunch' || unit === 'pack';
  });
  if (!each) return null;
  const bunches = countOf(line.take(new RegExp(`${NUMBER}\\s*[x×*]?(?!\\p{L})`, 'iu'))?.[1]);
  const stemsPerBunch = countOf(each[2]);
  return {
    bunches,
    stemsPerBunch,
    stems: times(bunches, stemsPerBunch),
    asks: bunches === null ? `how many bunches of ${each[2] ?? ''}?` : null,
  };
}

/** Takes what is counted out of a typed line: bunches, boxes, dozens or stems, in the words of any language notes come in. */
export function takeCounts(line: Piecewise): TypedCounts {
  const product = takeProduct(line);
  if (product) return product;
  const boxes = takeCounted(line, ['box']);
  if (boxes !== null) return ofBoxes(line, boxes);
  const bunches = takeCounted(line, ['bunch', 'pack']);
  if (bunches !== null) return ofBunches(line, bunches);
  const ofEach = takeOfEach(line);
  if (ofEach) return ofEach;
  const dozens = takeCounted(line, ['dozen']) ?? (line.take(/\ba\s+dozen\b/i) ? 1 : null);
  if (dozens !== null) return { ...NOTHING, stems: times(dozens, DOZEN) };
  return { ...NOTHING, stems: takeCounted(line, ['stem']) };
}

/** A bare number that may be how many there are. */
export const takeBareCount = (line: Piecewise): number | null =>
  countOf(line.take(new RegExp(NUMBER, 'u'))?.[1]);
