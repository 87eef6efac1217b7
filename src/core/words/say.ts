import { speciesName } from './species-name';
import { IntlMessageFormat } from 'intl-messageformat';
import { usPattern, usValues } from '../units/us-patterns';
import { CATALOGUES, languageOf, localeOf, tagOf, unitsOf, type LanguageTag } from './catalogues';
import { dayWords } from '../calendar/format-date';
import english from './en.json';
import { isDay, isMessage, isSpecies, type Message, type MessageKey, type Told, type Words } from './message';

type Catalogue = Readonly<Partial<Record<MessageKey, string>>>;
const catalogueOf = (tag: LanguageTag): Catalogue => CATALOGUES[languageOf(tag)];

/** Says that a sentence is not in the reader's language yet. */
export const NOT_YET = '[en] ';

/** A moment of the shop's calendar is told as if its clock were UTC's: no reader's zone moves it. */
const WALL = {
  date: { wall: { weekday: 'short', day: 'numeric', month: 'short', timeZone: 'UTC' } },
  time: { wall: { hour: '2-digit', minute: '2-digit', hourCycle: 'h23', timeZone: 'UTC' } },
} as const;

const formats = new Map<string, IntlMessageFormat>();
const lists = new Map<LanguageTag, Intl.ListFormat>();

function listOf(tag: LanguageTag): Intl.ListFormat {
  const known = lists.get(tag) ?? new Intl.ListFormat(localeOf(tag), { type: 'conjunction' });
  lists.set(tag, known);
  return known;
}

const KEYS = Object.keys(english) as MessageKey[];
/** Every key that begins so. */
export const keysOf = (prefix: string): MessageKey[] => KEYS.filter((one) => one.startsWith(prefix));

/** Sentences whose measures were turned: each is turned once. */
const turned = new Map<string, string>();

/** A message as its catalogue has it, with the places for what it is told with. */
export function patternOf(key: MessageKey, tag: LanguageTag): string {
  const pattern = catalogueOf(tag)[key] ?? `${NOT_YET}${english[key]}`;
  if (unitsOf(tag) === 'metric') return pattern;
  const made = turned.get(pattern) ?? usPattern(pattern);
  turned.set(pattern, made);
  return made;
}

function formatOf(key: MessageKey, tag: LanguageTag): IntlMessageFormat {
  const known = formats.get(`${tag} ${key}`);
  if (known) return known;
  const isOwn = catalogueOf(tag)[key] !== undefined;
  const made = new IntlMessageFormat(
    patternOf(key, tag),
    localeOf(isOwn ? tag : tagOf('en', unitsOf(tag))),
    WALL,
  );
  formats.set(`${tag} ${key}`, made);
  return made;
}

const first = (text: string, to: (letter: string) => string): string => to(text.charAt(0)) + text.slice(1);
const capital = (text: string): string => first(text, (letter) => letter.toUpperCase());
/** With a small first letter, where the word is not one of capitals. */
const small = (text: string): string =>
  /^\p{Lu}{2}/u.test(text) ? text : first(text, (letter) => letter.toLowerCase());

function valueOf(told: Told, tag: LanguageTag): string | number {
  if (typeof told === 'number') return told;
  if (isSpecies(told)) {
    const name = speciesName({ key: told.species, name: told.name }, tag);
    return small(told.short ? (name.split(',')[0] ?? name) : name);
  }
  if (isDay(told)) return dayWords(told.day, localeOf(tag));
  if (typeof told === 'string' || isMessage(told)) return say(told, tag);
  return listOf(tag).format(told.map((one) => String(valueOf(one, tag))));
}

/** One told without what it is to be told with is said as it stands, and stops nobody. */
function formatted(
  key: MessageKey,
  tag: LanguageTag,
  values: Readonly<Record<string, string | number>>,
): string {
  try {
    return String(formatOf(key, tag).format(values));
  } catch {
    return english[key];
  }
}

const wholes = new Map<string, string>();

function wholeOf(key: MessageKey, tag: LanguageTag): string {
  const known = wholes.get(`${tag} ${key}`);
  if (known !== undefined) return known;
  const text = formatted(key, tag, {});
  wholes.set(`${tag} ${key}`, text);
  return text;
}

function filled(key: MessageKey, told: Readonly<Record<string, Told>>, tag: LanguageTag): string {
  const values = Object.fromEntries(Object.entries(told).map(([name, value]) => [name, valueOf(value, tag)]));
  return formatted(key, tag, unitsOf(tag) === 'us' ? usValues(patternOf(key, tag), values) : values);
}

function sayMessage({ message, with: told, low }: Message, tag: LanguageTag): string {
  if (!Object.hasOwn(english, message)) return message;
  // Most are told with nothing: such a one is put together once.
  const text = told === undefined ? wholeOf(message, tag) : filled(message, told, tag);
  if (low) return small(text);
  // A step's title and a figure's name begin with whatever comes first in them.
  return message.startsWith('step.') || message === 'fact.of' ? capital(text) : text;
}

/**
 * What is said, in the reader's language and units; what somebody wrote is told as it is written. A message the
 * language has not is told in English, marked.
 */
export function say(words: Words, tag: LanguageTag): string {
  return typeof words === 'string' ? words : sayMessage(words, tag);
}

/** What is said, in English. */
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
export function spoken<T>(value: T, tag: LanguageTag): Spoken<T> {
  if (isMessage(value)) return say(value, tag) as Spoken<T>;
  if (Array.isArray(value)) return value.map((one) => spoken<unknown>(one, tag)) as Spoken<T>;
  if (typeof value !== 'object' || value === null || value instanceof Date) return value as Spoken<T>;
  return Object.fromEntries(
    Object.entries(value).map(([key, one]) => [key, spoken<unknown>(one, tag)]),
  ) as Spoken<T>;
}
