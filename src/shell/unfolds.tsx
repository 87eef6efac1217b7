'use client';
import { useEffect, useRef, useState, type ReactNode } from 'react';

/**
 * A line that unfolds: what is in it is made as it is first opened, also where a finger was quicker than the page.
 * @param summary what stands on the line
 */
export function Unfolds({
  summary,
  startsOpen = false,
  children,
}: {
  summary: ReactNode;
  startsOpen?: boolean;
  children: ReactNode;
}) {
  const details = useRef<HTMLDetailsElement>(null);
  const [wasOpened, setOpened] = useState(startsOpen);
  const look = () => {
    if (details.current?.open) setOpened(true);
  };
  // One that was opened before the page was alive has told nobody.
  useEffect(look, []);
  return (
    <details ref={details} open={startsOpen || undefined} onToggle={look}>
      <summary>{summary}</summary>
      {wasOpened && children}
    </details>
  );
}
