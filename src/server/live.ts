import 'server-only';
import pg from 'pg';
import { isActionName, specOf } from '@/core/actions/actions';
import type { Told } from '@/shell/live-told';
import { now } from './clock';
import { log } from './log';

const CHANNEL = 'hush_pail_done';
const MOST_LISTENERS = 400;
const FIRST_WAIT_MS = 500;
const LONGEST_WAIT_MS = 15_000;

type Hears = (told: Told) => void;

/** What the database's trigger tells of an action that was committed. */
interface Notified {
  readonly shop: string;
  readonly name: string;
  readonly key: string;
}

/** One connection that listens for all tablets of all shops, and hands on what each shop's should hear. */
class Live {
  readonly #byShop = new Map<string, Set<Hears>>();
  #count = 0;
  #isListening = false;
  /** Since when it has heard all there was, ms; null while it hears nothing. */
  #hearsSince: number | null = null;
  /** When something was last done, by shop, ms. */
  readonly #lastDone = new Map<string, number>();
  #waitMs = FIRST_WAIT_MS;
  #client: pg.Client | null = null;

  /** Hears what is done in a shop until the answer is called; null where too many listen already. */
  hear(shopId: string, hears: Hears): (() => void) | null {
    if (this.#count >= MOST_LISTENERS) return null;
    const mine = this.#byShop.get(shopId) ?? new Set();
    this.#byShop.set(shopId, mine.add(hears));
    this.#count++;
    void this.#listen();
    return () => {
      if (mine.delete(hears)) this.#count--;
      if (mine.size === 0) this.#byShop.delete(shopId);
    };
  }

  /**
   * Whether something may have been done in a shop since a page of it was read, which whoever listens only now has
   * not heard: a page is drawn before its tablet listens. @param readMs the shop's time at which it was begun to be read
   */
  mayHaveMissed(shopId: string, readMs: number): boolean {
    return (
      this.#hearsSince === null ||
      this.#hearsSince > readMs ||
      (this.#lastDone.get(shopId) ?? -Infinity) >= readMs
    );
  }

  /** Whether somebody listens, and the database is not heard. */
  get isLost(): boolean {
    return this.#count > 0 && this.#hearsSince === null;
  }

  /** Tells nobody anything any more, and lets the database go. */
  async close(): Promise<void> {
    this.#byShop.clear();
    this.#count = 0;
    await this.#client?.end();
  }

  async #listen(): Promise<void> {
    if (this.#isListening) return;
    this.#isListening = true;
    const client = new pg.Client({
      connectionString: process.env.HUSH_PAIL_DATABASE_URL,
      connectionTimeoutMillis: 2000,
      keepAlive: true,
    });
    this.#client = client;
    const lost = (): void => {
      client.removeAllListeners();
      client.on('error', () => undefined);
      void client.end().catch(() => undefined);
      if (!this.#isListening) return;
      this.#isListening = false;
      this.#client = null;
      this.#hearsSince = null;
      if (this.#count === 0) return;
      setTimeout(() => void this.#listen(), this.#waitMs).unref();
      this.#waitMs = Math.min(LONGEST_WAIT_MS, this.#waitMs * 2);
    };
    client.on('error', lost).on('end', lost);
    client.on('notification', ({ payload }) => this.#tell(payload ?? ''));
    try {
      await client.connect();
      await client.query(`listen ${CHANNEL}`);
      this.#hearsSince = now().getTime();
      // What was done while nobody listened is not known: everybody looks.
      if (this.#waitMs > FIRST_WAIT_MS)
        for (const shop of this.#byShop.values()) for (const hears of shop) hears({ key: '', place: null });
      this.#waitMs = FIRST_WAIT_MS;
    } catch {
      lost();
    }
  }

  #tell(payload: string): void {
    try {
      const { shop, name, key } = JSON.parse(payload) as Notified;
      // What writes no entry of the record shows in its own place alone.
      const isQuiet = isActionName(name) && specOf(name).entries.length === 0;
      const told: Told = { key, place: isQuiet ? (name.split('/')[0] ?? null) : null };
      this.#lastDone.set(shop, now().getTime());
      for (const hears of this.#byShop.get(shop) ?? []) hears(told);
    } catch (error) {
      log.error({ err: error }, 'a notification could not be read');
    }
  }
}

// One a process, also when a module is loaded twice by two bundles of the same server.
const holder = globalThis as typeof globalThis & { hushPailLive?: Live };
export const live = (): Live => (holder.hushPailLive ??= new Live());
