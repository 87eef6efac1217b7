import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { ActionName } from '@/core/actions/actions';
import type { Question } from '@/core/actions/contract';

/** A tap that got no answer: it waits on the tablet until it gets one. */
export interface KeptTap {
  /** Where it stands in the order they were made, on this tablet. */
  readonly order: number;
  readonly key: string;
  readonly name: ActionName;
  readonly body: unknown;
  /** When it was made, ms of the shop's clock: its clock starts then. */
  readonly tappedAt: number;
  /** What it was about, for the words on the screen. */
  readonly about: string;
  /** Whoever was signed in; nobody else's session may send it. */
  readonly personId: string;
  /** What was asked and answered with yes. */
  readonly sure: readonly Question[];
}
export type NewKeptTap = Omit<KeptTap, 'order'>;

/** Where taps wait. Each is a row of its own, so that two tabs do not write over each other's. */
export interface TapStore {
  readonly keep: (tap: NewKeptTap) => Promise<void>;
  readonly all: () => Promise<KeptTap[]>;
  readonly drop: (order: number) => Promise<void>;
}

interface Schema extends DBSchema {
  taps: { key: number; value: NewKeptTap & { order?: number } };
}

/** What older versions kept them under, in one text for all: it is taken over once. */
const OLDER = 'hush-pail-kept-taps';

interface OlderTap {
  readonly key: string;
  readonly deed: ActionName;
  readonly body: unknown;
  readonly words: string;
  readonly personId: string;
}

function takeOlder(now: number): NewKeptTap[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(OLDER) ?? '[]');
    localStorage.removeItem(OLDER);
    return (Array.isArray(kept) ? (kept as OlderTap[]) : []).map((tap) => ({
      key: tap.key,
      name: tap.deed,
      body: tap.body,
      tappedAt: now,
      about: tap.words,
      personId: tap.personId,
      sure: [],
    }));
  } catch {
    return [];
  }
}

/** The tablet's own store; where it is closed or full, taps wait in this page alone. */
export function tabletStore(now: () => number, databaseName = 'hush-pail'): TapStore {
  const inMemory: KeptTap[] = [];
  let opened: Promise<IDBPDatabase<Schema> | null> | null = null;
  const open = (): Promise<IDBPDatabase<Schema> | null> =>
    (opened ??= openDB<Schema>(databaseName, 1, {
      upgrade: (db) => void db.createObjectStore('taps', { keyPath: 'order', autoIncrement: true }),
    })
      .then(async (db) => {
        for (const tap of takeOlder(now())) await db.add('taps', tap);
        return db;
      })
      .catch(() => null));
  return {
    keep: async (tap) => {
      const db = await open();
      try {
        if (!db) throw new Error('closed');
        await db.add('taps', tap);
      } catch {
        inMemory.push({ ...tap, order: -1 - inMemory.length });
      }
    },
    all: async () => {
      const db = await open();
      const stored = db ? await db.getAll('taps').catch(() => []) : [];
      return [...(stored as KeptTap[]), ...inMemory];
    },
    drop: async (order) => {
      const at = inMemory.findIndex((t) => t.order === order);
      if (at >= 0) inMemory.splice(at, 1);
      else await (await open())?.delete('taps', order);
    },
  };
}
