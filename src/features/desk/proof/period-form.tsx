'use client';
import { Button, Group } from '@mantine/core';
import { useRouter } from 'next/navigation';
import * as v from 'valibot';
import { useToday } from '@/shell/clock';
import { DayInput } from '@/shell/day-input';
import { useShopForm } from '@/shell/form';
import { whyNoPeriod, type Period } from './period';

const heldTo = (today: string) =>
  v.pipe(
    v.object({ from: v.string(), to: v.string() }),
    v.forward(
      v.check(
        (period) => whyNoPeriod(period, today) === null,
        ({ input }) => whyNoPeriod(input, today) ?? '',
      ),
      ['from'],
    ),
  );

/** From when to when. */
export function PeriodForm({ period }: { period: Period }) {
  const router = useRouter();
  const form = useShopForm<Record<keyof Period, string>>(heldTo(useToday()), { ...period });
  const field = (name: keyof Period) => ({
    w: '10rem',
    // Above its field: under it, the month that opens there would lie over it.
    inputWrapperOrder: ['label', 'error', 'input'] as ('label' | 'error' | 'input')[],
    ...form.getInputProps(name),
    value: form.values[name] || null,
    onChange: (day: string | null) => form.setFieldValue(name, day ?? ''),
  });
  return (
    <form
      role="search"
      aria-label="The period"
      onSubmit={form.onSubmit((asked) => router.push(`/desk/proof?${new URLSearchParams(asked)}`))}
    >
      <Group gap="sm" align="end">
        <DayInput label="From" {...field('from')} />
        <DayInput label="To" {...field('to')} />
        <Button type="submit">Show it</Button>
      </Group>
    </form>
  );
}
