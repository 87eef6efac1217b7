'use client';
import { HOUR_MS } from '@/core/calendar/spans';
import { useCallback, useEffect, useRef, useState } from 'react';

const PREFIX = 'hush-pail-half-done ';
const KEPT_MS = 36 * HOUR_MS;
const WRITE_AFTER_MS = 250;

/** What is kept half done on this tablet under that name; undefined where nothing is, or it cannot be read. */
export function readHalfDone(key: string): unknown {
  try {
    const kept = JSON.parse(localStorage.getItem(PREFIX + key) ?? 'null') as {
      readonly at: number;
      readonly value: unknown;
    } | null;
    return kept && Date.now() - kept.at < KEPT_MS ? kept.value : undefined;
  } catch {
    return undefined;
  }
}

export function dropHalfDone(key: string): void {
  try {
    localStorage.removeItem(PREFIX + key);
  } catch {
    // A closed store keeps nothing that could be dropped.
  }
}

/** Keeps something half done; where the store is full the oldest of its kind makes room, or it is not kept. */
export function keepHalfDone(key: string, value: unknown): void {
  const text = JSON.stringify({ at: Date.now(), value });
  try {
    localStorage.setItem(PREFIX + key, text);
  } catch {
    try {
      for (const other of Object.keys(localStorage))
        if (other.startsWith(PREFIX) && other !== PREFIX + key) localStorage.removeItem(other);
      localStorage.setItem(PREFIX + key, text);
    } catch {
      // It lives in this page alone.
    }
  }
}

/**
 * State that outlives the page: a tablet that lost its power half-way through shows again what was
 * set before. `done` forgets it. Old ones are forgotten by themselves.
 */
export function useHalfDone<T>(key: string, initial: T): [T, (value: T) => void, () => void] {
  const [value, setValue] = useState(initial);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  useEffect(() => {
    const kept = readHalfDone(key);
    if (kept !== undefined) setValue(kept as T);
  }, [key]);
  const set = useCallback(
    (next: T) => {
      setValue(next);
      if (timer.current) clearTimeout(timer.current);
      timer.current = setTimeout(() => keepHalfDone(key, next), WRITE_AFTER_MS);
    },
    [key],
  );
  const done = useCallback(() => {
    if (timer.current) clearTimeout(timer.current);
    dropHalfDone(key);
  }, [key]);
  return [value, set, done];
}
