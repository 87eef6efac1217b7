'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { InputOf } from '@/core/actions/actions';
import { useActions } from '@/shell/actions';

/** Sends one change of the house's ways, and says what came of it. */
export function useWay() {
  const router = useRouter();
  const { act } = useActions();
  const [problem, setProblem] = useState<string | null>(null);
  return {
    problem,
    set: async (way: InputOf<'desk/set-way'>): Promise<boolean> => {
      const outcome = await act('desk/set-way', way);
      setProblem(outcome.ok ? null : outcome.message);
      if (outcome.ok) router.refresh();
      return outcome.ok;
    },
  };
}
