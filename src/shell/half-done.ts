'use client';
import { useLocalStorage } from '@mantine/hooks';
import { useCallback, useEffect } from 'react';
import { HOUR_MS } from '@/core/calendar/spans';

const PREFIX = 'hush-pail-half-done ';
const KEPT_MS = 36 * HOUR_MS;

/** What was kept, while it is not too old; undefined where nothing was, or it cannot be read. */
function fresh(text: string | null | undefined): unknown {
  try {
    const kept = JSON.parse(text ?? 'null') as { readonly at: number; readonly value: unknown } | null;
    return kept && Date.now() - kept.at < KEPT_MS ? kept.value : undefined;
  } catch {
    return undefined;
  }
}

/** What is kept half done on this tablet under that name, with the ways to keep and to forget it. */
export function useStored<T>(key: string): [T | null, (value: T) => void, () => void] {
  // Without a default of its own the hook writes nothing before somebody has set something.
  const [value, keep, forget] = useLocalStorage<T>({
    key: PREFIX + key,
    serialize: (kept) => JSON.stringify({ at: Date.now(), value: kept }),
    deserialize: (text) => fresh(text) as T,
  });
  return [value ?? null, keep, forget];
}

/**
 * State that outlives the page: a tablet that lost its power half-way through shows again what was
 * set before. `done` forgets it.
 */
export function useHalfDone<T>(key: string, initial: T): [T, (value: T) => void, () => void] {
  const [value, keep] = useStored<T>(key);
  // What is shown stays as it is until the page has heard how things stand.
  const done = useCallback(() => {
    try {
      localStorage.removeItem(PREFIX + key);
    } catch {
      // A closed store keeps nothing that could be forgotten.
    }
  }, [key]);
  return [value ?? initial, keep, done];
}

/** Forgets what is too old to be gone on with, so that a tablet's store never fills. */
export function useStoreSweep(): void {
  useEffect(() => {
    try {
      for (const name of Object.keys(localStorage))
        if (name.startsWith(PREFIX) && fresh(localStorage.getItem(name)) === undefined)
          localStorage.removeItem(name);
    } catch {
      // A closed store keeps nothing.
    }
  }, []);
}
