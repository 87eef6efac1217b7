import { HOUR_MS, MINUTE_MS } from '../calendar/spans';

/** Wrong tries for one person from one place that cost nothing. */
const FREE_TRIES = 5;
/** The same over all places nobody of the shop ever signed in from. */
const FREE_TRIES_OF_STRANGERS = 20;
const LONGEST_LOCK_MS = 30 * MINUTE_MS;
/** What strangers tried longer ago is forgotten. */
const STRANGERS_FORGOTTEN_MS = 2 * HOUR_MS;

/** Wrong tries as they stand: how many, the last, and until when no more are looked at. */
export interface WrongTries {
  readonly failed: number;
  /** Milliseconds of the shop's clock. */
  readonly lastAt: number;
  readonly lockedUntil: number | null;
}

/** Locks for longer with every wrong guess past the free ones: four digits would not bear guessing. */
function lockFor(failed: number, free: number): number {
  return failed < free ? 0 : Math.min(LONGEST_LOCK_MS, MINUTE_MS * 2 ** (failed - free));
}

/**
 * One wrong try more.
 * @param from one place, or all places of strangers together
 * @param at milliseconds of the shop's clock
 */
export function oneMoreWrong(
  before: WrongTries | null,
  from: 'a place' | 'strangers',
  at: number,
): WrongTries {
  const isOver = from === 'strangers' && before !== null && at - before.lastAt > STRANGERS_FORGOTTEN_MS;
  const failed = (isOver || !before ? 0 : before.failed) + 1;
  const lock = lockFor(failed, from === 'a place' ? FREE_TRIES : FREE_TRIES_OF_STRANGERS);
  return { failed, lastAt: at, lockedUntil: lock > 0 ? at + lock : null };
}

/** Minutes for which no try is looked at, by what is told of tries so far; null where one is. */
export function minutesLocked(tries: readonly (WrongTries | null)[], at: number): number | null {
  const until = Math.max(0, ...tries.map((t) => t?.lockedUntil ?? 0));
  return until > at ? Math.ceil((until - at) / MINUTE_MS) : null;
}
