import english from './en.json';
import spanish from './es.json';

/** The catalogues by language. A new language is a catalogue and a line here. */
export const CATALOGUES = { en: english, es: spanish } as const;

export type Language = keyof typeof CATALOGUES;
export const LANGUAGES = Object.keys(CATALOGUES) as Language[];

export const isLanguage = (code: string): code is Language => Object.hasOwn(CATALOGUES, code);

/** How numbers, dates and lists are written by those who read a language. */
export const localeOf = (language: Language): string => CATALOGUES[language]['language.locale'];
/** What those who read a language call it. */
export const nameOf = (language: Language): string => CATALOGUES[language]['language.name'];
