'use client';
import { useDebouncedValue } from '@mantine/hooks';
import { usePathname } from 'next/navigation';
import { useEffect, useState } from 'react';
import type { QuickAnswer } from './quick-option';

const ASK_AFTER_MS = 150;
const NOTHING: QuickAnswer = { options: [], problem: null };
const NO_ANSWER: QuickAnswer = {
  options: [],
  problem: 'The shop’s memory is not answering. Nothing was done; try again.',
};

/** What the words typed so far may mean; of two answers on their way the later question's stands. */
export function useQuickAnswer(text: string): QuickAnswer {
  const [asked] = useDebouncedValue(text.trim(), ASK_AFTER_MS);
  const at = usePathname().startsWith('/bench') ? 'bench' : '';
  const [answered, setAnswered] = useState<{ readonly to: string; readonly answer: QuickAnswer } | null>(
    null,
  );
  useEffect(() => {
    if (asked === '') return;
    const gone = new AbortController();
    fetch(`/quick?text=${encodeURIComponent(asked)}&at=${at}`, { signal: gone.signal })
      .then((response) => response.json() as Promise<QuickAnswer>)
      .then((answer) => setAnswered({ to: asked, answer }))
      .catch(() => {
        if (!gone.signal.aborted) setAnswered({ to: asked, answer: NO_ANSWER });
      });
    return () => gone.abort();
  }, [asked, at]);
  return answered && asked !== '' && answered.to === asked ? answered.answer : NOTHING;
}
