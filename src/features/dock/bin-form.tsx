'use client';
import { Button, Group } from '@mantine/core';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useActions } from '@/shell/actions';
import { NumberStepper } from '@/shell/number-stepper';
import type { LotView } from '@/server/stock';
import { BIN_REASONS } from '@/core/dock/bin-reasons';
import { Feedback } from '@/shell/feedback';

/** A lot this one may be put to. */
export interface Mate {
  readonly id: string;
  readonly number: number;
  readonly stems: number;
}

/** Lots of the same flower this one may be put to. */
function Mates({
  lot,
  mates,
  onFeedback,
}: {
  lot: LotView;
  mates: readonly Mate[];
  onFeedback: (words: string) => void;
}) {
  const router = useRouter();
  const { act } = useActions();
  const merge = async (mate: Mate) => {
    const outcome = await act(
      'dock/merge',
      { lotId: lot.id, intoId: mate.id },
      `lot ${lot.number} put to lot ${mate.number}`,
    );
    onFeedback(outcome.ok ? `One lot now: ${mate.number}. Z takes it back.` : outcome.message);
    if (outcome.ok) router.push(`/dock?lot=${mate.id}`, { scroll: false });
  };
  return (
    <Group gap="0.5rem" mb="0.75rem">
      <span className="soft">the same flower on another line:</span>
      {mates.map((mate) => (
        <Button key={mate.id} onClick={() => void merge(mate)}>
          put to lot {mate.number}, {mate.stems} stems
        </Button>
      ))}
    </Group>
  );
}

/** What to bin, with a reason, or what came in another state: a count by taps, then the reason, which is the main action. */
export function BinForm({ lot, mates }: { lot: LotView; mates: readonly Mate[] }) {
  const { act } = useActions();
  const [stems, setStems] = useState(1);
  const [feedback, setFeedback] = useState<string | null>(null);
  const most = lot.stemsLeft;
  const bin = async (reason: (typeof BIN_REASONS)[number]) => {
    const count = Math.min(stems, most);
    const outcome = await act(
      'dock/bin',
      { lotId: lot.id, stems: count, reason },
      `bin ${count} of lot ${lot.number}, ${reason}`,
    );
    setFeedback(outcome.ok ? `Binned ${count}: ${reason}. Z takes it back.` : outcome.message);
    if (outcome.ok) setStems(1);
  };
  const split = async () => {
    const count = Math.min(stems, most - 1);
    const outcome = await act(
      'dock/split',
      { lotId: lot.id, stems: count },
      `${count} of lot ${lot.number} into a lot of their own`,
    );
    setFeedback(
      outcome.ok
        ? `${count} stems are a lot of their own now: look at it apart. Z takes it back.`
        : outcome.message,
    );
    if (outcome.ok) setStems(1);
  };
  return (
    <>
      <Group gap="0.5rem" mb="0.75rem">
        <NumberStepper
          label="Stems to bin"
          fewer="One fewer"
          more="One more"
          value={Math.min(stems, most)}
          min={1}
          max={most}
          onChange={setStems}
        />
        <span className="soft">of {most}</span>
        <Button
          onClick={() => {
            if (most < 2) setFeedback('It is one stem: there is nothing to part.');
            else void split();
          }}
        >
          a lot of their own
        </Button>
        <span className="soft">or binned, because:</span>
        {BIN_REASONS.map((reason) => (
          <Button key={reason} onClick={() => void bin(reason)}>
            {reason}
          </Button>
        ))}
      </Group>
      {mates.length > 0 && <Mates lot={lot} mates={mates} onFeedback={setFeedback} />}
      <Feedback>{feedback}</Feedback>
    </>
  );
}
