'use client';

import { useEffect, useRef, type ReactNode } from 'react';
import css from './send-off.module.css';

/** What is written smaller than this nobody reads; such a card runs on to a second side. */
const SMALLEST = 0.5;
/** A printer breaks lines a hair differently than the screen: so much of the side stays free. */
const FILLED = 0.97;
/** The side is an A6 less its margins, as in the style of `side`. */
const HEIGHT_OF_WIDTH = 136 / 93;
const HALVINGS = 7;

/** The largest scale, 1 or smaller, at which the card stays on the side: measured as it is laid out. */
function fit(side: HTMLElement, card: HTMLElement): void {
  const fits = (scale: number): boolean => {
    side.style.setProperty('--card-scale', String(scale));
    const { width, height } = card.getBoundingClientRect();
    return height <= width * HEIGHT_OF_WIDTH * FILLED;
  };
  if (!fits(1)) {
    let [small, large] = [SMALLEST, 1];
    for (let i = 0; i < HALVINGS; i++) {
      const middle = (small + large) / 2;
      if (fits(middle)) small = middle;
      else large = middle;
    }
    fits(small);
  }
  side.dataset.fitted = 'yes';
}

/** One side of paper; what stands on it is set smaller until it fits, once its letters are loaded. */
export function OneSide({ children }: { children: ReactNode }) {
  const ref = useRef<HTMLDivElement>(null);
  useEffect(() => {
    let left = false;
    void document.fonts.ready.then(() => {
      const card = ref.current?.firstElementChild;
      if (!left && ref.current && card instanceof HTMLElement) fit(ref.current, card);
    });
    return () => {
      left = true;
    };
  }, []);
  return (
    <div ref={ref} className={css.side}>
      {children}
    </div>
  );
}
