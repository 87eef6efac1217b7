'use client';
import { startTransition, useEffect, useState } from 'react';
import { whenIdle } from './late';

/**
 * A long list in pieces: the first at once, the next each time the page has nothing better to do, so
 * that three hundred lots hold no finger up. What is drawn stays drawn.
 * @param first rows drawn with the page
 * @param piece rows a turn
 */
export function useInPieces<T>(all: readonly T[], first = 24, piece = 8): readonly T[] {
  const [shown, setShown] = useState(first);
  const isWhole = shown >= all.length;
  useEffect(() => {
    if (isWhole) return;
    const more = (): void => startTransition(() => setShown((n) => n + piece));
    return whenIdle(more, 250);
  }, [isWhole, shown, piece]);
  return isWhole ? all : all.slice(0, shown);
}
