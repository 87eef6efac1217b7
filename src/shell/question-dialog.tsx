'use client';
import { Button, Group, Modal, Stack } from '@mantine/core';
import { useWindowEvent } from '@mantine/hooks';
import { useRef } from 'react';
import type { Asked } from './question';

/** The question across the screen, with its two answers; closing it is no. */
export function QuestionDialog({
  question,
  onAnswer,
}: {
  question: Asked | null;
  onAnswer: (isSure: boolean) => void;
}) {
  const box = useRef<HTMLDivElement>(null);
  // The focus comes to its button a moment after the question is seen: Enter between the two is an answer as well.
  useWindowEvent('keydown', (event) => {
    if (question === null || event.key !== 'Enter' || event.repeat) return;
    if (box.current?.contains(document.activeElement)) return;
    event.preventDefault();
    onAnswer(true);
  });
  return (
    <Modal opened={question !== null} onClose={() => onAnswer(false)} title="One moment">
      <Stack ref={box}>
        <p>{question?.message}</p>
        <Group>
          <Button variant="main" data-autofocus onClick={() => onAnswer(true)}>
            {question?.yes}
          </Button>
          <Button onClick={() => onAnswer(false)}>No, leave it</Button>
        </Group>
      </Stack>
    </Modal>
  );
}
