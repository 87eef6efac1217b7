'use client';
import type { KeptLineView } from './slip-view';

/** Lines of a note that were left out, each with why. */
export function RefusedLines({ lines }: { lines: readonly KeptLineView[] }) {
  return (
    <details>
      <summary>
        {lines.length} {lines.length === 1 ? 'line' : 'lines'} left out
      </summary>
      <ul className="rowlist">
        {lines.map((l) => (
          <li key={l.id}>
            {l.line} {l.product} <span className="soft">{l.reason}</span>
          </li>
        ))}
      </ul>
    </details>
  );
}
