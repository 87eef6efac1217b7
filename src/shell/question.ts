'use client';
import { useCallback, useState } from 'react';

export interface Asked {
  readonly message: string;
  /** What yes is called. */
  readonly yes: string;
  readonly answer: (isSure: boolean) => void;
}

/** What somebody is asked before an action goes on; one at a time, the next when the first is answered. */
export function useQuestion(): {
  question: Asked | null;
  ask: (tap: unknown, message: string, yes?: string) => Promise<boolean>;
  answer: (isSure: boolean) => void;
} {
  const [waiting, setWaiting] = useState<readonly Asked[]>([]);
  const ask = useCallback(
    (_tap: unknown, message: string, yes = 'Yes, all the same') =>
      new Promise<boolean>((resolve) => setWaiting((w) => [...w, { message, yes, answer: resolve }])),
    [],
  );
  const [question = null] = waiting;
  const answer = useCallback(
    (isSure: boolean) => {
      question?.answer(isSure);
      setWaiting((w) => w.slice(1));
    },
    [question],
  );
  return { question, ask, answer };
}
