'use client';
import { Button } from '@mantine/core';
import { useState } from 'react';
import { useActions } from '@/shell/actions';
import type { LotView } from '@/server/stock';
import { Feedback } from '@/shell/feedback';

const PERCENTS = [10, 25, 50] as const;
type Asking = 'less' | 'refuse' | null;

const money = (lot: LotView, percent: number): string =>
  lot.unitPrice === null
    ? ''
    : `, ${((lot.stemsLeft * lot.unitPrice * percent) / 100).toFixed(2)} ${lot.currency ?? ''}`.trimEnd();

/** What becomes of the lot, a tap each; what costs the supplier is asked for once more, with its sum. */
export function DecideForm({ lot, because }: { lot: LotView; because: string }) {
  const { act } = useActions();
  const [asking, setAsking] = useState<Asking>(null);
  const [feedback, setFeedback] = useState<string | null>(null);
  const decide = async (decision: NonNullable<LotView['decision']>, percent?: number) => {
    const outcome = await act(
      'dock/decide',
      { lotId: lot.id, decision, because, ...(percent === undefined ? {} : { percent }) },
      `lot ${lot.number}: ${decision}`,
    );
    setAsking(null);
    setFeedback(outcome.ok ? null : outcome.message);
  };
  const plain = (decision: 'accepted' | 'use first', words: string) => (
    <Button aria-pressed={lot.decision === decision} onClick={() => void decide(decision)}>
      {words}
    </Button>
  );
  return (
    <div className="row">
      {asking === null && (
        <>
          {plain('accepted', 'Keep')}
          {plain('use first', 'Use first')}
          <Button aria-pressed={lot.decision === 'reduced price'} onClick={() => setAsking('less')}>
            For less …
          </Button>
          <Button onClick={() => setAsking('refuse')}>Refuse …</Button>
        </>
      )}
      {asking === 'less' &&
        PERCENTS.map((p) => (
          <Button key={p} onClick={() => void decide('reduced price', p)}>
            {p} % less{money(lot, p)}
          </Button>
        ))}
      {asking === 'refuse' && (
        <Button onClick={() => void decide('refused')}>
          Send back all {lot.stemsLeft}
          {money(lot, 100)}
        </Button>
      )}
      {asking !== null && (
        <Button variant="quiet" onClick={() => setAsking(null)}>
          Not now
        </Button>
      )}
      <Feedback isAlert>{feedback}</Feedback>
    </div>
  );
}
