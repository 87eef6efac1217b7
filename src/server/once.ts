import 'server-only';
import { LRUCache } from 'lru-cache';
import type { Trx } from '@/data/connection';
import type { Moment, WhoAsks } from '@/data/who-asks';

/** What it is told is known again as JSON writes it. */
type Read<T, A extends readonly unknown[]> = (trx: Trx, ...told: A) => Promise<T>;
type AnyRead = Read<unknown, never>;

/** What was read of one shop, as it stood at a moment of its database, and what was worked out from that. */
class Shelf {
  moment: Moment;
  readonly values = new LRUCache<string, { readonly value: unknown }>({ max: MOST_KEPT });
  /** What somebody is at: whoever wants it too waits for it. After a tap every tablet of a shop asks at once. */
  readonly underway = new Map<string, Promise<unknown>>();

  constructor(moment: Moment) {
    this.moment = moment;
  }
}

/** Reads by a number each: what a name says, two of them may say. */
const numbers = new WeakMap<AnyRead, number>();
let readsKnown = 0;
function numberOf(read: AnyRead): number {
  const number = numbers.get(read) ?? ++readsKnown;
  numbers.set(read, number);
  return number;
}

const MOST_SHOPS = 60;
const MOST_KEPT = 150;
/** For so long what was worked out for a moment is good for those after it. */
const MADE_FOR_MS = 10_000;
const shelves = new LRUCache<string, Shelf>({ max: MOST_SHOPS });

/** What is kept of a shop, as whoever asks for its page begins: nothing, where nothing was read since the start. */
export const shelfOf = (shopId: string): Shelf | null => shelves.get(shopId) ?? null;

type Asked = { readonly before: Shelf | null; readonly who: WhoAsks | undefined };

/**
 * Who asks, and what was kept as they were asked about. Where it does not stand any more, and somebody has begun to
 * read anew meanwhile, it is asked once more about that: a question costs less than what they read.
 * @param ask who asks, and whether what was kept at a moment stands
 */
export async function askWith(
  shopId: string,
  ask: (moment: Moment | null) => Promise<WhoAsks | undefined>,
): Promise<Asked> {
  const before = shelfOf(shopId);
  const who = await ask(before?.moment ?? null);
  const newer = shelfOf(shopId);
  if (!who || who.isUnchanged || !newer || newer === before || newer.moment === who.moment)
    return { before, who };
  return { before: newer, who: await ask(newer.moment) };
}

/** What is shared is changed by nobody: a list refuses it, its rows are held to it by their types. */
const asShared = <T>(value: T): T => (Array.isArray(value) ? Object.freeze(value) : value);

/** What a page reads: from what was kept while it stands, and from a transaction that begins with the first other thing. */
export class Reads {
  readonly #shelf: Shelf;
  readonly #begin: () => Promise<Trx>;
  readonly #mine = new Map<string, Promise<unknown>>();
  #trx: Promise<Trx> | null = null;

  /** @param before what was kept as the database was asked whether it stands */
  constructor(
    before: Shelf | null,
    { shopId, isUnchanged, moment }: Pick<WhoAsks, 'shopId' | 'isUnchanged' | 'moment'>,
    begin: () => Promise<Trx>,
  ) {
    this.#begin = begin;
    const stands = shelves.get(shopId);
    if (before && isUnchanged) {
      before.moment = moment;
      this.#shelf = before;
    } else if (stands?.moment === moment) {
      // Whoever asked at the same moment has begun it.
      this.#shelf = stands;
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
    return this.#kept(`${numberOf(read)} ${JSON.stringify(told)}`, async () =>
      asShared(await read(await this.trx(), ...told)),
    );
  }

  /**
   * What is worked out from what was read by `once`, kept as long as that stands, and ten seconds at most: after
   * each tap every tablet of the shop asks at once. `name` is of one place in the code; `work` hangs on what was
   * read, on what is told and on the time alone.
   */
  made<T>(name: string, told: readonly unknown[], at: Date, work: () => Promise<T>): Promise<T> {
    return this.#kept(`${name} ${Math.floor(at.getTime() / MADE_FOR_MS)} ${JSON.stringify(told)}`, work);
  }

  #kept<T>(of: string, make: () => Promise<T>): Promise<T> {
    const mine = this.#mine.get(of) as Promise<T> | undefined;
    if (mine) return mine;
    const kept = this.#shelf.values.get(of);
    const answer = kept ? Promise.resolve(kept.value as T) : this.#sharedOrAnew(of, make);
    this.#mine.set(of, answer);
    return answer;
  }

  /** Who begins it may come to nothing, and end their transaction; whoever waited sees to it alone then. */
  #sharedOrAnew<T>(of: string, make: () => Promise<T>): Promise<T> {
    const underway = this.#shelf.underway.get(of) as Promise<T> | undefined;
    return underway ? underway.catch(() => this.#anew(of, make)) : this.#anew(of, make);
  }

  #anew<T>(of: string, make: () => Promise<T>): Promise<T> {
    const { values, underway } = this.#shelf;
    const making = make()
      .then((value) => {
        values.set(of, { value });
        return value;
      })
      .finally(() => {
        if (underway.get(of) === making) underway.delete(of);
      });
    underway.set(of, making);
    return making;
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
