'use client';
import { useEffect, useState, useSyncExternalStore } from 'react';
import type { ActionName, InputOf } from '@/core/actions/actions';
import { useActions } from '@/shell/actions';
import type { Outcome } from '@/shell/outcome';

/** Longer than the second tap of a double tap takes to follow the first. */
const SETTLE_MS = 400;
let lastTapAt = -SETTLE_MS;

/** False for a moment after a tap has brought a new step under the finger: a double tap must not log it too. */
export function useSettled(): boolean {
  const [settled, setSettled] = useState(() => performance.now() - lastTapAt > SETTLE_MS);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(true), SETTLE_MS);
    return () => clearTimeout(timer);
  }, []);
  return settled;
}

export interface Log {
  readonly log: <N extends ActionName>(name: N, body: InputOf<N>, about: string) => Promise<Outcome>;
  readonly busy: boolean;
  readonly said: string | null;
}

/** What was said last of each lot on this tablet, until something of it is tapped again. */
const lastFeedback = new Map<string, string>();
const listeners = new Set<() => void>();
const hear = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};
function sayOf(whose: string, words: string | null): void {
  if (words === null) lastFeedback.delete(whose);
  else lastFeedback.set(whose, words);
  for (const listener of listeners) listener();
}

/**
 * Logs taps about one lot; what comes of one that was refused is said. It outlives the card it was
 * tapped on: that one is exchanged for the next step's as soon as the page has heard how things stand.
 */
export function useLog(whose: string): Log {
  const { act } = useActions();
  const [busy, setBusy] = useState(false);
  const said = useSyncExternalStore(
    hear,
    () => lastFeedback.get(whose) ?? null,
    () => null,
  );
  return {
    busy,
    said,
    log: async (name, body, about) => {
      lastTapAt = performance.now();
      setBusy(true);
      sayOf(whose, null);
      const outcome = await act(name, body, `${whose}, ${about}`);
      setBusy(false);
      if (!outcome.ok && outcome.why !== 'unavailable') sayOf(whose, outcome.message);
      return outcome;
    },
  };
}
