'use server';
import { redirect } from 'next/navigation';
import * as v from 'valibot';
import { factorCode } from '@/core/people/person-fields';
import { inShop } from '@/data/connection';
import { DataError } from '@/data/errors';
import { askedFrom, deviceAsking } from '@/server/asked-from';
import { now } from '@/server/clock';
import { database } from '@/server/database';
import { log } from '@/server/log';
import { trySecret, type SecretTry } from '@/server/secret-tries';
import { beginSessionOf, endMySession } from '@/server/session';

export interface SignInState {
  readonly message: string | null;
  /** Name and password go together; a code of the second factor is asked for. */
  readonly needsCode?: boolean;
}

const handSchema = v.object({
  shopId: v.pipe(v.string(), v.uuid()),
  personId: v.pipe(v.string(), v.uuid()),
  pin: v.pipe(v.string(), v.regex(/^\d{4}$/, 'A PIN is four digits.')),
});
const managerSchema = v.object({
  shopId: v.pipe(v.string(), v.uuid()),
  login: v.pipe(v.string(), v.trim(), v.toLowerCase(), v.minLength(1, 'Who signs in?'), v.maxLength(60)),
  password: v.pipe(v.string(), v.minLength(1, 'The password is missing.'), v.maxLength(200)),
  code: v.optional(v.union([v.literal(''), factorCode], 'A code is six digits.'), ''),
});

async function signIn(
  shopId: string,
  by: { id: string } | { login: string },
  secret: string,
  isHand: boolean,
  code = '',
): Promise<SignInState> {
  const [address, device] = await Promise.all([askedFrom(), deviceAsking()]);
  const inside: SecretTry['inside'] = (work) => inShop(database(), shopId, work);
  const asked = { shopId, inside, by, secret, code, address, at: now() };
  const found = await trySecret(
    { ...asked, isFor: (person) => (person.role === 'hand') === isHand },
    (trx, person) => beginSessionOf(trx, { shopId, personId: person.id, address, device, at: asked.at }),
  );
  if ('needsCode' in found)
    return { needsCode: true, message: 'And the code that your telephone shows for this shop now.' };
  // Who was asked for is not logged: a password is soon typed into the wrong field.
  if ('lockedMinutes' in found || !found.person)
    log.warn({ shop: shopId, from: address, locked: 'lockedMinutes' in found }, 'a sign-in was refused');
  if ('lockedMinutes' in found)
    return { message: `Too many wrong tries. Try again in ${found.lockedMinutes} min, or ask the manager.` };
  if (!found.person) {
    if (code !== '')
      return { needsCode: true, message: 'Name, password and code do not go together. Take the next code.' };
    return { message: isHand ? 'That PIN is not right.' : 'Name and password do not go together.' };
  }
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
  const state = await answered(() => signIn(shopId, { id: personId }, pin, true));
  if (state.message === null) redirect('/bench');
  return state;
}

export async function signInManager(_before: SignInState, form: FormData): Promise<SignInState> {
  const input = v.safeParse(managerSchema, Object.fromEntries(form));
  if (!input.success) return { message: input.issues[0].message };
  const { shopId, login, password, code } = input.output;
  const state = await answered(() => signIn(shopId, { login }, password, false, code));
  if (state.message === null) redirect('/dock');
  return state;
}

export async function signOut(): Promise<void> {
  await endMySession();
  redirect('/sign-in');
}
