/** Letters that do not come apart into a plain one and its accent. */
const FOLDED: Readonly<Record<string, string>> = {
  ß: 'ss',
  ł: 'l',
  ø: 'o',
  æ: 'ae',
  œ: 'oe',
  đ: 'd',
  ı: 'i',
};

const IS_FOLDED = /^[a-z0-9]+( [a-z0-9]+)*$/;

/** Lower case, no accents or punctuation, single blanks. */
export function foldedWords(text: string): string {
  // Most words of a note are plain already, and a note has thousands.
  if (IS_FOLDED.test(text)) return text;
  return text
    .toLowerCase()
    .replace(/[ßłøæœđı]/g, (c) => FOLDED[c] ?? c)
    .normalize('NFKD')
    .replace(/[\u0300-\u036f'’]/g, '')
    .replace(/[^a-z0-9]+/g, ' ')
    .trim();
}

/** Folded words in which "Löwenmaul", "Loewenmaul" and "Lowenmaul" are one. */
export const foldedUmlauts = (words: string): string =>
  words.replace(/([aou])e/g, (_, vowel: string) => vowel);

/** English words without the s of more than one. */
export const singular = (words: string): string => words.replace(/ies\b/g, 'y').replace(/([^s])s\b/g, '$1');
