'use client';
import { Button, TextInput } from '@mantine/core';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { v4 } from 'uuid';
import * as v from 'valibot';
import { useActions } from '@/shell/actions';
import { useShopForm } from '@/shell/form';

const SCHEMA = v.object({
  hours: v.pipe(v.string(), v.trim(), v.regex(/^\d{1,4}$/, 'A whole number of hours.')),
});

/** The hours a supplier allows for a claim; it holds for claims opened from now on. */
export function ClaimWindow({ supplier, hours }: { supplier: string; hours: number }) {
  const router = useRouter();
  const { act } = useActions();
  const [feedback, setFeedback] = useState<string | null>(null);
  const form = useShopForm(SCHEMA, { hours: String(hours) });
  const save = async (typed: { hours: string }) => {
    const outcome = await act('dock/claim-window', { supplier, hours: Number(typed.hours) }, v4());
    setFeedback(outcome.ok ? 'Holds for claims from now on.' : outcome.message);
    router.refresh();
  };
  return (
    <form className="row low" onSubmit={form.onSubmit((typed) => void save(typed))}>
      <TextInput
        label={`${supplier}: hours from arrival`}
        inputMode="numeric"
        w="9rem"
        {...form.getInputProps('hours')}
      />
      <Button type="submit">Set</Button>
      {feedback && (
        <span className="soft" role="status">
          {feedback}
        </span>
      )}
    </form>
  );
}
