'use client';
import dynamic from 'next/dynamic';
import type { KeptLineView } from './slip-view';

// Most notes have neither.
const RefusedLines = dynamic(() => import('./refused-lines').then((m) => m.RefusedLines));
const KeptWaiting = dynamic(() => import('./kept-waiting').then((m) => m.KeptWaiting));

/** Lines of a delivery's note that are no lots: those that wait can be booked, the others are told of. */
export function KeptLines({ lines }: { lines: readonly KeptLineView[] }) {
  const refused = lines.filter((l) => l.fate === 'refused');
  return (
    <>
      {lines
        .filter((l) => l.fate === 'waiting')
        .map((l) => (
          <KeptWaiting key={l.id} kept={l} />
        ))}
      {refused.length > 0 && <RefusedLines lines={refused} />}
    </>
  );
}
