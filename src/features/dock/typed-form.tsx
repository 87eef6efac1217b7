'use client';
import { Button, Group, Textarea } from '@mantine/core';
import * as v from 'valibot';
import { someText, useShopForm } from '@/shell/form';

const MOST_TYPED = 20_000;
const TYPED = v.object({ lines: someText(1, MOST_TYPED, 'Type a line first, or paste some.') });

/** The field for them, and what they are. */
export function TypedForm({
  start,
  onRead,
}: {
  /** Lines that were typed elsewhere. */
  start: string;
  onRead: (text: string, as: 'note' | 'order') => Promise<void>;
}) {
  const form = useShopForm(TYPED, { lines: start });
  return (
    <form onSubmit={form.onSubmit(({ lines }) => void onRead(lines, 'note'))}>
      <Textarea
        aria-label="Lines of the delivery"
        my="sm"
        rows={4}
        maxLength={MOST_TYPED}
        placeholder={'6x25 rose 60 deep red, cut 19/11\n850 g mimosa'}
        {...form.getInputProps('lines')}
      />
      <Group>
        <Button type="submit">Read them</Button>
        <Button onClick={() => form.onSubmit(({ lines }) => void onRead(lines, 'order'))()}>
          It is an order to come
        </Button>
      </Group>
    </form>
  );
}
