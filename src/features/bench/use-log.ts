'use client';
import { useEffect, useState } from 'react';
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

/** Logs taps about one lot; what comes of one that was refused is said. */
export function useLog(whose: string): Log {
  const { act } = useActions();
  const [busy, setBusy] = useState(false);
  const [said, setSaid] = useState<string | null>(null);
  return {
    busy,
    said,
    log: async (name, body, about) => {
      lastTapAt = performance.now();
      setBusy(true);
      setSaid(null);
      const outcome = await act(name, body, `${whose}, ${about}`);
      setBusy(false);
      if (!outcome.ok && outcome.why !== 'unavailable') setSaid(outcome.message);
      return outcome;
    },
  };
}
