'use client';
import { Button, Group } from '@mantine/core';
import { useState } from 'react';
import { useActions } from '@/shell/actions';
import { Feedback } from '@/shell/feedback';
import { useMeasures } from '@/shell/reader';
import type { PailView } from './pail-view';

/** The next van, and the pails that stand clean for it. */
export interface VanView {
  readonly expectedId: string;
  readonly supplier: string;
  /** The day it is due, as it is said: today, tomorrow, Thu 26 Nov. */
  readonly when: string;
  readonly needed: number;
  readonly short: number;
  /** The best of what could be washed for it, by where it stands: so many, and in which room. */
  readonly from: readonly { readonly room: string; readonly names: readonly string[] }[];
  /** Those that stand clean and would be used. */
  readonly pailIds: readonly string[];
}

/** How many of each size, the largest first: "4 of 12 L, 6 of 8 L". */
function bySize(pails: readonly PailView[], told: (litres: number) => string): string {
  const sizes = [...new Set(pails.map((p) => p.sizeL))].sort((a, b) => b - a);
  return sizes.map((l) => `${pails.filter((p) => p.sizeL === l).length} of ${told(l)}`).join(', ');
}

/** What the next van needs of clean pails, what is short, and whether they are kept for it. */
export function VanPanel({ van, pails }: { van: VanView; pails: readonly PailView[] }) {
  const { act } = useActions();
  const { told } = useMeasures();
  const [feedback, setFeedback] = useState<string | null>(null);
  const { expectedId, supplier, when, needed, short, from } = van;
  const use = pails.filter((p) => van.pailIds.includes(p.id));
  const kept = pails.filter((p) => p.reservedFor === expectedId);
  const keep = async (pailIds: readonly string[], id: string | null) => {
    const outcome = await act('pails/reserve', { pailIds: [...pailIds], expectedId: id });
    setFeedback(outcome.ok ? null : outcome.message);
  };
  const toKeep = use.filter((p) => p.reservedFor !== expectedId);
  return (
    <section aria-label="The next van">
      <p>
        <strong>{supplier}</strong>, {when}: about {needed === 1 ? '1 pail' : `${needed} pails`}
        {use.length > 0 && <span className="soft"> ({bySize(use, (l) => told('litres', l))})</span>}.{' '}
        {short > 0 ? (
          <span className="late">
            {short === 1 ? 'One more is' : `${short} more are`} to be washed
            {from.length > 0 && `: ${from.map((f) => `${f.names.join(', ')} (${f.room})`).join('; ')}`}.
          </span>
        ) : (
          <span className="soft">They stand clean.</span>
        )}
      </p>
      <Group gap="1rem">
        {toKeep.length > 0 && (
          <Button
            onClick={() =>
              void keep(
                use.map((p) => p.id),
                expectedId,
              )
            }
          >
            Keep {use.length === 1 ? 'it' : `these ${use.length}`} for the van
          </Button>
        )}
        {kept.length > 0 && (
          <Button
            variant="quiet"
            onClick={() =>
              void keep(
                kept.map((p) => p.id),
                null,
              )
            }
          >
            {kept.length} kept for it: let {kept.length === 1 ? 'it' : 'them'} go
          </Button>
        )}
      </Group>
      <Feedback isAlert>{feedback}</Feedback>
    </section>
  );
}
