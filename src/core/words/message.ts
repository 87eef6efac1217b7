import type english from './en.json';

/** A sentence or a word the product says, by the key it has in every catalogue. */
export type MessageKey = keyof typeof english;

/** A species, called in each language what its trade calls it; a shop's own by the name it was given. */
export interface SpeciesSaid {
  readonly species: string;
  readonly name: string;
  /** Only what stands before its first comma: "Rose" of "Rose, garden". */
  readonly short?: true;
}

/** A day of the calendar, ISO, told as its reader writes one: "Tue 1 Dec". */
export interface DaySaid {
  readonly day: string;
}

/** What a message is told with: a number, a name as it is written, a day, a species, another message or a list of them. */
export type Told = string | number | Words | SpeciesSaid | DaySaid | readonly (Words | SpeciesSaid)[];

/**
 * What is said, before it is known in which language: a key with its parameters. It is stored and
 * handed on as this, and put into words for whoever reads it.
 */
export interface Message {
  readonly message: MessageKey;
  readonly with?: Readonly<Record<string, Told>>;
  /** Said in the middle of a sentence: its first letter is small. */
  readonly low?: true;
}

/** What is said, or what somebody wrote themselves, which is the same in every language. */
export type Words = string | Message;

const plain = new Map<MessageKey, Message>();

/** The message of that key; one without parameters is the same object each time. */
export function m(key: MessageKey, told?: Readonly<Record<string, Told>>): Message {
  if (told) return { message: key, with: told };
  const known = plain.get(key) ?? { message: key };
  plain.set(key, known);
  return known;
}

/** The same said in the middle of a sentence. */
export const low = (message: Message): Message => ({ ...message, low: true });

/** A species as it is told in a message. */
export const saidSpecies = ({ key, name }: { readonly key: string; readonly name: string }): SpeciesSaid => ({
  species: key,
  name,
});

/** A species by the first word of its name, as a customer calls it. */
export const shortName = (species: { readonly key: string; readonly name: string }): SpeciesSaid => ({
  ...saidSpecies(species),
  short: true,
});

export const dayNamed = (day: string): DaySaid => ({ day });

/** Any words said in the middle of a sentence. */
export const lowered = (words: Words): Words =>
  typeof words === 'string' ? words.toLowerCase() : low(words);

export const isSpecies = (value: unknown): value is SpeciesSaid =>
  typeof value === 'object' && value !== null && typeof (value as SpeciesSaid).species === 'string';

export const isDay = (value: unknown): value is DaySaid =>
  typeof value === 'object' && value !== null && typeof (value as DaySaid).day === 'string';

export const isMessage = (value: unknown): value is Message =>
  typeof value === 'object' && value !== null && typeof (value as Message).message === 'string';
