/**
 * What a page tells its own parts in the browser, as one text. Told as objects it is walked value by
 * value on the way out, and a long list of figures costs more than the rest of its page.
 */
export type Told<T> = string & { readonly told?: T };

/** Quotes and backticks in each other's place: within a script's text a quote is written with three strokes before it. */
const swapped = (text: string): string => text.replace(/["`]/g, (mark) => (mark === '"' ? '`' : '"'));

export const tell = <T>(value: T): Told<T> => swapped(JSON.stringify(value));
export const read = <T>(told: Told<T>): T => JSON.parse(swapped(told)) as T;
