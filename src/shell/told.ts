/**
 * What a page tells its own parts in the browser, as one text. Told as objects it is walked value by
 * value on the way out, and a long list of figures costs more than the rest of its page.
 */
export type Told<T> = string & { readonly told?: T };

export const tell = <T>(value: T): Told<T> => JSON.stringify(value);
