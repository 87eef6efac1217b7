'use client';
import { useState } from 'react';
import type { ActionName } from '@/core/actions/actions';
import { useActions } from './actions';

interface Last {
  readonly entryId: number;
  readonly words: string;
  readonly whyNot: string | null;
}
interface Redo {
  readonly name: ActionName;
  readonly input: unknown;
  readonly words: string;
}

/** What was just done, with the ways to take it back and to do it again. */
export interface JustDone {
  /** What came of the last taking back. */
  readonly said: string | null;
  readonly last: string | null;
  readonly onTakeBack: () => void;
  readonly onDoAgain: (() => void) | null;
  /** Another string whenever there is something new to say. */
  readonly key: string;
}

/** What this person did last, with the way to take it back; and what they took back, with the way to do it again. */
export function useTakeBack(
  last: Last | null,
  redo: Redo | null,
  ask: (tap: unknown, message: string, yes?: string) => Promise<boolean>,
): { readonly takeBack: () => Promise<void>; readonly justDone: JustDone | null } {
  const { act } = useActions();
  const [feedback, setFeedback] = useState<string | null>(null);
  const takeBack = async (): Promise<void> => {
    if (!last) return setFeedback('There is nothing of yours to take back.');
    if (last.whyNot) return setFeedback(last.whyNot);
    if (!(await ask(null, last.words, 'Take it back'))) return;
    const outcome = await act('desk/take-back', { entryId: last.entryId });
    setFeedback(outcome.ok ? `Taken back: ${last.words}` : outcome.message);
  };
  const doAgain = async (): Promise<void> => {
    if (!redo) return;
    const outcome = await act(redo.name, redo.input as never, redo.words);
    setFeedback(outcome.ok ? `Done again: ${redo.words}` : outcome.message);
  };
  const key = `${feedback ?? ''} ${last?.entryId ?? ''} ${redo !== null}`;
  // What was done before this page was opened is no news.
  const [toldAtFirst] = useState(key);
  const [hasNews, setHasNews] = useState(false);
  if (key !== toldAtFirst && !hasNews) setHasNews(true);
  const justDone: JustDone = {
    said: feedback,
    last: last?.words ?? null,
    onTakeBack: () => void takeBack(),
    onDoAgain: redo === null ? null : () => void doAgain(),
    key,
  };
  return { takeBack, justDone: hasNews ? justDone : null };
}
