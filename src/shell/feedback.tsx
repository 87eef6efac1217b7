import { Alert } from '@mantine/core';
import type { ReactNode } from 'react';

const WELL = { borderLeftColor: 'var(--green)' };

interface Props {
  readonly children: ReactNode;
  /** Something is wrong: read out at once. */
  readonly isAlert?: boolean;
  /** It went well. */
  readonly isWell?: boolean;
  /** Stands there from the beginning: not read out as news. */
  readonly isNote?: boolean;
}

/** What came of a tap, in words: read out politely, or at once where something is wrong. Nothing while there is nothing. */
export function Feedback({ children, isAlert = false, isWell = false, isNote = false }: Props) {
  if (children === null || children === '' || children === false) return null;
  return (
    <Alert style={isWell ? WELL : undefined} role={isAlert ? 'alert' : isNote ? 'note' : 'status'}>
      {children}
    </Alert>
  );
}
