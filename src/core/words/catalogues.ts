import type { Units } from '../units/measures';
import { LANGUAGES, type Language } from './languages';
import english from './en.json';
import spanish from './es.json';

/** The catalogues by language. A new language is a catalogue, a line here and its name in languages. */
export const CATALOGUES = { en: english, es: spanish } as const satisfies Readonly<Record<Language, object>>;
export { LANGUAGES, type Language };

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
