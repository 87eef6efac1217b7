'use client';
import dynamic from 'next/dynamic';
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
import type { ActionName, InputOf, ResultOf } from '@/core/actions/actions';
import { useShopClock } from './clock';
import { tabletStore, type KeptTap, type NewKeptTap } from './kept-taps';
import type { Outcome } from './outcome';
import { rememberOwnTap } from './own-taps';
import { useQuestion } from './question';
import { useOnceOpened } from './late';
import { drainTaps, inTurnOfTabs, sendTap, type QueueParts } from './tap-queue';

const QuestionDialog = dynamic(() => import('./question-dialog').then((m) => m.QuestionDialog), {
  ssr: false,
});

/** Does an action: what it was about is said where it has to wait. */
export type Act = <N extends ActionName>(
  name: N,
  body: InputOf<N>,
  about?: string,
  key?: string,
  signal?: AbortSignal,
) => Promise<Outcome<ResultOf<N>>>;

interface Actions {
  readonly act: Act;
  /** Tells something in passing: nothing is shown, kept or made anew for it. */
  readonly tell: <N extends ActionName>(name: N, body: InputOf<N>) => void;
  readonly kept: readonly KeptTap[];
  /** Why kept taps wait, or what became of one that was refused when it got through. */
  readonly news: string | null;
  readonly dropNews: () => void;
}

const RETRY_MS = 3000;
const CHANNEL = 'hush-pail-taps';
const Context = createContext<Actions | null>(null);
const NO_ANSWER: Outcome = {
  ok: false,
  why: 'unavailable',
  message: 'No answer came: it is not known yet whether it was done. Tap again to ask; it is done once.',
};
/** A forecast or a document may take its time; longer than this nobody waits. */
const ANSWER_WITHIN_MS = 20_000;

/** Ends with the first of them. */
function anyOf(first: AbortSignal, second?: AbortSignal): AbortSignal {
  if (!second) return first;
  const both = new AbortController();
  for (const one of [first, second]) one.addEventListener('abort', () => both.abort(), { once: true });
  return both.signal;
}

async function post(tap: NewKeptTap, isKept: boolean, signal?: AbortSignal): Promise<Outcome> {
  rememberOwnTap(tap.key);
  try {
    const response = await fetch(`/actions/${tap.name}`, {
      method: 'POST',
      headers: {
        'content-type': 'application/json',
        'x-action-key': tap.key,
        ...(isKept ? { 'x-tapped-at': String(Math.round(tap.tappedAt)) } : {}),
        ...(tap.sure.length > 0 ? { 'x-sure': tap.sure.join() } : {}),
      },
      body: JSON.stringify(tap.body),
      signal: anyOf(AbortSignal.timeout(ANSWER_WITHIN_MS), signal),
    });
    const isJson = response.headers.get('content-type')?.includes('json');
    return isJson ? ((await response.json()) as Outcome) : NO_ANSWER;
  } catch {
    return NO_ANSWER;
  }
}

/** The queue of this tab, and what all tabs of this tablet keep. */
function useQueue(
  ask: QueueParts['ask'],
  now: () => number,
): { parts: QueueParts; kept: readonly KeptTap[] } {
  const [kept, setKept] = useState<readonly KeptTap[]>([]);
  const channel = useRef<BroadcastChannel | null>(null);
  const store = useMemo(() => tabletStore(now), [now]);
  const read = useCallback(
    // None as before is no news: told as news it draws every page once more, and at once.
    () => void store.all().then((all) => setKept((kept) => (all.length + kept.length === 0 ? kept : all))),
    [store],
  );
  useEffect(() => {
    channel.current = new BroadcastChannel(CHANNEL);
    channel.current.onmessage = read;
    read();
    return () => channel.current?.close();
  }, [read]);
  const parts = useMemo<QueueParts>(
    () => ({
      store,
      post,
      inTurn: inTurnOfTabs(CHANNEL),
      ask,
      changed: () => {
        read();
        channel.current?.postMessage('changed');
      },
    }),
    [store, ask, read],
  );
  return { parts, kept };
}

export function ActionProvider({
  personId,
  waiting,
  children,
}: {
  personId: string;
  /** Names of actions whose taps may wait here. */
  waiting: readonly string[];
  children: ReactNode;
}) {
  const router = useRouter();
  const now = useShopClock();
  const { question, ask, answer } = useQuestion();
  const hasQuestion = useOnceOpened(question !== null);
  const { parts, kept } = useQueue(ask, now);
  const [news, setNews] = useState<string | null>(null);
  const unanswered = useRef(new Map<string, string>());

  const act = useCallback<Act>(
    async (name, body, about = '', ownKey, signal) => {
      const same = `${name} ${JSON.stringify(body)}`;
      const key = ownKey ?? unanswered.current.get(same) ?? v4();
      const tap: NewKeptTap = { key, name, body, about, personId, tappedAt: now(), sure: [] };
      const sends = signal ? { ...parts, post: (t: NewKeptTap, k: boolean) => post(t, k, signal) } : parts;
      const outcome = await sendTap(sends, tap, waiting.includes(name));
      // Tapped again before it is known what became of it, it is the same tap, and is done once.
      if (outcome.ok || outcome.why !== 'unavailable') unanswered.current.delete(same);
      else if (!waiting.includes(name)) unanswered.current.set(same, key);
      if (outcome.ok || outcome.why === 'refused') router.refresh();
      return outcome as Outcome<never>;
    },
    [parts, personId, now, waiting, router],
  );

  useEffect(() => {
    if (!kept.some((k) => k.personId === personId)) return;
    const retry = setInterval(() => {
      void drainTaps(parts, personId, (tap, outcome) => {
        setNews(
          outcome.ok
            ? `Now in the record: ${tap.about}.`
            : `Kept tap "${tap.about}" was not done: ${outcome.message}`,
        );
        router.refresh();
      });
    }, RETRY_MS);
    return () => clearInterval(retry);
  }, [kept, parts, personId, router]);

  const value = useMemo<Actions>(
    () => ({
      act,
      tell: (name, body) =>
        void post({ key: v4(), name, body, about: '', personId, tappedAt: now(), sure: [] }, false),
      kept,
      news,
      dropNews: () => setNews(null),
    }),
    [act, kept, news, personId, now],
  );
  return (
    <Context.Provider value={value}>
      {children}
      {hasQuestion && <QuestionDialog question={question} onAnswer={answer} />}
    </Context.Provider>
  );
}

export function useActions(): Actions {
  const actions = useContext(Context);
  if (!actions) throw new Error('useActions needs an ActionProvider');
  return actions;
}
