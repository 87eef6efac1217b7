import 'server-only';
import { LRUCache } from 'lru-cache';
import type { Trx } from '@/data/connection';
import type { Moment, WhoAsks } from '@/data/who-asks';

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

  /** @returns undefined where it was not kept, what was read in a box of its own where it was */
  kept(read: AnyRead, of: string): { readonly value: unknown } | undefined {
    const mine = this.#values.get(read);
    return mine?.has(of) ? { value: mine.get(of) } : undefined;
  }

  keep(read: AnyRead, of: string, value: unknown): void {
    if (this.#count >= MOST_KEPT) return;
    const mine = this.#values.get(read) ?? new Map<string, unknown>();
    if (!mine.has(of)) this.#count++;
    this.#values.set(read, mine.set(of, value));
  }
}

const MOST_SHOPS = 60;
const MOST_KEPT = 200;
const shelves = new LRUCache<string, Shelf>({ max: MOST_SHOPS });

/** What is kept of a shop, as whoever asks for its page begins: nothing, where nothing was read since the start. */
export const shelfOf = (shopId: string): Shelf | null => shelves.get(shopId) ?? null;

/** What is shared is changed by nobody: a list refuses it, its rows are held to it by their types. */
const asShared = <T>(value: T): T => (Array.isArray(value) ? Object.freeze(value) : value);

/** What a page reads: from what was kept while it stands, and from a transaction that begins with the first other thing. */
export class Reads {
  readonly #shelf: Shelf;
  readonly #begin: () => Promise<Trx>;
  readonly #mine = new Map<AnyRead, Map<string, Promise<unknown>>>();
  #trx: Promise<Trx> | null = null;

  /** @param before what was kept as the database was asked whether it stands */
  constructor(
    before: Shelf | null,
    { shopId, isUnchanged, moment }: Pick<WhoAsks, 'shopId' | 'isUnchanged' | 'moment'>,
    begin: () => Promise<Trx>,
  ) {
    this.#begin = begin;
    if (before && isUnchanged) {
      before.moment = moment;
      this.#shelf = before;
    } else {
      this.#shelf = new Shelf(moment);
      shelves.set(shopId, this.#shelf);
    }
  }

  /** The transaction of what is not kept; it only reads. */
  trx(): Promise<Trx> {
    this.#trx ??= this.#begin();
    return this.#trx;
  }

  once<T, A extends readonly unknown[]>(read: Read<T, A>, told: A): Promise<T> {
    const of = JSON.stringify(told);
    const mine = this.#mine.get(read) ?? new Map<string, Promise<unknown>>();
    const found = mine.get(of) as Promise<T> | undefined;
    if (found) return found;
    const kept = this.#shelf.kept(read, of);
    const answer = kept ? Promise.resolve(kept.value as T) : this.#anew(read, of, told);
    this.#mine.set(read, mine.set(of, answer));
    return answer;
  }

  async #anew<T, A extends readonly unknown[]>(read: Read<T, A>, of: string, told: A): Promise<T> {
    const value = asShared(await read(await this.trx(), ...told));
    this.#shelf.keep(read, of, value);
    return value;
  }

  /** Gives its connection back, where it took one. */
  async end(): Promise<void> {
    const trx = await this.#trx?.catch(() => null);
    await trx?.rollback().catch(() => undefined);
  }
}

/** What something is read from: a page's reads, or the transaction of whoever writes. */
export type From = Reads | Trx;

/**
 * What a read answers, kept for whoever asks it again until a transaction that changed anything of its shop is
 * committed: the database says so exactly, with who asks. A transaction that writes reads anew.
 * `read` is one function for its whole life, and hangs on nothing but the shop's rows and what it is told.
 */
export const once = <T, A extends readonly unknown[]>(
  from: From,
  read: Read<T, A>,
  ...told: A
): Promise<T> => (from instanceof Reads ? from.once(read, told) : read(from, ...told));
