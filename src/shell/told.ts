/**
 * What a page tells its own parts in the browser, as one text. Told as objects it is walked value by
 * value on the way out, and a long list of figures costs more than the rest of its page.
 */
export type Told<T> = string & { readonly told?: T };

/** What was told in this process last, by its text: whoever draws it here need not read it again. */
const MOST_REMEMBERED = 60;
const holder = globalThis as typeof globalThis & { hushPailTold?: Map<string, unknown> };

function remember(text: string, value: unknown): void {
  const told = (holder.hushPailTold ??= new Map());
  told.delete(text);
  told.set(text, value);
  const [oldest] = told.keys();
  if (told.size > MOST_REMEMBERED && oldest !== undefined) told.delete(oldest);
}

/** Stands nowhere in JSON as it is written: a control character is written by its number. */
const BETWEEN = '\u0001';

/** Quotes and backticks in each other's place: within a script's text a quote is written with three strokes before it. */
function swapped(text: string): string {
  if (!text.includes('`')) return text.replaceAll('"', '`');
  if (!text.includes('"')) return text.replaceAll('`', '"');
  return text.replaceAll('`', BETWEEN).replaceAll('"', '`').replaceAll(BETWEEN, '"');
}

/** What was told is changed by nobody, and told again in the same words. */
const texts = new WeakMap<object, string>();

/** @param value as JSON has it: what JSON drops or turns into something else is not told */
export function tell<T extends object>(value: T): Told<T> {
  const text = texts.get(value) ?? swapped(JSON.stringify(value));
  texts.set(value, text);
  if (typeof window === 'undefined') remember(text, value);
  return text;
}

export const read = <T>(told: Told<T>): T =>
  (holder.hushPailTold?.get(told) as T | undefined) ?? (JSON.parse(swapped(told)) as T);
