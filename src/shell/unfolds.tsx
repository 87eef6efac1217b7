'use client';
import { useEffect, useRef, useState, type ReactNode } from 'react';

/**
 * A line that unfolds: what is in it is made as it is first opened, also where a finger was quicker than the page.
 * @param summary what stands on the line
 */
export function Unfolds({
  summary,
  className,
  summaryClass,
  startsOpen = false,
  children,
}: {
  summary: ReactNode;
  className?: string | undefined;
  summaryClass?: string | undefined;
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
    <details ref={details} className={className} open={startsOpen || undefined} onToggle={look}>
      <summary className={summaryClass}>{summary}</summary>
      {wasOpened && children}
    </details>
  );
}
