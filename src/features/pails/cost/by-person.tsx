'use client';
import { Switch } from '@mantine/core';
import { useState } from 'react';
import { useActions } from '@/shell/actions';
import { Feedback } from '@/shell/feedback';

/** Whether losses are told by person: a manager's to allow, for all who may see the page. */
export function ByPerson({ isTold }: { isTold: boolean }) {
  const { act } = useActions();
  const [problem, setProblem] = useState<string | null>(null);
  const set = async (to: boolean) => {
    const outcome = await act('shop/losses-by-person', { isTold: to });
    setProblem(outcome.ok ? null : outcome.message);
  };
  return (
    <>
      <Switch
        size="md"
        label="Tell it by person too"
        description="What was filled unsanitised, by whoever filled it. Water that stood too long is nobody’s alone."
        checked={isTold}
        onChange={(event) => void set(event.currentTarget.checked)}
      />
      <Feedback isAlert>{problem}</Feedback>
    </>
  );
}
