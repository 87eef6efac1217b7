'use client';
import type { InputOf } from '@/core/actions/actions';
import { useDone } from './use-done';

/** Sends one change of the house's ways, and says what came of it. */
export function useWay() {
  const { problem, done } = useDone();
  return {
    problem,
    set: async (way: InputOf<'desk/set-way'>): Promise<boolean> => (await done('desk/set-way', way)) !== null,
  };
}
