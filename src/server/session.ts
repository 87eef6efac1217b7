import { registryWith, type SpeciesRegistry } from '@/core/species/registry';
import type { Species } from '@/core/species/species';
import 'server-only';
import { cache } from 'react';
import { getIronSession, unsealData, type SessionOptions } from 'iron-session';
import { LRUCache } from 'lru-cache';
import { cookies } from 'next/headers';
import { redirect } from 'next/navigation';
import { beginReading, inShop, type Trx } from '@/data/connection';
import { asDataError } from '@/data/errors';
import { maybeWhoAsks, type SessionIds, type WhoAsks } from '@/data/who-asks';
import { beginSession, endSessions } from '@/data/sessions';
import { newId } from '@/data/ids';
import { log } from './log';
import type { Role } from '@/core/actions/contract';
import { isLanguage, tagOf, type LanguageTag } from '@/core/words/catalogues';
import { database } from './database';
import { now } from './clock';
import { askWith, once, Reads } from './once';
import { speciesOfOwn } from './own-species';
import { sayUnavailable } from './request-state';
import { sessionSecret } from './session-secret';

interface SessionData {
  shopId?: string;
  personId?: string;
  sessionId?: string;
}

export interface SignedIn {
  readonly personId: string;
  readonly name: string;
  readonly role: Role;
  /** What they read the shop in, and in which units. */
  readonly language: LanguageTag;
  /** The table, with their shop's own species. */
  readonly species: SpeciesRegistry;
  readonly shop: {
    readonly id: string;
    readonly name: string;
    readonly timeZone: string;
    readonly demo: boolean;
    readonly promiseConfidence: number;
    /** The money it counts in, ISO 4217. */
    readonly currency: string;
    /** Whom it calls when somebody is hurt; empty where it did not say. */
    readonly emergency: string;
  };
}

/** The longest a session lasts. */
export const A_LONG_SHIFT_S = 14 * 3600;
/** Over TLS its name binds it to this very host: no other on the shop's network sets it. */
const COOKIE = process.env.HUSH_PAIL_HTTPS === '1' ? '__Host-hush-pail' : 'hush-pail';
/** A tablet asks many times a minute with one seal; breaking it open each time is four trips to the crypto threads. */
const OPENED_FOR_MS = 60_000;
const opened = new LRUCache<string, SessionData>({ max: 1000, ttl: OPENED_FOR_MS });

function options(): SessionOptions {
  const password = sessionSecret();
  // Plain http on the shop's own machine cannot carry Secure cookies; behind TLS it must.
  const secure = process.env.HUSH_PAIL_HTTPS === '1';
  return {
    password,
    cookieName: COOKIE,
    ttl: A_LONG_SHIFT_S,
    cookieOptions: { httpOnly: true, sameSite: 'lax', secure },
  };
}

/** The sealed session of this request, to be changed. */
async function seal() {
  // Both mean one thing by a cookie; their types differ in how an option that is not there is written.
  return getIronSession<SessionData>((await cookies()) as never, options());
}

/** What the seal of this request says; nothing where there is none, or it is broken or old. */
export async function sealedSession(): Promise<SessionData> {
  const seal = (await cookies()).get(COOKIE)?.value;
  if (!seal) return {};
  const known = opened.get(seal);
  if (known) return known;
  const { password, ttl } = options();
  const data = await unsealData<SessionData>(seal, { password, ...(ttl === undefined ? {} : { ttl }) });
  if (data.personId) opened.set(seal, data);
  return data;
}

/** Begins a session of somebody's on this tablet. */
export async function beginSessionOf(
  trx: Trx,
  who: { shopId: string; personId: string; address: string; device: string; at: Date },
): Promise<void> {
  const { shopId, personId, address, device, at } = who;
  const id = newId();
  await beginSession(trx, shopId, { id, personId, beganAt: at, address, device }, A_LONG_SHIFT_S * 1000);
  const mine = await seal();
  Object.assign(mine, { shopId, personId, sessionId: id });
  await mine.save();
}

