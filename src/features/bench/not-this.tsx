'use client';
import { Button } from '@mantine/core';
import dynamic from 'next/dynamic';
import { useState, type ReactNode } from 'react';

const NotThisPanel = dynamic(() => import('./not-this-panel').then((m) => m.NotThisPanel), { ssr: false });
const GAP_PX = 8;

/** How far above the button the action of its card begins. */
function actionAbove(button: HTMLElement): number {
  const action = button.closest('article')?.querySelector('[data-action-bar]');
  return action ? button.getBoundingClientRect().top - action.getBoundingClientRect().top : 0;
}

/**
 * What else may be done with the lot in hand. It lies over its own card, as wide as that, and leaves
 * its action free: nothing of the other pair of hands' moves, and what was set is logged in one tap.
 */
export function NotThis({ words, children }: { words: string; children: ReactNode }) {
  const [offset, setOffset] = useState<number | null>(null);
  if (offset !== null)
    return (
      <NotThisPanel words={words} offset={offset}>
        {children}
      </NotThisPanel>
    );
  return (
    <Button
      variant="quiet"
      flex="none"
      aria-haspopup="dialog"
      onClick={({ currentTarget }) => setOffset(actionAbove(currentTarget) + GAP_PX)}
    >
      {words}
    </Button>
  );
}
