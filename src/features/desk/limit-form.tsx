'use client';
import { Button, TextInput } from '@mantine/core';
import * as v from 'valibot';
import { typedNumber } from '@/core/numbers/read-number';
import type { WaterLimits } from '@/core/protocol/ways';
import { aNumber, aReason, useShopForm } from '@/shell/form';
import { Feedback } from '@/shell/feedback';
import { ReasonInput } from './reason-input';
import { useWay } from './use-way';

const LIMITS = [
  ['plainDays', 'In plain water'],
  ['foodDays', 'With food'],
  ['lilyDays', 'Lilies'],
  ['readyDays', 'Pails upside down'],
] as const;
const SCHEMA = v.object({
  plainDays: aNumber,
  foodDays: aNumber,
  lilyDays: aNumber,
  readyDays: aNumber,
  reason: aReason,
});

/** The house's own longest use of water, and how long a clean pail stays clean, in days. */
export function LimitForm({
  limits,
  mayChange,
}: {
  limits: WaterLimits & { readonly readyDays: number };
  mayChange: boolean;
}) {
  const { problem, set } = useWay();
  const form = useShopForm(SCHEMA, {
    plainDays: String(limits.plainDays),
    foodDays: String(limits.foodDays),
    lilyDays: String(limits.lilyDays),
    readyDays: String(limits.readyDays),
    reason: '',
  });
  const save = async (typed: typeof form.values) => {
    for (const [key] of LIMITS) {
      const value = typedNumber(typed[key]);
      if (value !== limits[key] && !(await set({ kind: 'limit', key, value, reason: typed.reason }))) return;
    }
    form.setFieldValue('reason', '');
  };
  return (
    <form className="row low tray" onSubmit={form.onSubmit((typed) => void save(typed))}>
      {LIMITS.map(([key, words]) => (
        <TextInput
          key={key}
          label={`${words}, days`}
          w="9rem"
          inputMode="decimal"
          disabled={!mayChange}
          {...form.getInputProps(key)}
        />
      ))}
      {mayChange && (
        <>
          <ReasonInput {...form.getInputProps('reason')} />
          <Button type="submit">Set them</Button>
        </>
      )}
      <Feedback isAlert>{problem}</Feedback>
    </form>
  );
}
