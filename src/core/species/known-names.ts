import { foldedUmlauts, foldedWords } from './folded-words';
import { SHIPPED_SPECIES } from './registry';
import { editDistance } from './edit-distance';
import { SPECIES, type Species } from './species';
import trade from './trade-names.json';

/** Whose a name is: a name proper, or a short one that could mean more than one species. */
export interface NameFound {
  readonly species: Species;
  readonly isShort: boolean;
}

/** Words of a name in one order, so that "chrysanthemum spray" and "spray chrysanthemum" are one. */
const inOrder = (words: string): string => foldedUmlauts(words).split(' ').sort().join(' ');

const NAMES = new Map<string, NameFound>();
/** Names as they are spelled, for finding one that is spelled like another. */
const SPELLED = new Map<string, Species>();

function add(text: string, species: Species, isShort: boolean): void {
  const words = foldedWords(text);
  const key = inOrder(words);
  const other = NAMES.get(key);
  // A name two species bear is a short one of the first.
  if (other === undefined) NAMES.set(key, { species, isShort });
  else if (other.species !== species && !other.isShort)
    NAMES.set(key, { species: other.species, isShort: true });
  if (!isShort && !SPELLED.has(words)) SPELLED.set(words, species);
}

const of = (lists: Readonly<Record<string, readonly string[]>>) =>
  Object.entries(lists).flatMap(([key, names]) => {
    const species = SHIPPED_SPECIES.find(key);
    return species ? names.map((name) => ({ name, species })) : [];
  });
// Short names first: what could mean two is no name proper, though one of the two bears it.
for (const { name, species } of of(trade.shortNames)) add(name, species, true);
for (const species of SPECIES)
  for (const name of [species.key, species.name, species.botanical])
    if (!NAMES.get(inOrder(foldedWords(name)))?.isShort) add(name, species, false);
for (const { name, species } of of(trade.names))
  if (!NAMES.get(inOrder(foldedWords(name)))?.isShort) add(name, species, false);

const LONGEST = 4;
export const MOST_WORDS_OF_A_NAME = LONGEST;

/** The species those words name, in any order of them; undefined where none. @param words plain words */
export const nameFor = (words: string): NameFound | undefined => NAMES.get(inOrder(words));

/** The species whose name is spelled like those words, by the fewest edits; undefined where none is near. */
export function misspelledName(words: string): Species | undefined {
  let best: { species: Species; edits: number } | undefined;
  for (const [name, species] of SPELLED) {
    if (name.length < 5 || Math.abs(name.length - words.length) > name.length / 5) continue;
    const edits = editDistance(words, name);
    if (edits <= Math.floor(name.length / 5) && (!best || edits < best.edits)) best = { species, edits };
  }
  return best?.species;
}

const wordSet = (texts: readonly string[]): ReadonlySet<string> =>
  new Set(texts.flatMap((t) => [foldedWords(t), foldedUmlauts(foldedWords(t))]));
const COLOURS = wordSet(trade.colours);
const GRADES = wordSet(trade.grades);
const OTHER_THINGS = trade.otherThings.map(foldedWords);

/** Whether a plain word says a colour, in any of the languages notes come in. */
export const isColourWord = (word: string): boolean => COLOURS.has(word) || COLOURS.has(foldedUmlauts(word));

/** Whether a plain word says how a flower is graded or that it is cut, and not which it is. */
export const isGradeWord = (word: string): boolean => GRADES.has(word) || GRADES.has(foldedUmlauts(word));

/** Whether the words name something that bears a flower's name and is none of ours: a rose hip, a lily of the valley. */
export function isOtherThing(words: string): boolean {
  const within = ` ${words} `;
  return OTHER_THINGS.some((other) => within.includes(` ${other} `));
}
