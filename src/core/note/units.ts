import { foldedUmlauts, foldedWords } from '../species/folded-words';
import words from './words-of-notes.json';

/** What a count on a note is of. */
export type Unit = 'stem' | 'bunch' | 'pack' | 'box' | 'dozen' | 'kg' | 'g';
/** Words a heading is made of, beside what is counted. */
export type HeadingWord = keyof typeof words.words;

const lookup = <K extends string>(lists: Readonly<Record<K, readonly string[]>>): Map<string, K> => {
  const found = new Map<string, K>();
  for (const key of Object.keys(lists) as K[])
    for (const text of lists[key]) {
      const plain = foldedWords(text);
      if (!found.has(plain)) found.set(plain, key);
      if (!found.has(foldedUmlauts(plain))) found.set(foldedUmlauts(plain), key);
    }
  return found;
};

/** What is counted or measured, by plain word. */
export const UNIT_WORDS = lookup(words.units);
export const HEADING_WORDS = lookup(words.words);
export const COLUMN_NAMES = lookup(words.columns);

const COUNTED: readonly string[] = ['stem', 'bunch', 'pack', 'box', 'dozen', 'kg', 'g'];
const isUnit = (word: string | undefined): word is Unit => word !== undefined && COUNTED.includes(word);

/** The unit of measure that a word says, of any language notes come in; null where it says none. */
export function unitOf(text: string): Unit | null {
  const plain = foldedWords(text);
  if (plain === '') return null;
  const found = UNIT_WORDS.get(plain) ?? UNIT_WORDS.get(foldedUmlauts(plain));
  return isUnit(found) ? found : null;
}

const DUTCH =
  /^(aantal.*|omschrijving|artikelomschrijving|stelen.*|bossen.*|prijs.*|stukprijs|lengte.*|steellengte|eenheid|verkoopeenheid|soort|bedrag|snijdatum|oogstdatum|geoogst|besteld|geleverd|artikelcode|herkomst|hoeveelheid|opmerking(en)?|kleur|gewicht.*|per doos)$/;

/** Whether headings are Dutch, in which "dozen" are boxes and no twelves. */
export const areDutch = (headings: readonly string[]): boolean =>
  headings.filter((h) => DUTCH.test(foldedWords(h))).length >= 2;
