import * as v from 'valibot';
import type { Role } from '../actions/contract';

/** What people are called by and sign in with: one set of rules for opening a shop, adding somebody, and signing in. */
export const SHORTEST_PASSWORD = 12;
export const LONGEST_PASSWORD = 200;

/** Words that are there, and not longer than so many characters; told in whole sentences. */
export const words = (most: number, missing: string) =>
  v.pipe(
    v.string(missing),
    v.trim(),
    v.minLength(1, missing),
    v.maxLength(most, `That is longer than ${most} characters.`),
  );

export const personName = (missing: string) => words(60, missing);
export const login = v.pipe(words(60, 'A name to sign in with.'), v.toLowerCase());
export const password = v.pipe(
  v.string('A password is missing.'),
  v.minLength(SHORTEST_PASSWORD, `At least ${SHORTEST_PASSWORD} characters; a few words are easiest.`),
  v.maxLength(LONGEST_PASSWORD, `That is longer than ${LONGEST_PASSWORD} characters.`),
);

/** Whether four digits are the first that anybody would try: one digit four times, or counted up or down. */
function isFirstGuess(pin: string): boolean {
  const steps = [1, 2, 3].map((i) => Number(pin[i]) - Number(pin[i - 1]));
  return [0, 1, -1].some((step) => steps.every((s) => s === step));
}

export const pin = v.pipe(
  v.string('A PIN is missing.'),
  v.regex(/^\d{4}$/, 'A PIN is four digits.'),
  v.check((digits) => !isFirstGuess(digits), 'That is the first one anybody would try; take another.'),
);

/** What a telephone counts for a second factor. */
export const factorCode = v.pipe(v.string(), v.trim(), v.regex(/^\d{6}$/, 'A code is six digits.'));

/** What somebody in that role signs in with: four digits at the bench, a password at the desk. */
export const secretOf = (role: Role) => (role === 'hand' ? pin : password);
