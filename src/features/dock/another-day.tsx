'use client';
import { Button, Group } from '@mantine/core';
import { useState } from 'react';
import { useActions } from '@/shell/actions';
import type { LotView } from '@/server/stock';
import { Feedback } from '@/shell/feedback';

/** A box that belongs to tomorrow: whether it bears the wait as it is, and the tap that sets it aside. */
export function AnotherDay({
  lot,
  tomorrow,
  dryHoursLeft,
  bearsANight,
}: {
  lot: LotView;
  /** ISO date. */
  tomorrow: string;
  /** Hours it may still stand dry at the bench; null where it stands in water. */
  dryHoursLeft: number | null;
  bearsANight: boolean;
}) {
  const { act } = useActions();
  const [feedback, setFeedback] = useState<string | null>(null);
  const set = async (day: string | null) => {
    const outcome = await act(
      'dock/keep-for',
      { lotId: lot.id, day },
      day ? `lot ${lot.number} set aside for ${day}` : `lot ${lot.number} is for today`,
    );
    setFeedback(outcome.ok ? null : outcome.message);
  };
  const bears =
    dryHoursLeft === null
      ? 'It stands in water: it can wait.'
      : bearsANight
        ? `Boxed in the cold it bears the wait: ${Math.floor(dryHoursLeft)} h dry to spare.`
        : `It does not bear the wait dry: ${Math.max(0, Math.floor(dryHoursLeft))} h to spare. It stays on the bench’s list for its water.`;
  return (
    <Group gap="0.75rem" pt="0.5rem" pb="0.5rem">
      <p className="grow">
        <span className={bearsANight ? 'soft' : 'late'}>{bears}</span>
      </p>
      {lot.forDay === null ? (
        <Button onClick={() => void set(tomorrow)}>Set it aside for tomorrow</Button>
      ) : (
        <Button onClick={() => void set(null)}>Set aside for {lot.forDay}: it is for today after all</Button>
      )}
      <Feedback isAlert>{feedback}</Feedback>
    </Group>
  );
}
