'use client';
import { Button, Group, SimpleGrid, TextInput } from '@mantine/core';
import { useState } from 'react';
import * as v from 'valibot';
import { typedNumber } from '@/core/numbers/read-number';
import { USUAL_TAP, type TapWater } from '@/core/water/dose-reading';
import { Feedback } from '@/shell/feedback';
import { useShopForm } from '@/shell/form';
import { useDone } from '../use-done';
import { between } from './between';

const SCHEMA = v.object({ ph: between(4, 11, 'pH'), us: between(0, 5000, 'µS/cm') });

interface Props {
  /** As somebody measured it; null where nobody has. */
  readonly tap: TapWater | null;
  readonly mayChange: boolean;
}

/** What comes out of the tap: what a pail's readings are held against. */
export function TapForm({ tap, mayChange }: Props) {
  const { problem, done } = useDone();
  const [isSaved, setSaved] = useState(false);
  const { ph, us } = tap ?? USUAL_TAP;
  const form = useShopForm(SCHEMA, { ph: String(ph), us: String(us) });
  const save = async (typed: typeof form.values) => {
    const told = { ph: typedNumber(typed.ph), us: typedNumber(typed.us) };
    setSaved((await done('shop/tap', { tap: told })) !== null);
  };
  return (
    <form onSubmit={form.onSubmit((typed) => void save(typed))} onChange={() => setSaved(false)}>
      <SimpleGrid cols={{ base: 1, xs: 2, md: 3 }} spacing="0.875rem">
        <TextInput label="Its pH" inputMode="decimal" disabled={!mayChange} {...form.getInputProps('ph')} />
        <TextInput
          label="It conducts, µS/cm"
          inputMode="decimal"
          disabled={!mayChange}
          {...form.getInputProps('us')}
        />
      </SimpleGrid>
      {mayChange && (
        <Group mt="1rem">
          <Button type="submit">The tap gives this</Button>
        </Group>
      )}
      <Feedback isWell>{isSaved ? 'Readings are held against it from now on.' : null}</Feedback>
      <Feedback isAlert>{problem}</Feedback>
    </form>
  );
}
