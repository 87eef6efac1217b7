'use client';
import { Button, Group, TextInput } from '@mantine/core';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { v4 } from 'uuid';
import * as v from 'valibot';
import { typedNumber } from '@/core/numbers/read-number';
import { fromTypedMeasure, typedMeasure } from '@/core/units/measures';
import { useActions } from '@/shell/actions';
import { aNumber, aReason, useShopForm } from '@/shell/form';
import { useMeasures } from '@/shell/reader';
import { Feedback } from '@/shell/feedback';
import type { SaidFigureRow } from './figure-rows';
import { ReasonInput } from './reason-input';

const SCHEMA = v.object({ value: aNumber, reason: aReason });

/** Puts the shop's own figure in the place of the product's, or gives that one back. */
export function FigureForm({ row, onSet }: { row: SaidFigureRow; onSet: () => void }) {
  const router = useRouter();
  const { act } = useActions();
  const { units, unit } = useMeasures();
  const { measure } = row;
  const stands = row.own?.value ?? row.shipped;
  const shown = stands !== null && measure ? typedMeasure(measure, stands, units) : String(stands ?? '');
  const form = useShopForm(SCHEMA, { value: shown, reason: '' });
  const [problem, setProblem] = useState<string | null>(null);
  const set = async (value: number | null, reason: string) => {
    const { kind, subject, figure } = row;
    const outcome = await act('desk/set-figure', { kind, subject, figure, value, reason }, v4());
    if (!outcome.ok) return setProblem(`${outcome.message} Nothing was changed.`);
    onSet();
    router.refresh();
  };
  const meant = (value: string): number =>
    measure ? fromTypedMeasure(measure, typedNumber(value), units) : typedNumber(value);
  return (
    <form onSubmit={form.onSubmit(({ value, reason }) => void set(meant(value), reason))}>
      <Group gap="0.75rem" align="end">
        <TextInput
          label={`Our figure, ${(measure ? unit(measure) : row.unit) || 'a number'}`}
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
