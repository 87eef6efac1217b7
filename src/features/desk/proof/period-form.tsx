'use client';
import { Button, Group } from '@mantine/core';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { DayInput } from '@/shell/day-input';
import type { Period } from './hygiene-proof';

/** From when to when. */
export function PeriodForm({ period }: { period: Period }) {
  const router = useRouter();
  const [from, setFrom] = useState<string | null>(period.from);
  const [to, setTo] = useState<string | null>(period.to);
  return (
    <form
      role="search"
      aria-label="The period"
      onSubmit={(event) => {
        event.preventDefault();
        router.push(`/desk/proof?${new URLSearchParams({ from: from ?? '', to: to ?? '' })}`);
      }}
    >
      <Group gap="sm" align="end">
        <DayInput label="From" w="10rem" value={from} onChange={setFrom} />
        <DayInput label="To" w="10rem" value={to} onChange={setTo} />
        <Button type="submit">Show it</Button>
      </Group>
    </form>
  );
}
