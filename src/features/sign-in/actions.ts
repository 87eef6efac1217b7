'use server';
import { redirect } from 'next/navigation';
import * as v from 'valibot';
import { inShop } from '@/data/connection';
import { DataError } from '@/data/errors';
import {
  clearFailedSignIns,
  countFailedSignIn,
  maybePersonForSignIn,
  maybePersonToAsk,
  type PersonRow,
} from '@/data/people';
import { now } from '@/server/clock';
import { database } from '@/server/database';
import { log } from '@/server/log';
import { isSecretOf } from '@/server/secrets';
import { session } from '@/server/session';

export interface SignInState {
  readonly message: string | null;
}

const FREE_TRIES = 5;
const FIRST_LOCK_MS = 60_000;
const LONGEST_LOCK_MS = 30 * 60_000;

const handSchema = v.object({
  shopId: v.pipe(v.string(), v.uuid()),
  personId: v.pipe(v.string(), v.uuid()),
  pin: v.pipe(v.string(), v.regex(/^\d{4}$/, 'A PIN is four digits.')),
});
const managerSchema = v.object({
  shopId: v.pipe(v.string(), v.uuid()),
  login: v.pipe(v.string(), v.trim(), v.toLowerCase(), v.minLength(1, 'Who signs in?'), v.maxLength(60)),
  password: v.pipe(v.string(), v.minLength(1, 'The password is missing.'), v.maxLength(200)),
});

/** Locks for longer with every wrong guess past the free ones: four digits would not bear guessing. */
function lockAfter(failed: number, at: Date): Date | null {
  if (failed < FREE_TRIES) return null;
  return new Date(at.getTime() + Math.min(LONGEST_LOCK_MS, FIRST_LOCK_MS * 2 ** (failed - FREE_TRIES)));
}

/** Minutes somebody is still locked out for; null where they are not. */
const lockedFor = (person: PersonRow | undefined, at: Date): number | null =>
  person?.locked_until && person.locked_until > at
    ? Math.ceil((person.locked_until.getTime() - at.getTime()) / 60_000)
    : null;

/** Counts a try, one at a time: whoever was locked out while theirs was looked at stays out. */
function countTry(shopId: string, by: { id: string } | { login: string }, isRight: boolean, at: Date) {
  return inShop(database(), shopId, async (trx) => {
    const person = await maybePersonForSignIn(trx, by);
    const locked = lockedFor(person, at);
    if (locked !== null) return { locked };
    if (person && !isRight) await countFailedSignIn(trx, person, lockAfter(person.failed_attempts + 1, at));
    if (person && isRight) await clearFailedSignIns(trx, person.id);
    return { person: isRight ? person : undefined };
  });
}

async function signIn(
  shopId: string,
  by: { id: string } | { login: string },
  secret: string,
  role: PersonRow['role'],
): Promise<SignInState> {
  const at = now();
  const asked = await inShop(database(), shopId, (trx) => maybePersonToAsk(trx, by));
  const locked = lockedFor(asked, at);
  // Hashing takes its time: it holds no connection meanwhile.
  const isRight = locked === null && (await isSecretOf(asked?.secret_hash, secret)) && asked?.role === role;
  const found = locked === null ? await countTry(shopId, by, isRight, at) : { locked };
  if ('locked' in found)
    return { message: `Too many wrong tries. Try again in ${found.locked} min, or ask the manager.` };
  if (!found.person)
    return { message: role === 'hand' ? 'That PIN is not right.' : 'Name and password do not go together.' };
  const seal = await session();
  Object.assign(seal, { shopId, personId: found.person.id, epoch: found.person.session_epoch });
  await seal.save();
  return { message: null };
}

async function answered(work: () => Promise<SignInState>): Promise<SignInState> {
  try {
    return await work();
  } catch (error) {
    if (!(error instanceof DataError)) log.error({ err: error }, 'sign-in failed');
    return { message: 'The shop’s memory is not answering. Nobody was signed in; try again in a moment.' };
  }
}

export async function signInHand(_before: SignInState, form: FormData): Promise<SignInState> {
  const input = v.safeParse(handSchema, Object.fromEntries(form));
  if (!input.success) return { message: input.issues[0].message };
  const { shopId, personId, pin } = input.output;
  const state = await answered(() => signIn(shopId, { id: personId }, pin, 'hand'));
  if (state.message === null) redirect('/bench');
  return state;
}

export async function signInManager(_before: SignInState, form: FormData): Promise<SignInState> {
  const input = v.safeParse(managerSchema, Object.fromEntries(form));
  if (!input.success) return { message: input.issues[0].message };
  const { shopId, login, password } = input.output;
  const state = await answered(() => signIn(shopId, { login }, password, 'manager'));
  if (state.message === null) redirect('/dock');
  return state;
}

export async function signOut(): Promise<void> {
  (await session()).destroy();
  redirect('/sign-in');
}
