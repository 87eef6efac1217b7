import said from './note-words.json';

/** Words of delivery notes in seven languages, as growers and exporters write them; a truth of its own. */
export type Language = keyof typeof said.HEADINGS;
export const LANGUAGES: readonly Language[] = ['en', 'de', 'fr', 'es', 'nl', 'it', 'pl'];
export type HeadingKey = keyof typeof said.HEADINGS.en;

export const HEADINGS: Readonly<Record<Language, Readonly<Record<HeadingKey, readonly string[]>>>> =
  said.HEADINGS;
/** Units as a unit column or a cell writes them. */
export const { UNITS, TOTAL_WORDS } = said;
/** "4 bunches of 10", as one cell says it: B bunches, N stems in each. */
export const PHRASES: Readonly<Record<Language, readonly string[]>> = said.PHRASES;
export const COLOURS: Readonly<Record<Language, readonly string[]>> = said.COLOURS;
/** Each language's own words for flowers, by species; in the order of LANGUAGES. */
export const NAMES: Readonly<Record<string, readonly string[]>> = said.NAMES;
