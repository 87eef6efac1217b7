'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import css from './shell.module.css';

interface Asked {
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

/** The question across the screen, with its two answers; closing it is no. */
export function QuestionSheet({
  question,
  onAnswer,
}: {
  question: Asked | null;
  onAnswer: (isSure: boolean) => void;
}) {
  const sheet = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    if (question && !sheet.current?.open) sheet.current?.showModal();
    if (!question) sheet.current?.close();
  }, [question]);
  return (
    <dialog
      ref={sheet}
      className={css.question}
      aria-labelledby="question-title"
      aria-describedby="question-words"
      onCancel={(event) => {
        event.preventDefault();
        onAnswer(false);
      }}
    >
      <h2 id="question-title">One moment</h2>
      <p id="question-words">{question?.message}</p>
      <div className={css.answers}>
        <button type="button" className="deed" onClick={() => onAnswer(true)}>
          {question?.yes}
        </button>
        <button type="button" className="plain" onClick={() => onAnswer(false)}>
          No, leave it
        </button>
      </div>
    </dialog>
  );
}
