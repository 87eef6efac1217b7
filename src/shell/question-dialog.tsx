'use client';
import { Button, Group, Modal, Stack } from '@mantine/core';
import type { Asked } from './question';

/** The question across the screen, with its two answers; closing it is no. */
export function QuestionDialog({
  question,
  onAnswer,
}: {
  question: Asked | null;
  onAnswer: (isSure: boolean) => void;
}) {
  return (
    <Modal opened={question !== null} onClose={() => onAnswer(false)} title="One moment">
      <Stack>
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
