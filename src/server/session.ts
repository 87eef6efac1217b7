import 'server-only';
import { getIronSession, type SessionOptions } from 'iron-session';
import { cookies } from 'next/headers';
import { redirect } from 'next/navigation';
import { inShop, type Trx } from '@/data/connection';
import { maybePerson } from '@/data/people';
import { learnSpecies } from '@/core/species/species';
import { manyOwnSpecies } from '@/data/house';
import { oneShop } from '@/data/rooms';
import { database } from './database';
import { now } from './clock';

interface SessionData {
  shopId?: string;
  personId?: string;
  epoch?: number;
}

export interface SignedIn {
  readonly personId: string;
  readonly name: string;
  readonly role: 'manager' | 'hand';
  readonly shop: {
    readonly id: string;
    readonly name: string;
    readonly timeZone: string;
    readonly demo: boolean;
    readonly promiseConfidence: number;
  };
}

const A_LONG_SHIFT_S = 14 * 3600;

function options(): SessionOptions {
  const password = process.env.HUSH_PAIL_SESSION_SECRET;
  if (!password) throw new Error('HUSH_PAIL_SESSION_SECRET is not set; the shop is started by "npm start".');
  // Plain http on the shop's own machine cannot carry Secure cookies; behind TLS it must.
  const secure = process.env.HUSH_PAIL_HTTPS === '1';
  return {
    password,
    cookieName: 'hush-pail',
    ttl: A_LONG_SHIFT_S,
    cookieOptions: { httpOnly: true, sameSite: 'lax', secure },
  };
}

/** The sealed session of this request. */
export async function session() {
  return getIronSession<SessionData>(await cookies(), options());
}

/** Who is signed in, checked against the people of their shop; null when nobody is. */
async function whoIn(trx: Trx, data: SessionData): Promise<SignedIn | null> {
  const person = data.personId ? await maybePerson(trx, data.personId) : undefined;
  if (!person?.active || person.session_epoch !== data.epoch) return null;
  const shop = await oneShop(trx);
  return { personId: person.id, name: person.name, role: person.role, shop };
}

/** Runs `work` for whoever is signed in, in their shop; null when nobody is. */
export async function maybeInMyShop<T>(work: (trx: Trx, me: SignedIn) => Promise<T>): Promise<T | null> {
  const data = { ...(await session()) };
  const { shopId } = data;
  if (!shopId) return null;
  return inShop(database(), shopId, async (trx) => {
    const me = await whoIn(trx, data);
    if (!me) return null;
    learnSpecies((await manyOwnSpecies(trx)).flatMap((own) => own.species ?? []));
    return work(trx, me);
  });
}

/** The same for pages: nobody signed in is sent to sign in. */
export async function inMyShop<T>(work: (trx: Trx, me: SignedIn, at: Date) => Promise<T>): Promise<T> {
  const found = await maybeInMyShop(async (trx, me) => ({ value: await work(trx, me, now()) }));
  if (!found) redirect('/sign-in');
  return found.value;
}