/** Ends this tablet's session, here and on the server: its seal, kept by somebody, opens nothing any more. */
export async function endMySession(): Promise<void> {
  const { shopId, personId, sessionId } = await sealedSession();
  (await seal()).destroy();
  if (!shopId || !personId || !sessionId) return;
  // Whoever leaves leaves, also while the database is away; the session then ends by its hours.
  await inShop(database(), shopId, (trx) => endSessions(trx, personId, sessionId, now())).catch(
    (error: unknown) => log.error({ err: error }, 'a session was not ended'),
  );
}

/** Who is signed in, with their shop's own species. */
function signedIn(who: WhoAsks, own: readonly Species[]): SignedIn {
  const { shopId: id, shopName: name, timeZone, demo, promiseConfidence, currency, emergency } = who;
  return {
    personId: who.id,
    name: who.name,
    role: who.role,
    language: tagOf(isLanguage(who.language) ? who.language : 'en', who.units),
    species: registryWith(own),
    shop: { id, name, timeZone, demo, promiseConfidence, currency, emergency },
  };
}

/** The ids a seal says; null where nobody is signed in by it. */
const idsIn = ({ shopId, personId, sessionId }: SessionData): SessionIds | null =>
  shopId && personId && sessionId ? { shopId, personId, sessionId } : null;

/** Runs `work` for whoever is signed in, in their shop, in a transaction of its own; null when nobody is. */
export async function maybeInMyShop<T>(work: (trx: Trx, me: SignedIn) => Promise<T>): Promise<T | null> {
  const ids = idsIn(await sealedSession());
  if (!ids) return null;
  try {
    return await inShop(database(), ids.shopId, async (trx) => {
      const [who, own] = await Promise.all([maybeWhoAsks(trx, ids, null), speciesOfOwn(trx)]);
      return who?.active ? work(trx, signedIn(who, own)) : null;
    });
  } catch (error) {
    throw sayUnavailable(error);
  }
}

type Read = (trx: Trx) => Promise<unknown>;

const readAhead = (from: Reads, reads: Iterable<Read>): void => {
  for (const read of reads) once(from, read).catch(() => undefined);
};

/** Who asks, and what all parts of their page read from. */
interface Asking {
  readonly from: Reads;
  readonly me: SignedIn;
  readonly at: Date;
}

async function beginAsking(began: (from: Reads) => void): Promise<Asking | null> {
  const ids = idsIn(await sealedSession());
  if (!ids) return null;
  const { before, who } = await askWith(ids.shopId, (moment) => maybeWhoAsks(database(), ids, moment));
  if (!who?.active) return null;
  const from = new Reads(before, who, () => beginReading(database(), ids.shopId));
  began(from);
  try {
    return { from, me: signedIn(who, await speciesOfOwn(from)), at: now() };
  } catch (error) {
    await from.end();
    throw error;
  }
}

/**
 * What one request reads: begun by the first part of a page that reads, shared by all that
 * read while it lasts, ended when the last of them is done.
 */
class RequestReads {
  #asking: Promise<Asking | null> | null = null;
  #readers = 0;
  #from: Reads | null = null;
  readonly #ahead = new Set<Read>();

  async read<T>(
    work: (asking: Asking) => Promise<T>,
    ahead: readonly Read[],
  ): Promise<{ readonly value: T } | null> {
    this.#readers++;
    if (this.#from) readAhead(this.#from, ahead);
    else for (const read of ahead) this.#ahead.add(read);
    const mine = (this.#asking ??= beginAsking((from) => {
      this.#from = from;
      readAhead(from, this.#ahead);
    }));
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
    this.#from = null;
    mine.then(
      (asking) => asking?.from.end(),
      () => undefined,
    );
  }
}

const requestReads = cache(() => new RequestReads());

/**
 * Runs `work` for a page, with what its request reads from; nobody signed in is sent to sign in.
 * What it reads by `once` whoever asks is told as `ahead`: it is asked for as soon as it is known who asks.
 */
export async function inMyShop<T>(
  work: (from: Reads, me: SignedIn, at: Date) => Promise<T>,
  ahead: readonly Read[] = [],
): Promise<T> {
  const found = await requestReads().read(({ from, me, at }) => work(from, me, at), ahead);
  if (!found) redirect('/sign-in');
  return found.value;
}
