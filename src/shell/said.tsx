import type { ReactNode } from 'react';

/** What came of a tap, in words: read out politely, or at once where something is wrong. Nothing while there is nothing. */
export function Said({ children, isAlert = false }: { children: ReactNode; isAlert?: boolean }) {
  if (children === null || children === '' || children === false) return null;
  return (
    <p className="said" role={isAlert ? 'alert' : 'status'}>
      {children}
    </p>
  );
}
