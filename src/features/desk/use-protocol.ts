'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { SpeciesFile } from '@/core/door/species-schema';
import type { ProtocolEdit } from '@/core/protocol/edits';
import { useActions } from '@/shell/actions';

/** Puts a shop's own changes of a protocol in the place of those it had. */
export function useProtocol(file: SpeciesFile) {
  const router = useRouter();
  const { act } = useActions();
  const [problem, setProblem] = useState<string | null>(null);
  return {
    problem,
    put: async (edits: readonly ProtocolEdit[], reason: string): Promise<boolean> => {
      const outcome = await act('desk/set-protocol', { file: { ...file, edits }, reason });
      setProblem(outcome.ok ? null : outcome.message);
      if (outcome.ok) router.refresh();
      return outcome.ok;
    },
  };
}
