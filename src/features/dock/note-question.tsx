'use client';
import { Button, Group, Stack, Title } from '@mantine/core';
import type { Meaning } from '@/core/note/meaning';
import type { NoteQuestion } from '@/core/note/types';

/** What is asked once for the whole note: what its counts mean, each answer with what it makes of one line. */
export function NoteQuestionPanel({
  question,
  onAnswer,
}: {
  question: NoteQuestion;
  onAnswer: (meaning: Meaning) => void;
}) {
  return (
    <Stack component="section" aria-label="Asked of the whole note" className="aside" data-grave gap="xs">
      <Title order={2} size="h3">
        What do this note’s counts mean?
      </Title>
      <p>
        {question.lines} {question.lines === 1 ? 'line waits' : 'lines wait'} for it. Look at one bunch of the
        first and say; the supplier’s next note of this make is read by it.
      </p>
      <Group gap="xs" align="stretch" data-lacks>
        {question.answers.map((answer) => (
          <Button key={answer.words} mih={64} ta="left" onClick={() => onAnswer(answer.meaning)}>
            <span>
              <strong>{answer.example}</strong>
              <span className="says">{answer.words}</span>
            </span>
          </Button>
        ))}
      </Group>
    </Stack>
  );
}
