'use client';
import { Button, Group, Kbd } from '@mantine/core';
import { Notifications, notifications } from '@mantine/notifications';
import { useEffect, useRef } from 'react';
import type { JustDone } from './use-take-back';

const ID = 'last-done';
/** A strip from side to side; what keeps to the thumb lies under it. */
const ALONG_THE_EDGE = {
  inset: 'auto 0 var(--thumb, 0rem) 0',
  width: 'auto',
  maxWidth: 'none',
  transform: 'none',
} as const;

function show({ said, last, onTakeBack, onDoAgain }: Omit<JustDone, 'key'>): void {
  const message = (
    <Group justify="space-between" gap="xs" wrap="nowrap">
      <div>
        {said && <p>{said}</p>}
        {last && <p>Your last: {last}</p>}
      </div>
      <Group gap="xs" wrap="nowrap">
        {last && (
          <Button onClick={onTakeBack} flex="none">
            Take back <Kbd>Z</Kbd>
          </Button>
        )}
        {onDoAgain && <Button onClick={onDoAgain}>Do it again</Button>}
      </Group>
    </Group>
  );
  const shown = {
    id: ID,
    message,
    role: 'status',
    autoClose: false,
    closeButtonProps: { 'aria-label': 'Seen' },
  } as const;
  notifications.update(shown);
  notifications.show(shown);
}

/** Says what was just done, in the one place for it: it stays until it is closed or something else is done. */
export function JustDoneStrip({ justDone }: { justDone: JustDone }) {
  const { key, said, last } = justDone;
  const mayDoAgain = justDone.onDoAgain !== null;
  const latest = useRef(justDone);
  useEffect(() => {
    latest.current = justDone;
  });
  useEffect(() => {
    show({
      said,
      last,
      onTakeBack: () => latest.current.onTakeBack(),
      onDoAgain: mayDoAgain ? () => latest.current.onDoAgain?.() : null,
    });
  }, [key, said, last, mayDoAgain]);
  return <Notifications position="bottom-center" style={ALONG_THE_EDGE} />;
}
