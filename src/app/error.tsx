'use client';
import { Button } from '@mantine/core';
import { useSessionStorage } from '@mantine/hooks';
import { usePathname } from 'next/navigation';
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

interface Tries {
  readonly path: string;
  readonly tries: number;
  readonly at: number;
}

/** What was tried in the last minutes; a reload does not begin anew. */
function lately(text: string | undefined): Tries | null {
  try {
    const kept = JSON.parse(text ?? 'null') as Tries | null;
    return kept && Date.now() - kept.at < FORGOTTEN_MS ? kept : null;
  } catch {
    return null;
  }
}

/** Shown when a page cannot be read. Says what it can tell and no more. */
export default function PageError() {
  const [known, setKnown] = useState<Known>('nothing');
  const path = usePathname();
  const [kept, setKept] = useSessionStorage<Tries | null>({
    key: KEPT,
    defaultValue: null,
    deserialize: lately,
  });
  const tries = kept?.path === path ? kept.tries : 0;
  useEffect(() => {
    void lookAround().then(setKnown);
    const waitS = TRIES_AFTER_S[tries];
    if (waitS === undefined) return;
    const timer = setTimeout(() => {
      void lookAround().then((is) => {
        setKnown(is);
        setKept({ path, tries: tries + 1, at: Date.now() });
        if (is === 'answers') location.reload();
      });
    }, waitS * 1000);
    return () => clearTimeout(timer);
  }, [tries, path, setKept]);
  return (
    <main style={{ maxWidth: 640, margin: '12vh auto', padding: 24 }}>
      <h1>This page could not be read</h1>
      <p style={{ margin: '18px 0' }} role="status">
        {SAID[known]} Reading a page changes nothing. What this tablet keeps to be sent stays kept.
        {tries >= TRIES_AFTER_S.length && ' It has tried for a while and waits for you now.'}
      </p>
      <Button onClick={() => location.reload()}>Try now</Button>
    </main>
  );
}
