import 'server-only';
import { LRUCache } from 'lru-cache';
import { maybeUnchangedSince, type Moment } from '@/data/changed-since';
import type { Trx } from '@/data/connection';

/** What it is told is known again as JSON writes it. */
type Read<T, A extends readonly unknown[]> = (trx: Trx, ...told: A) => Promise<T>;
type AnyRead = Read<unknown, never>;

/** What was read of one shop, as it stood at a moment of its database. */
class Shelf {
  moment: Moment;
  #count = 0;
  readonly #values = new Map<AnyRead, Map<string, unknown>>();

  constructor(moment: Moment) {
    this.moment = moment;
  }

  has(read: AnyRead, of: string): boolean {
    return this.#values.get(read)?.has(of) ?? false;
  }

  value(read: AnyRead, of: string): unknown {
    return this.#values.get(read)?.get(of);
  }

  keep(read: AnyRead, of: string, value: unknown): void {
    if (this.#count >= MOST_KEPT) return;
    const mine = this.#values.get(read) ?? new Map<string, unknown>();
    if (!mine.has(of)) this.#count++;
    this.#values.set(read, mine.set(of, value));
  }
}

/** What one transaction that only reads has read, and what stood on its shop's shelf when it began. */
interface Reading {
  readonly before: Shelf | undefined;
  /** The shelf that stands: the one from before, or an empty one where something was changed since. */
  readonly stands: Promise<Shelf>;
  readonly mine: Map<AnyRead, Map<string, Promise<unknown>>>;
}

const MOST_SHOPS = 60;
const MOST_KEPT = 200;
const shelves = new LRUCache<string, Shelf>({ max: MOST_SHOPS });
const readings = new WeakMap<Trx, Reading>();

async function shelfThatStands(trx: Trx, shopId: string, before: Shelf | undefined): Promise<Shelf> {
  const { isUnchanged, moment } = await maybeUnchangedSince(trx, before?.moment ?? null);
  if (before && isUnchanged) {
    before.moment = moment;
    return before;
  }
  const empty = new Shelf(moment);
  shelves.set(shopId, empty);
  return empty;
}

/** Says that a transaction only reads: what is read in it stands until it ends, and for others until the shop changes. */
export function readsOnly(trx: Trx, shopId: string): void {
  const before = shelves.get(shopId);
  const stands = shelfThatStands(trx, shopId, before);
  // Whoever waits for it is told; nobody may.
  stands.catch(() => undefined);
  readings.set(trx, { before, stands, mine: new Map() });
}

/** What is shared is changed by nobody: a list refuses it, its rows are held to it by their types. */
const asShared = <T>(value: T): T => (Array.isArray(value) ? Object.freeze(value) : value);

/**
 * What a read answers, kept for whoever asks it again until a transaction that changed anything of its shop is
 * committed: the database says so exactly, with the first thing it is asked. A transaction that writes reads anew.
 * `read` is one function for its whole life, and hangs on nothing but the shop's rows and what it is told.
 */
export function once<T, A extends readonly unknown[]>(trx: Trx, read: Read<T, A>, ...told: A): Promise<T> {
  const reading = readings.get(trx);
  if (!reading) return read(trx, ...told);
  const { before, stands, mine } = reading;
  const of = JSON.stringify(told);
  const known = mine.get(read) ?? new Map<string, Promise<unknown>>();
  const found = known.get(of) as Promise<T> | undefined;
  if (found) return found;
  const anew = async (): Promise<T> => {
    const value = asShared(await read(trx, ...told));
    (await stands).keep(read, of, value);
    return value;
  };
  // Where nothing was kept there is nothing to wait for: it goes out with what is asked first.
  const answer = before?.has(read, of)
    ? stands.then((shelf) => (shelf.has(read, of) ? (shelf.value(read, of) as T) : anew()))
    : anew();
  mine.set(read, known.set(of, answer));
  return answer;
}
