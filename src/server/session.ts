import 'server-only';
import { cache } from 'react';
import { getIronSession, type SessionOptions } from 'iron-session';
import { cookies } from 'next/headers';
import { redirect } from 'next/navigation';
import { beginReading, inShop, type Trx } from '@/data/connection';
import { asDataError } from '@/data/errors';
import { maybePersonInShop } from '@/data/people';
import { learnSpecies } from '@/core/species/species';
import { manyOwnSpecies } from '@/data/house';
import { database } from './database';
import { now } from './clock';
import { once, readsOnly } from './once';
import { sayUnavailable } from './request-state';

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
  const person = data.personId ? await maybePersonInShop(trx, data.personId) : undefined;
  if (!person?.active || person.epoch !== data.epoch) return null;
  const { shopId: id, shopName: name, timeZone, demo, promiseConfidence } = person;
  return {
    personId: person.id,
    name: person.name,
    role: person.role,
    shop: { id, name, timeZone, demo, promiseConfidence },
  };
}

/** Runs `work` for whoever is signed in, in their shop, in a transaction of its own; null when nobody is. */
export async function maybeInMyShop<T>(work: (trx: Trx, me: SignedIn) => Promise<T>): Promise<T | null> {
  const data = { ...(await session()) };
  const { shopId } = data;
  if (!shopId) return null;
  try {
    return await inShop(database(), shopId, async (trx) => {
      const me = await whoIn(trx, data);
      if (!me) return null;
      await learnOwn(trx);
      return work(trx, me);
    });
  } catch (error) {
    throw sayUnavailable(error);
  }
}

async function learnOwn(trx: Trx): Promise<void> {
  learnSpecies((await once(trx, manyOwnSpecies)).flatMap((own) => own.species ?? []));
}

/** Who asks, and the transaction all parts of their page read in. */
interface Asking {
  readonly trx: Trx;
  readonly me: SignedIn;
  readonly at: Date;
}

async function beginAsking(): Promise<Asking | null> {
  const data = { ...(await session()) };
  if (!data.shopId) return null;
  const trx = await beginReading(database(), data.shopId);
  try {
    readsOnly(trx);
    const me = await whoIn(trx, data);
    if (!me) {
      await trx.rollback();
      return null;
    }
    await learnOwn(trx);
    return { trx, me, at: now() };
  } catch (error) {
    await trx.rollback().catch(() => undefined);
    throw asDataError(error);
  }
}

/**
 * The transaction of one request: begun by the first part of a page that reads, shared by all that
 * read while it lasts, ended when the last of them is done.
 */
class RequestReads {
  #asking: Promise<Asking | null> | null = null;
  #readers = 0;

  async read<T>(work: (asking: Asking) => Promise<T>): Promise<{ readonly value: T } | null> {
    this.#readers++;
    const mine = (this.#asking ??= beginAsking());
    try {
      const asking = await mine;
      return asking && { value: await work(asking) };
    } catch (error) {
      throw sayUnavailable(asDataError(error));
    } finally {
      this.#readers--;
      // A part that begins to read in the same turn still shares it.
      setImmediate(() => this.#end(mine));
    }
  }

  #end(mine: Promise<Asking | null>): void {
    if (this.#readers > 0 || this.#asking !== mine) return;
    this.#asking = null;
    mine.then(
      (asking) => asking?.trx.rollback().catch(() => undefined),
      () => undefined,
    );
  }
}

const requestReads = cache(() => new RequestReads());

/** Runs `work` for a page, in the one transaction of its request; nobody signed in is sent to sign in. */
export async function inMyShop<T>(work: (trx: Trx, me: SignedIn, at: Date) => Promise<T>): Promise<T> {
  const found = await requestReads().read(({ trx, me, at }) => work(trx, me, at));
  if (!found) redirect('/sign-in');
  return found.value;
}
