'use client';
import { Button, Group, TextInput } from '@mantine/core';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import * as v from 'valibot';
import { typedNumber } from '@/core/numbers/read-number';
import { useActions } from '@/shell/actions';
import { aNumber, useShopForm } from '@/shell/form';
import { Feedback } from '@/shell/feedback';

const SCHEMA = v.object({ credited: aNumber });

interface Props {
  readonly claim: {
    readonly id: string;
    readonly number: number;
    readonly state: string;
    readonly value: number | null;
  };
  readonly maySettle: boolean;
}

/** What may become of a claim that is not settled. */
export function ClaimMoves({ claim, maySettle }: Props) {
  const router = useRouter();
  const { act } = useActions();
  const form = useShopForm(SCHEMA, { credited: claim.value === null ? '' : claim.value.toFixed(2) });
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);

  const move = async (state: 'sent' | 'credited' | 'refused' | 'withdrawn', settledValue: number | null) => {
    setBusy(true);
    const outcome =
      state === 'credited' || state === 'refused'
        ? await act('dock/claim-settled', { claimId: claim.id, state, settledValue })
        : await act('dock/claim-moved', { claimId: claim.id, state });
    setBusy(false);
    setProblem(outcome.ok ? null : outcome.message);
    router.refresh();
  };

  return (
    <form onSubmit={form.onSubmit(({ credited }) => void move('credited', typedNumber(credited)))}>
      <Group gap="0.625rem" align="end">
        {claim.state === 'open' && (
          <Button disabled={busy} onClick={() => void move('sent', null)}>
            Sent
          </Button>
        )}
        {maySettle ? (
          <>
            <TextInput
              w="8rem"
              label="How much"
              aria-label={`Credited for claim ${claim.number}`}
              inputMode="decimal"
              {...form.getInputProps('credited')}
            />
            <Button type="submit" disabled={busy}>
              Credited
            </Button>
            <Button disabled={busy} onClick={() => void move('refused', null)}>
              Refused
            </Button>
          </>
        ) : (
          <span className="soft">the manager settles it</span>
        )}
        <Button variant="quiet" disabled={busy} onClick={() => void move('withdrawn', null)}>
          Withdraw
        </Button>
        {problem && <Feedback isAlert>{problem}</Feedback>}
      </Group>
    </form>
  );
}
