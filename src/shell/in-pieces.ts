'use client';
import { startTransition, useEffect, useState } from 'react';

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
    // Not every browser tells when it is idle; then the next turn but one will do.
    if (!('requestIdleCallback' in globalThis)) {
      const timer = setTimeout(more, 32);
      return () => clearTimeout(timer);
    }
    const idle = requestIdleCallback(more, { timeout: 250 });
    return () => cancelIdleCallback(idle);
  }, [isWhole, shown, piece]);
  return isWhole ? all : all.slice(0, shown);
}
