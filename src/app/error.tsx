'use client';
import { useEffect, useState } from 'react';

/** It tries by itself a few times, each time later; then somebody taps. */
const TRIES_AFTER_S = [4, 8, 16, 32, 60];

type Known = 'nothing' | 'offline' | 'no answer' | 'answers';

/** What can be known from here: whether this tablet has a network, and whether the shop's machine answers. */
async function lookAround(): Promise<Known> {
  if (!navigator.onLine) return 'offline';
  const health = await fetch('/health', { cache: 'no-store', signal: AbortSignal.timeout(4000) }).catch(
    () => null,
  );
  return health?.ok ? 'answers' : 'no answer';
}

const SAID: Readonly<Record<Known, string>> = {
  nothing: 'Something came in between while it was read.',
  offline: 'This tablet has no network just now.',
  'no answer': 'The shop’s machine does not answer.',
  answers:
    'The shop’s machine answers, but could not read this page: its memory may be away, or the fault is ours.',
};

const KEPT = 'hush-pail-page-tries';
const FORGOTTEN_MS = 5 * 60_000;

/** How often this page was tried in vain in the last minutes; a reload does not begin anew. */
function triesSoFar(): number {
  try {
    const kept = JSON.parse(sessionStorage.getItem(KEPT) ?? 'null') as {
      path: string;
      tries: number;
      at: number;
    } | null;
    return kept?.path === location.pathname && Date.now() - kept.at < FORGOTTEN_MS ? kept.tries : 0;
  } catch {
    return 0;
  }
}

function countTry(tries: number): void {
  try {
    sessionStorage.setItem(KEPT, JSON.stringify({ path: location.pathname, tries, at: Date.now() }));
  } catch {
    // Without storage it counts from nought; the waits are the same.
  }
}

/** Shown when a page cannot be read. Says what it can tell and no more. */
export default function PageError() {
  const [known, setKnown] = useState<Known>('nothing');
  const [tries, setTries] = useState(0);
  useEffect(() => setTries(triesSoFar()), []);
  useEffect(() => {
    void lookAround().then(setKnown);
    const waitS = TRIES_AFTER_S[tries];
    if (waitS === undefined) return;
    const timer = setTimeout(() => {
      countTry(tries + 1);
      void lookAround().then((is) => {
        setKnown(is);
        if (is === 'answers') location.reload();
        else setTries(tries + 1);
      });
    }, waitS * 1000);
    return () => clearTimeout(timer);
  }, [tries]);
  return (
    <main style={{ maxWidth: 640, margin: '12vh auto', padding: 24 }}>
      <h1>This page could not be read</h1>
      <p style={{ margin: '18px 0' }} role="status">
        {SAID[known]} Reading a page changes nothing. What this tablet keeps to be sent stays kept.
        {tries >= TRIES_AFTER_S.length && ' It has tried for a while and waits for you now.'}
      </p>
      <button type="button" className="plain" onClick={() => location.reload()}>
        Try now
      </button>
    </main>
  );
}
