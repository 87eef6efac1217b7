'use client';
import { useRouter } from 'next/navigation';
import {
  createContext,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useRef,
  useState,
  type ReactNode,
} from 'react';
import { v4 } from 'uuid';
import type { Outcome } from './outcome';

interface KeptTap {
  readonly key: string;
  readonly deed: string;
  readonly body: unknown;
  /** What the tap was about, for the words on the screen. */
  readonly words: string;
  /** Whoever was signed in; nobody else's session may send it. */
  readonly personId: string;
}

interface Actions {
  /** Sends a deed and answers what came of it; nothing is kept when it fails. */
  readonly send: (deed: string, body: unknown, actionKey?: string) => Promise<Outcome>;
  /** Sends a tap; where the shop's memory does not answer, it is kept on this tablet and tried again. */
  readonly tap: (deed: string, body: unknown, words: string) => Promise<Outcome>;
  /** Tells something in passing: nothing is shown, kept or made anew for it. */
  readonly tell: (deed: string, body: unknown) => void;
  readonly kept: readonly KeptTap[];
  /** Why kept taps wait, or what became of one that was refused when it got through. */
  readonly news: string | null;
  readonly dropNews: () => void;
}

const STORE = 'hush-pail-kept-taps';
const RETRY_MS = 3000;
const Context = createContext<Actions | null>(null);

function readKept(): KeptTap[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(STORE) ?? '[]');
    return Array.isArray(kept) ? (kept as KeptTap[]) : [];
  } catch {
    return [];
  }
}

/** Where taps cannot be stored (a full or closed store), they still wait in memory. */
function storeKept(kept: readonly KeptTap[]): void {
  try {
    localStorage.setItem(STORE, JSON.stringify(kept));
  } catch {
    // Kept in memory until this page is closed.
  }
}

const NO_ANSWER: Outcome = { ok: false, why: 'unavailable', message: 'The shop’s memory is not answering.' };

async function post(deed: string, body: unknown, actionKey: string): Promise<Outcome> {
  try {
    const response = await fetch(`/deeds/${deed}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'x-action-key': actionKey },
      body: JSON.stringify(body),
      signal: AbortSignal.timeout(12_000),
    });
    const isJson = response.headers.get('content-type')?.includes('json');
    return isJson ? ((await response.json()) as Outcome) : NO_ANSWER;
  } catch {
    return NO_ANSWER;
  }
}

export function ActionProvider({ personId, children }: { personId: string; children: ReactNode }) {
  const router = useRouter();
  const [kept, setKept] = useState<readonly KeptTap[]>([]);
  const [news, setNews] = useState<string | null>(null);
  const keptRef = useRef(kept);
  const busy = useRef(false);
  const hold = useCallback((next: readonly KeptTap[]) => {
    keptRef.current = next;
    setKept(next);
    storeKept(next);
  }, []);

  useEffect(() => {
    const stored = readKept();
    if (stored.length > 0) hold(stored);
  }, [hold]);

  const send = useCallback<Actions['send']>(
    async (deed, body, actionKey = v4()) => {
      const outcome = await post(deed, body, actionKey);
      if (outcome.ok) router.refresh();
      return outcome;
    },
    [router],
  );

  const tap = useCallback<Actions['tap']>(
    async (deed, body, words) => {
      const one: KeptTap = { key: v4(), deed, body, words, personId };
      // Taps go in the order they were made: behind one that waits, the next waits too.
      const outcome = keptRef.current.length > 0 ? NO_ANSWER : await post(deed, body, one.key);
      if (outcome.ok || outcome.why === 'refused') router.refresh();
      if (!outcome.ok && (outcome.why === 'unavailable' || outcome.why === 'signed-out'))
        hold([...keptRef.current, one]);
      return outcome;
    },
    [hold, personId, router],
  );

  useEffect(() => {
    if (kept.length === 0) return;
    const retry = setInterval(() => {
      const first = keptRef.current.find((k) => k.personId === personId);
      if (!first || busy.current) return;
      busy.current = true;
      void post(first.deed, first.body, first.key).then((outcome) => {
        busy.current = false;
        if (!outcome.ok && (outcome.why === 'unavailable' || outcome.why === 'signed-out')) return;
        hold(keptRef.current.filter((k) => k.key !== first.key));
        setNews(
          outcome.ok
            ? `Now in the record: ${first.words}.`
            : `Kept tap "${first.words}" was not done: ${outcome.message}`,
        );
        router.refresh();
      });
    }, RETRY_MS);
    return () => clearInterval(retry);
  }, [kept, hold, personId, router]);

  const value = useMemo<Actions>(
    () => ({
      send,
      tap,
      tell: (deed, body) => void post(deed, body, v4()),
      kept,
      news,
      dropNews: () => setNews(null),
    }),
    [send, tap, kept, news],
  );
  return <Context.Provider value={value}>{children}</Context.Provider>;
}

export function useActions(): Actions {
  const deeds = useContext(Context);
  if (!deeds) throw new Error('useActions needs a ActionProvider');
  return deeds;
}
