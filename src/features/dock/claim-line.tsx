'use client';
import { Button, TextInput, VisuallyHidden } from '@mantine/core';
import { typedNumber } from '@/core/numbers/read-number';
import { Said } from '@/shell/said';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { clockWords, useShopNow } from '@/shell/clock';
import { useActions } from '@/shell/actions';
import css from './flaws.module.css';

export interface ClaimLineView {
  readonly id: string;
  readonly number: number;
  readonly title: string;
  readonly words: string;
  readonly value: number | null;
  readonly currency: string | null;
  readonly state: string;
  readonly dueAt: number;
  readonly settledValue: number | null;
}

/** One claim, its clock, and what may become of it. */
export function ClaimLine({ claim, maySettle }: { claim: ClaimLineView; maySettle: boolean }) {
  const router = useRouter();
  const { act } = useActions();
  const now = useShopNow();
  const [credited, setCredited] = useState(claim.value === null ? '' : claim.value.toFixed(2));
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const isOpen = claim.state === 'open' || claim.state === 'sent';
  const clock = now === null ? null : clockWords(claim.dueAt, now);

  const move = async (state: 'sent' | 'credited' | 'refused' | 'withdrawn') => {
    const value = state === 'credited' ? typedNumber(credited) : null;
    if (value !== null && (!Number.isFinite(value) || credited.trim() === ''))
      return setProblem('How much was credited? Nothing was changed.');
    setBusy(true);
    const outcome =
      state === 'credited' || state === 'refused'
        ? await act('dock/claim-settled', { claimId: claim.id, state, settledValue: value })
        : await act('dock/claim-moved', { claimId: claim.id, state });
    setBusy(false);
    setProblem(outcome.ok ? null : outcome.message);
    router.refresh();
  };

  return (
    <li className={css.claim}>
      <strong>{claim.number}</strong>
      <span>
        <strong>{claim.title}</strong>
        <br />
        {claim.words}
      </span>
      <span className={css.state}>
        <strong>
          {claim.value === null ? 'no price' : `${claim.value.toFixed(2)} ${claim.currency ?? ''}`}
        </strong>
        <br />
        {isOpen ? (
          <span className={clock?.late ? css.late : 'soft'}>
            {claim.state},{' '}
            {clock ? (clock.late ? `window closed, ${clock.words}` : `${clock.words} left`) : '…'}
          </span>
        ) : (
          <span className="soft">
            {claim.state}
            {claim.settledValue === null ? '' : ` ${claim.settledValue.toFixed(2)}`}
          </span>
        )}
      </span>
      {isOpen && (
        <span className={css.moves}>
          {claim.state === 'open' && (
            <Button disabled={busy} onClick={() => void move('sent')}>
              Sent<VisuallyHidden> claim {claim.number}</VisuallyHidden>
            </Button>
          )}
          {maySettle ? (
            <>
              <TextInput
                w="7rem"
                aria-label={`Credited for claim ${claim.number}`}
                inputMode="decimal"
                value={credited}
                onChange={(e) => setCredited(e.target.value)}
              />
              <Button disabled={busy} onClick={() => void move('credited')}>
                Credited
              </Button>
              <Button disabled={busy} onClick={() => void move('refused')}>
                Refused
              </Button>
            </>
          ) : (
            <span className="soft">the manager settles it</span>
          )}
          <Button variant="quiet" disabled={busy} onClick={() => void move('withdrawn')}>
            Withdraw
          </Button>
          {problem && <Said isAlert>{problem}</Said>}
        </span>
      )}
    </li>
  );
}
