'use client';
import { Button, Group, TextInput } from '@mantine/core';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { v4 } from 'uuid';
import * as v from 'valibot';
import { typedNumber } from '@/core/numbers/read-number';
import { useActions } from '@/shell/actions';
import { aNumber, aReason, useShopForm } from '@/shell/form';
import { Feedback } from '@/shell/feedback';
import type { FigureRow } from './figure-rows';
import { ReasonInput } from './reason-input';

const SCHEMA = v.object({ value: aNumber, reason: aReason });

/** Puts the shop's own figure in the place of the product's, or gives that one back. */
export function FigureForm({ row, onSet }: { row: FigureRow; onSet: () => void }) {
  const router = useRouter();
  const { act } = useActions();
  const form = useShopForm(SCHEMA, { value: String(row.own?.value ?? row.shipped ?? ''), reason: '' });
  const [problem, setProblem] = useState<string | null>(null);
  const set = async (value: number | null, reason: string) => {
    const { kind, subject, figure } = row;
    const outcome = await act('desk/set-figure', { kind, subject, figure, value, reason }, v4());
    if (!outcome.ok) return setProblem(`${outcome.message} Nothing was changed.`);
    onSet();
    router.refresh();
  };
  return (
    <form onSubmit={form.onSubmit(({ value, reason }) => void set(typedNumber(value), reason))}>
      <Group gap="0.75rem" align="end">
        <TextInput
          label={`Our figure, ${row.unit || 'a number'}`}
          inputMode="decimal"
          {...form.getInputProps('value')}
        />
        <ReasonInput {...form.getInputProps('reason')} />
        <Button type="submit" variant="main">
          Set it
        </Button>
        {row.own && (
          <Button
            onClick={() => {
              if (!form.validateField('reason').hasError) void set(null, form.values.reason);
            }}
          >
            The product’s again
          </Button>
        )}
      </Group>
      <Feedback isAlert>{problem}</Feedback>
    </form>
  );
}
