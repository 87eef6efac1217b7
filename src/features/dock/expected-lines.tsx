'use client';
import { Button } from '@mantine/core';
import type { Expected } from './half-read';

interface Props {
  readonly order: Expected;
  /** Of their species, by key, as the reader calls them. */
  readonly names: Readonly<Record<string, string>>;
  readonly onCallOff: () => void;
}

/** What was ordered, line by line, and the tap that calls it off. */
export function ExpectedLines({ order, names, onCallOff }: Props) {
  return (
    <>
      <ul className="rowlist">
        {order.lines.map((l) => (
          <li key={l.line}>
            {names[l.speciesKey] ?? l.speciesKey} {l.variety && <span className="soft">‘{l.variety}’ </span>}
            {l.stems}
          </li>
        ))}
      </ul>
      <Button variant="quiet" aria-label={`Call it off ${order.orderRef}`} onClick={onCallOff}>
        Call it off
      </Button>
    </>
  );
}
