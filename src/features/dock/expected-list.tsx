'use client';
import { daysBetween } from '@/core/calendar/dates';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { useActions } from '@/shell/actions';
import type { Expected } from './half-read';
import { Feedback } from '@/shell/feedback';
import { Unfolds } from '@/shell/unfolds';

const ExpectedLines = dynamic(() => import('./expected-lines').then((m) => m.ExpectedLines), { ssr: false });

const whenDue = (dueOn: string, today: string): { words: string; late: boolean } => {
  const days = daysBetween(today, dueOn);
  if (days < 0) return { words: days === -1 ? 'due yesterday' : `due ${-days} days ago`, late: true };
  return { words: days === 0 ? 'due today' : days === 1 ? 'due tomorrow' : `due ${dueOn}`, late: false };
};

/** What is ordered and has not come. */
export function ExpectedList({
  expected,
  names,
  today,
}: {
  expected: readonly Expected[];
  /** Of their species, by key, as the reader calls them. */
  names: Readonly<Record<string, string>>;
  today: string;
}) {
  const { act } = useActions();
  const [feedback, setFeedback] = useState<string | null>(null);
  if (expected.length === 0) return null;
  const callOff = async (e: Expected) => {
    const outcome = await act('dock/call-off', { expectedId: e.id }, `order ${e.orderRef} called off`);
    setFeedback(outcome.ok ? `${e.orderRef} called off. Z takes it back.` : outcome.message);
  };
  return (
    <section aria-label="Expected">
      <h3>Expected</h3>
      {expected.map((e) => {
        const due = whenDue(e.dueOn, today);
        return (
          <Unfolds
            key={e.id}

            summary={
              <span>
                {e.supplier}{' '}
                <span className="soft">
                  {e.orderRef}, {e.lines.length} lines,
                </span>{' '}
                <span className={due.late ? 'late' : 'soft'}>{due.words}</span>
              </span>
            }
          >
            <ExpectedLines order={e} names={names} onCallOff={() => void callOff(e)} />
          </Unfolds>
        );
      })}
      <Feedback>{feedback}</Feedback>
    </section>
  );
}
