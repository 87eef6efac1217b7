'use client';
import { Button, Group, Kbd } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useEffect, useRef, useState } from 'react';
import type { ActionName } from '@/core/actions/actions';
import { useActions } from './actions';

const ID = 'last-done';

interface Last {
  readonly entryId: number;
  readonly words: string;
  readonly whyNot: string | null;
}
interface Redo {
  readonly name: ActionName;
  readonly input: unknown;
  readonly words: string;
}

interface JustDone {
  /** What came of the last taking back. */
  readonly said: string | null;
  readonly last: string | null;
  readonly onTakeBack: () => void;
  readonly onDoAgain: (() => void) | null;
}

/** Says what was just done, in the one place for it: it stays until it is closed or something else is done. */
function show({ said, last, onTakeBack, onDoAgain }: JustDone): void {
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

/** What this person did last, with the way to take it back; and what they took back, with the way to do it again. */
export function useTakeBack(
  last: Last | null,
  redo: Redo | null,
  ask: (tap: unknown, message: string, yes?: string) => Promise<boolean>,
): () => Promise<void> {
  const { act } = useActions();
  const [said, setSaid] = useState<string | null>(null);
  const takeBack = async (): Promise<void> => {
    if (!last) return setSaid('There is nothing of yours to take back.');
    if (last.whyNot) return setSaid(last.whyNot);
    if (!(await ask(null, last.words, 'Take it back'))) return;
    const outcome = await act('desk/take-back', { entryId: last.entryId });
    setSaid(outcome.ok ? `Taken back: ${last.words}` : outcome.message);
  };
  const doAgain = async (): Promise<void> => {
    if (!redo) return;
    const outcome = await act(redo.name, redo.input as never, redo.words);
    setSaid(outcome.ok ? `Done again: ${redo.words}` : outcome.message);
  };
  const latest = useRef({ takeBack, doAgain });
  useEffect(() => {
    latest.current = { takeBack, doAgain };
  });
  const [lastWords, mayDoAgain] = [last?.words ?? null, redo !== null];
  const now = `${said ?? ''} ${last?.entryId ?? ''} ${mayDoAgain}`;
  // What was done before this page was opened is no news.
  const told = useRef(now);
  useEffect(() => {
    if (told.current === now) return;
    told.current = now;
    show({
      said,
      last: lastWords,
      onTakeBack: () => void latest.current.takeBack(),
      onDoAgain: mayDoAgain ? () => void latest.current.doAgain() : null,
    });
  }, [now, said, lastWords, mayDoAgain]);
  return takeBack;
}
