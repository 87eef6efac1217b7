import type { Units } from '../units/measures';
import english from './en.json';
import spanish from './es.json';

/** The catalogues by language. A new language is a catalogue and its two lines here. */
export const CATALOGUES = { en: english, es: spanish } as const;
export type Language = keyof typeof CATALOGUES;
export const LANGUAGES = Object.keys(CATALOGUES) as Language[];

/** A language as it is chosen: by what those who read it call it. */
export interface LanguageChoice {
  readonly value: Language;
  readonly label: string;
}
/** Every language there is a catalogue for. Tablets are told it: the catalogues themselves are sent to none. */
export const LANGUAGE_CHOICES: readonly LanguageChoice[] = LANGUAGES.map((value) => ({
  value,
  label: CATALOGUES[value]['language.name'],
}));

export const isLanguage = (code: string): code is Language => Object.hasOwn(CATALOGUES, code);

/** How somebody reads the shop: their language, and US units where its tag ends so. */
export type LanguageTag = Language | `${Language}-US`;

export const tagOf = (language: Language, units: Units): LanguageTag =>
  units === 'us' ? `${language}-US` : language;
export const languageOf = (tag: LanguageTag): Language => tag.slice(0, 2) as Language;
export const unitsOf = (tag: LanguageTag): Units => (tag.endsWith('-US') ? 'us' : 'metric');

/** How numbers, dates and lists are written by those who read so. */
export const localeOf = (tag: LanguageTag): string =>
  unitsOf(tag) === 'us' ? tag : CATALOGUES[languageOf(tag)]['language.locale'];
