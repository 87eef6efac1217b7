import * as v from 'valibot';
import { ROLES } from '../actions/contract';
import { nextPailNames } from '../opening/pail-names';
import { password, pin, secretOf } from './person-fields';
import { minutesLocked, oneMoreWrong, type WrongTries } from './sign-in-locks';
import { mayRule } from './who-rules';

const isGood = (schema: v.GenericSchema, value: unknown): boolean => v.safeParse(schema, value).success;

test.each([
  ['2468', true],
  ['5093', true],
  ['1122', true],
  ['0000', false],
  ['1234', false],
  ['9876', false],
  ['123', false],
  ['12345', false],
  ['12a4', false],
])('%s as a PIN: %s', (digits, is) => {
  expect(isGood(pin, digits)).toBe(is);
});

test('a password has twelve characters at least; a hand has a PIN and everybody else a password', () => {
  expect(isGood(password, 'slow waters.')).toBe(true);
  expect(isGood(password, 'slow waters')).toBe(false);
  expect(ROLES.filter((role) => isGood(secretOf(role), '5093'))).toEqual(['hand']);
});

test('an owner rules over all, a manager over hands, others over nobody', () => {
  const ruled = Object.fromEntries(ROLES.map((role) => [role, ROLES.filter((over) => mayRule(role, over))]));
  expect(ruled).toEqual({ owner: [...ROLES], manager: ['hand'], hand: [], auditor: [] });
});

/** Wrong tries one after another, each as soon as it is looked at. */
function wrongs(n: number, from: 'a place' | 'strangers', gapMs = 0): WrongTries[] {
  const all: WrongTries[] = [];
  let at = 0;
  for (let i = 0; i < n; i++) {
    const one = oneMoreWrong(all.at(-1) ?? null, from, at);
    all.push(one);
    at = (one.lockedUntil ?? at) + gapMs;
  }
  return all;
}

test('four slips cost nothing, the fifth a minute, each after it twice as long up to half an hour', () => {
  const locks = wrongs(12, 'a place').map((w) => minutesLocked([w], w.lastAt));
  expect(locks).toEqual([null, null, null, null, 1, 2, 4, 8, 16, 30, 30, 30]);
});

test('ten thousand PINs from one place take longer than half a year of nothing else', () => {
  const tries = wrongs(10_000, 'a place');
  expect((tries.at(-1)?.lastAt ?? 0) / 86_400_000).toBeGreaterThan(180);
});

test('strangers together have twenty, and two quiet hours forget them', () => {
  const locks = wrongs(21, 'strangers').map((w) => minutesLocked([null, w], w.lastAt));
  expect(locks.slice(0, 19).every((l) => l === null)).toBe(true);
  expect(locks.slice(19)).toEqual([1, 2]);
  expect(oneMoreWrong({ failed: 40, lastAt: 0, lockedUntil: 1 }, 'strangers', 3 * 3_600_000).failed).toBe(1);
  expect(oneMoreWrong({ failed: 40, lastAt: 0, lockedUntil: 1 }, 'a place', 3 * 3_600_000).failed).toBe(41);
});

test('new pails go on from the highest number there ever was, whatever else pails are called', () => {
  expect(nextPailNames([], 3)).toEqual(['1', '2', '3']);
  expect(nextPailNames(['1', '12', 'blue', '7b'], 2)).toEqual(['13', '14']);
});
