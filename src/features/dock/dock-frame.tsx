'use client';
import { VisuallyHidden } from '@mantine/core';
import { useSearchParams } from 'next/navigation';
import type { ReactNode } from 'react';
import { Columns } from '@/shell/columns';

const ONE = 'minmax(0, 1fr)';
const TWO = `minmax(270px, 23vw) ${ONE}`;

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
    <Columns of={isReading || isBare ? ONE : TWO}>
      <div>
        {!look && !isReading && <VisuallyHidden component="h1">Dock</VisuallyHidden>}
        {reader}
        {!isReading && !isBare && lists}
      </div>
      {!isReading && look}
    </Columns>
  );
}
