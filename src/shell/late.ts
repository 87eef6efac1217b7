'use client';
import { useEffect, useState } from 'react';

/** Whether something was ever opened: what opens is loaded then and not before, and stays to close as it opened. */
export function useOnceOpened(isOpen: boolean): boolean {
  const [wasOpened, setWasOpened] = useState(isOpen);
  if (isOpen && !wasOpened) setWasOpened(true);
  return isOpen || wasOpened;
}

/** Does it once the page has nothing better to do; not every browser tells, there the next turn but one will do. */
export function whenIdle(run: () => void, withinMs?: number): () => void {
  if (!('requestIdleCallback' in globalThis)) {
    const timer = setTimeout(run, 32);
    return () => clearTimeout(timer);
  }
  const idle = requestIdleCallback(run, withinMs === undefined ? {} : { timeout: withinMs });
  return () => cancelIdleCallback(idle);
}

/** Milliseconds after which a page that is at rest fetches what a tap may ask for next. */
const AT_REST_MS = 4000;

/** Fetches scripts that a tap may want once the page is at rest, so that they are here where the net is not. */
export function useFetchedAtRest(fetches: readonly (() => Promise<unknown>)[]): void {
  useEffect(() => {
    const fetchAll = () => {
      for (const fetchOne of fetches) fetchOne().catch(() => undefined);
    };
    const timer = setTimeout(() => whenIdle(fetchAll), AT_REST_MS);
    return () => clearTimeout(timer);
  }, [fetches]);
}
