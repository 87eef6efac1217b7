'use client';
import { Button, Stack } from '@mantine/core';
import { useState } from 'react';
import type { JobPass } from '@/core/sanitising/relay-job';
import { useActions } from '@/shell/actions';
import { NumberStepper } from '@/shell/number-stepper';
import { Feedback } from '@/shell/feedback';

interface Props {
  readonly relayId: string;
  readonly pass: JobPass & { readonly ppmAtEnd: number };
  /** Which, from 0. */
  readonly number: number;
}

/** A strip held into what comes out of a pass: what it reads takes the place of what was predicted. */
export function StripForm({ relayId, pass, number }: Props) {
  const { act } = useActions();
  const [ppm, setPpm] = useState(Math.round(pass.ppmAtEnd / 5) * 5);
  const [problem, setProblem] = useState<string | null>(null);
  const read = async () => {
    const outcome = await act('pails/strip', { relayId, pass: number, ppm });
    setProblem(outcome.ok ? null : outcome.message);
  };
  return (
    <details>
      <summary>Read a strip …</summary>
      <Stack gap="0.625rem">
        <p className="soft">About {Math.round(pass.ppmAtEnd)} ppm are predicted as it comes out.</p>
        <NumberStepper
          label="Strip reads, ppm"
          fewer="5 ppm less"
          more="5 ppm more"
          value={ppm}
          by={5}
          min={0}
          max={2000}
          suffix=" ppm"
          onChange={setPpm}
        />
        <Button onClick={() => void read()}>It reads {ppm} ppm</Button>
        <Feedback isAlert>{problem}</Feedback>
      </Stack>
    </details>
  );
}
