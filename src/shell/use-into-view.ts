'use client';
import { useEffect, useRef } from 'react';

/** What each kind of thing showed last on this tablet, so that only another one is brought into view. */
const shown = new Map<string, string>();

/** Brings what was tapped into view where it opened above or below what is seen; not when a page is opened. */
export function useIntoView<T extends HTMLElement>(kind: string, id: string): React.RefObject<T | null> {
  const element = useRef<T>(null);
  useEffect(() => {
    const before = shown.get(kind);
    shown.set(kind, id);
    if (before === undefined || before === id || !element.current) return;
    const { top } = element.current.getBoundingClientRect();
    if (top < 0 || top > innerHeight * 0.5) element.current.scrollIntoView({ block: 'start' });
  }, [kind, id]);
  return element;
}
