'use client';
import { VisuallyHidden } from '@mantine/core';
import { useSearchParams } from 'next/navigation';
import type { ReactNode } from 'react';
import css from './dock.module.css';

/** The dock's two halves; while a note is read they give way to it at once, without asking the server. */
export function DockFrame({
  reader,
  lists,
  look,
  isBare,
}: {
  reader: ReactNode;
  /** What is expected, what came. */
  lists: ReactNode;
  /** The lot that is being looked at; null while none is. */
  look: ReactNode;
  /** There is nothing to list. */
  isBare: boolean;
}) {
  const isReading = useSearchParams().has('read');
  return (
    <div className={css.dock} data-reading={isReading || isBare || undefined}>
      <div>
        {!look && !isReading && <VisuallyHidden component="h1">Dock</VisuallyHidden>}
        {reader}
        {!isReading && !isBare && lists}
      </div>
      {!isReading && look}
    </div>
  );
}
