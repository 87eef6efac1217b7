'use client';
import { Button, VisuallyHidden } from '@mantine/core';
import type { InputOf } from '@/core/actions/actions';
import { Feedback } from '@/shell/feedback';
import { useWay } from './use-way';

interface SwitchProps {
  readonly kind: 'has' | 'who may';
  readonly rows: readonly {
    readonly key: string;
    readonly isOn: boolean;
    readonly on: string;
    readonly off: string;
  }[];
  readonly mayChange: boolean;
}

/** What is one way or the other: what the shop has, and who may. */
export function SwitchForm({ kind, rows, mayChange }: SwitchProps) {
  const { problem, set } = useWay();
  return (
    <>
      <Feedback isAlert>{problem}</Feedback>
      <ul className="rowlist">
        {rows.map((row) => (
          <li key={row.key} className="line">
            <span>
              <strong>{row.key}</strong>
              <span className="says">{row.isOn ? row.on : row.off}</span>
            </span>
            {mayChange && (
              <Button
                onClick={() =>
                  void set({
                    kind,
                    key: row.key,
                    value: row.isOn ? (kind === 'has' ? 'no' : 'anyone') : null,
                    reason: row.isOn ? row.off : row.on,
                    // Which keys go with which kind the page knows; the server checks it.
                  } as InputOf<'desk/set-way'>)
                }
              >
                {row.isOn ? row.off : row.on}
                <VisuallyHidden>: {row.key}</VisuallyHidden>
              </Button>
            )}
          </li>
        ))}
      </ul>
    </>
  );
}
