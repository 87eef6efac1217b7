'use client';
import { Children, type ReactNode } from 'react';
import { useInPieces } from './in-pieces';

const NOTHING_YET = 0;

/** What lies below the screen on a page of forms: drawn, one part after another, as soon as the page has time. */
export function AtRest({ children }: { children: ReactNode }) {
  return useInPieces(Children.toArray(children), NOTHING_YET, 1);
}
