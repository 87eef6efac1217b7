'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { ActionName, InputOf, ResultOf } from '@/core/actions/actions';
import { useActions } from '@/shell/actions';

/** Does something of the desk, says what was in its way, and shows what it changed. */
export function useDone() {
  const router = useRouter();
  const { act } = useActions();
  const [problem, setProblem] = useState<string | null>(null);
  return {
    problem,
    /** What it answered, in a box of its own; null where it was not done. */
    done: async <N extends ActionName>(
      name: N,
      body: InputOf<N>,
    ): Promise<{ readonly value: ResultOf<N> } | null> => {
      const outcome = await act(name, body);
      setProblem(outcome.ok ? null : outcome.message);
      if (!outcome.ok) return null;
      router.refresh();
      return { value: outcome.value };
    },
  };
}
