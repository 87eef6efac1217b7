'use client';
import { Button, Stack } from '@mantine/core';
import { useState } from 'react';
import { doseOf, type Sanitiser } from '@/core/sanitising/sanitiser';
import { useActions } from '@/shell/actions';
import { EmergencyLine } from '@/shell/emergency';
import { useMeasures } from '@/shell/reader';
import { Feedback } from '@/shell/feedback';
import type { PailView } from './pail-view';
import css from './pails.module.css';
import { SANITISER_CAUTION, WASH } from './wash-step';

interface Props {
  readonly pails: readonly PailView[];
  readonly sanitiser: Sanitiser;
  /** ISO date in the shop's zone. */
  readonly today: string;
  /** They are put down again. */
  readonly onDone: () => void;
}

const names = (pails: readonly PailView[]): string => pails.map((p) => p.name).join(', ');
const these = (n: number): string => (n === 1 ? 'This one' : `These ${n}`);

/** What goes into each before the water, by size. */
function DoseEach({ pails, sanitiser, today }: Omit<Props, 'onDone'>) {
  const { told } = useMeasures();
  const sizes = [...new Set(pails.map((p) => p.sizeL))].sort((a, b) => b - a);
  return (
    <p>
      {sizes.map((litres, i) => (
        <span key={litres}>
          {i > 0 && '; '}
          <strong>{told('ml', Math.round(doseOf(sanitiser, litres, today).stockMl))}</strong> into each of{' '}
          {told('litres', litres)}
        </span>
      ))}
      <span className="soft"> of {sanitiser.name}, cold water on top</span>
    </p>
  );
}

/** Several pails in hand at once: what each lot of them that stands alike is to be next, one tap for all of it. */
export function SeveralInHand({ pails, sanitiser, today, onDone }: Props) {
  const { act } = useActions();
  const [problem, setProblem] = useState<string | null>(null);
  const alike = (['dirty', 'scrubbed', 'contact'] as const).flatMap((state) => {
    const mine = pails.filter((p) => p.state === state);
    return mine.length > 0 ? [{ mine, ...WASH[state] }] : [];
  });
  const rest = pails.filter((p) => p.state === 'sanitised' || p.state === 'filled');
  const wash = async (
    mine: readonly PailView[],
    to: (typeof WASH)[keyof typeof WASH]['to'],
    words: string,
  ) => {
    const told = `pails ${names(mine)}: ${words.toLowerCase()}`;
    const outcome = await act('pails/wash-many', { pailIds: mine.map((p) => p.id), to }, told);
    setProblem(outcome.ok || outcome.why === 'unavailable' ? null : outcome.message);
  };
  return (
    <section className={`first stack ${css.hand}`} aria-label="Several pails">
      <h2>{pails.length === 0 ? 'Several pails' : `${pails.length} chosen`}</h2>
      {pails.length === 0 && <p>Tap pails, or scan their labels one after another.</p>}
      <Stack gap="0.875rem">
        {alike.map(({ mine, to, words }) => (
          <div key={to}>
            <p className="soft">{names(mine)}</p>
            {to === 'contact' && <DoseEach pails={mine} sanitiser={sanitiser} today={today} />}
            <Button variant="main" onClick={() => void wash(mine, to, words)}>
              {these(mine.length)}: {words.toLowerCase()}
              {to === 'contact' && `, start ${sanitiser.contactMin} min`}
            </Button>
          </div>
        ))}
      </Stack>
      {alike.some((a) => a.to !== 'scrubbed') && (
        <>
          <p className="late">{SANITISER_CAUTION}</p>
          <EmergencyLine />
        </>
      )}
      {rest.length > 0 && <p className="soft">Nothing is to be washed of {names(rest)}.</p>}
      <Feedback isAlert>{problem}</Feedback>
      <Button variant="quiet" onClick={onDone}>
        Put them down
      </Button>
    </section>
  );
}
