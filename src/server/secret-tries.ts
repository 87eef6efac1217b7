import 'server-only';
import { DAY_MS } from '@/core/calendar/spans';
import { minutesLocked, oneMoreWrong } from '@/core/people/sign-in-locks';
import type { Trx } from '@/data/connection';
import { isStill, maybePersonToAsk, type PersonRow } from '@/data/people';
import { maybeFactor, takeStep, type SecondFactor } from '@/data/second-factors';
import { isKnownAddress } from '@/data/sessions';
import {
  forgetOldTries,
  forgetTries,
  lockTries,
  maybeTries,
  setTries,
  STRANGERS,
} from '@/data/sign-in-tries';
import { stepOfCode } from './second-factor';
import { isSecretOf } from './secrets';

/** A place somebody of the shop signed in from within this time is no stranger's. */
const KNOWN_FOR_MS = 60 * DAY_MS;
const TRIES_KEPT_MS = 2 * DAY_MS;

export interface SecretTry {
  readonly shopId: string;
  /** Runs work in a transaction in that shop. */
  readonly inside: <T>(work: (trx: Trx) => Promise<T>) => Promise<T>;
  readonly by: { readonly id: string } | { readonly login: string };
  readonly secret: string;
  /** Of their second factor, as it was typed; left out where none is asked for. */
  readonly code?: string;
  readonly address: string;
  readonly at: Date;
  /** Whether it may be this person: one of another role is as nobody. */
  readonly isFor: (person: PersonRow) => boolean;
}
export type Tried =
  | { readonly lockedMinutes: number }
  /** The secret is theirs, and a code is asked for beside it. */
  | { readonly needsCode: true }
  | { readonly person: PersonRow | undefined };

/** Whether a code is theirs and of now: none is taken twice. Who has no second factor needs none. */
async function isTheirCode(
  trx: Trx,
  factor: SecondFactor | undefined,
  code: string,
  at: Date,
): Promise<boolean> {
  if (!factor) return true;
  const step = stepOfCode(factor.secret, code, at);
  return step !== null && (await takeStep(trx, factor.personId, step));
}

const whoOf = (by: SecretTry['by']): string => ('id' in by ? by.id : by.login);

async function triesSoFar(trx: Trx, { by, address, at }: SecretTry) {
  const isKnown = await isKnownAddress(trx, address, new Date(at.getTime() - KNOWN_FOR_MS));
  const own = await maybeTries(trx, whoOf(by), address);
  const strangers = isKnown ? null : await maybeTries(trx, whoOf(by), STRANGERS);
  return { isKnown, own, strangers, locked: minutesLocked([own, strangers], at.getTime()) };
}

/** Counts a try, one at a time: whoever was locked out while theirs was looked at stays out. */
async function count(trx: Trx, asked: SecretTry, isRight: boolean): Promise<number | null> {
  const { shopId, by, address, at } = asked;
  await lockTries(trx, shopId, whoOf(by));
  const { isKnown, own, strangers, locked } = await triesSoFar(trx, asked);
  if (locked !== null) return locked;
  if (isRight) {
    await forgetTries(trx, whoOf(by), address);
    await forgetOldTries(trx, new Date(at.getTime() - TRIES_KEPT_MS));
    return null;
  }
  await setTries(trx, shopId, whoOf(by), address, oneMoreWrong(own, 'a place', at.getTime()));
  if (!isKnown)
    await setTries(trx, shopId, whoOf(by), STRANGERS, oneMoreWrong(strangers, 'strangers', at.getTime()));
  return null;
}

/**
 * Whether a secret is somebody's; names nobody has are counted and locked as those that somebody has.
 * @param onRight what is done with it, in the transaction that counts it
 */
export async function trySecret(
  asked: SecretTry,
  onRight: (trx: Trx, person: PersonRow) => Promise<void>,
): Promise<Tried> {
  const before = await asked.inside(async (trx) => ({
    person: await maybePersonToAsk(trx, asked.by),
    locked: (await triesSoFar(trx, asked)).locked,
  }));
  if (before.locked !== null) return { lockedMinutes: before.locked };
  // Hashing takes its time: it holds no connection meanwhile.
  const fits = await isSecretOf(before.person?.secret_hash, asked.secret);
  const person = fits && before.person && asked.isFor(before.person) ? before.person : undefined;
  return asked.inside(async (trx): Promise<Tried> => {
    // Retired, or given another secret, while it was looked at: then it is theirs no longer.
    const theirs = person && (await isStill(trx, person)) ? person : undefined;
    const { code } = asked;
    const factor = theirs && code !== undefined ? await maybeFactor(trx, theirs.id) : undefined;
    if (factor && code === '') return { needsCode: true };
    const still = (await isTheirCode(trx, factor, code ?? '', asked.at)) ? theirs : undefined;
    const locked = await count(trx, asked, still !== undefined);
    if (locked !== null) return { lockedMinutes: locked };
    if (still) await onRight(trx, still);
    return { person: still };
  });
}
