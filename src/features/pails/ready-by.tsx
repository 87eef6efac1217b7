'use client';
import { Group, TextInput } from '@mantine/core';
import { useState } from 'react';
import { beginBy, clockTold, typedClock } from '@/core/calendar/clock-time';

/** When to begin, for pails that are to be ready by a time: scrubbing and the relay, one after the other. */
export function ReadyBy({ minutes }: { minutes: number }) {
  const [text, setText] = useState('');
  const ready = typedClock(text);
  const begins = ready && beginBy(ready, minutes);
  const isWrong = text.trim() !== '' && ready === null;
  return (
    <Group gap="0.75rem" align="flex-end">
      <TextInput
        label="Ready by"
        placeholder="06:40"
        w="8rem"
        value={text}
        onChange={(event) => setText(event.currentTarget.value)}
        error={isWrong ? 'A time such as 06:40.' : null}
      />
      {begins && (
        <p style={{ margin: '0 0 0.5rem' }} aria-live="polite">
          Begin by <span className="big">{clockTold(begins.at)}</span>
          {begins.daysBefore > 0 && ', the evening before'}
        </p>
      )}
    </Group>
  );
}
