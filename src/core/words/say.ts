import { speciesName } from './species-name';
import { IntlMessageFormat } from 'intl-messageformat';
import { CATALOGUES, localeOf, type Language } from './catalogues';
import english from './en.json';
import { isMessage, isSpecies, type Message, type MessageKey, type Told, type Words } from './message';

type Catalogue = Readonly<Partial<Record<MessageKey, string>>>;
const catalogueOf = (language: Language): Catalogue => CATALOGUES[language];

/** Says that a sentence is not in the reader's language yet. */
export const NOT_YET = '[en] ';

/** A moment of the shop's calendar is told as if its clock were UTC's: no reader's zone moves it. */
const WALL = {
  date: { wall: { weekday: 'short', day: 'numeric', month: 'short', timeZone: 'UTC' } },
  time: { wall: { hour: '2-digit', minute: '2-digit', hourCycle: 'h23', timeZone: 'UTC' } },
} as const;

const formats = new Map<string, IntlMessageFormat>();
const lists = new Map<Language, Intl.ListFormat>();

function listOf(language: Language): Intl.ListFormat {
  const known = lists.get(language) ?? new Intl.ListFormat(localeOf(language), { type: 'conjunction' });
  lists.set(language, known);
  return known;
}

const KEYS = Object.keys(english) as MessageKey[];
/** Every key that begins so. */
export const keysOf = (prefix: string): MessageKey[] => KEYS.filter((one) => one.startsWith(prefix));

/** A message as its catalogue has it, with the places for what it is told with. */
export const patternOf = (key: MessageKey, language: Language): string =>
  catalogueOf(language)[key] ?? `${NOT_YET}${english[key]}`;

function formatOf(key: MessageKey, language: Language): IntlMessageFormat {
  const known = formats.get(`${language} ${key}`);
  if (known) return known;
  const isOwn = catalogueOf(language)[key] !== undefined;
  const made = new IntlMessageFormat(patternOf(key, language), localeOf(isOwn ? language : 'en'), WALL);
  formats.set(`${language} ${key}`, made);
  return made;
}

const first = (text: string, to: (letter: string) => string): string => to(text.charAt(0)) + text.slice(1);
const capital = (text: string): string => first(text, (letter) => letter.toUpperCase());
/** With a small first letter, where the word is not one of capitals. */
const small = (text: string): string =>
  /^\p{Lu}{2}/u.test(text) ? text : first(text, (letter) => letter.toLowerCase());

function valueOf(told: Told, language: Language): string | number {
  if (typeof told === 'number') return told;
  if (isSpecies(told)) return small(speciesName({ key: told.species, name: told.name }, language));
  if (typeof told === 'string' || isMessage(told)) return say(told, language);
  return listOf(language).format(told.map((one) => say(one, language)));
}

/** One told without what it is to be told with is said as it stands, and stops nobody. */
function formatted(
  key: MessageKey,
  language: Language,
  values: Readonly<Record<string, string | number>>,
): string {
  try {
    return String(formatOf(key, language).format(values));
  } catch {
    return english[key];
  }
}

const wholes = new Map<string, string>();

function wholeOf(key: MessageKey, language: Language): string {
  const known = wholes.get(`${language} ${key}`);
  if (known !== undefined) return known;
  const text = formatted(key, language, {});
  wholes.set(`${language} ${key}`, text);
  return text;
}

function filled(key: MessageKey, told: Readonly<Record<string, Told>>, language: Language): string {
  const values = Object.fromEntries(
    Object.entries(told).map(([name, value]) => [name, valueOf(value, language)]),
  );
  return formatted(key, language, values);
}

function sayMessage({ message, with: told, low }: Message, language: Language): string {
  if (!Object.hasOwn(english, message)) return message;
  // Most are told with nothing: such a one is put together once.
  const text = told === undefined ? wholeOf(message, language) : filled(message, told, language);
  if (low) return small(text);
  // A step's title begins with whatever comes first in it.
  return message.startsWith('step.') ? capital(text) : text;
}

/**
 * What is said, in the reader's language; what somebody wrote is told as it is written. A message the
 * language has not is told in English, marked.
 */
export function say(words: Words, language: Language): string {
  return typeof words === 'string' ? words : sayMessage(words, language);
}

/** What is said, in English: for the record, and for whoever asks at the door. */
export const inEnglish = (words: Words): string => say(words, 'en');

/** A value with every message in it put into words. */
export type Spoken<T> = T extends Message
  ? string
  : T extends Date
    ? T
    : T extends readonly unknown[]
      ? { [I in keyof T]: Spoken<T[I]> }
      : T extends object
        ? { [K in keyof T]: Spoken<T[K]> }
        : T;

/** A value with every message in it, however deep, put into words of the language. */
export function spoken<T>(value: T, language: Language): Spoken<T> {
  if (isMessage(value)) return say(value, language) as Spoken<T>;
  if (Array.isArray(value)) return value.map((one) => spoken<unknown>(one, language)) as Spoken<T>;
  if (typeof value !== 'object' || value === null || value instanceof Date) return value as Spoken<T>;
  return Object.fromEntries(
    Object.entries(value).map(([key, one]) => [key, spoken<unknown>(one, language)]),
  ) as Spoken<T>;
}
