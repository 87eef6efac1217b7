'use client';
import dynamic from 'next/dynamic';
import css from './dock.module.css';
import type { KeptLineView } from './slip-view';

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
      {refused.length > 0 && (
        <details className={css.bin}>
          <summary>
            {refused.length} {refused.length === 1 ? 'line' : 'lines'} left out
          </summary>
          <ul className="rowlist">
            {refused.map((l) => (
              <li key={l.id}>
                {l.line} {l.product} <span className="soft">{l.reason}</span>
              </li>
            ))}
          </ul>
        </details>
      )}
    </>
  );
}
