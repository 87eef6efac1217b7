'use client';
import { useState } from 'react';
import type { LookOutcome } from '@/core/protocol/aftercare';
import { Stem } from '@/drawing/stem';
import { Stepper } from '@/shell/stepper';
import type { BenchCard } from './bench-card';
import css from './bench.module.css';
import { useSettled, type Log } from './use-log';

const SEEN = [
  { outcome: 'upright', words: 'Upright', droop: 'firm' },
  { outcome: 'recovering', words: 'Coming up', droop: 'soft' },
  { outcome: 'hanging', words: 'Hanging', droop: 'hanging' },
] as const;

/** What is seen of a lot that has drunk, each outcome drawn; some that hang become a lot of their own. */
export function LookOutcomes({
  card,
  log: { log, busy },
  isKept,
}: {
  card: BenchCard;
  log: Log;
  isKept: boolean;
}) {
  const [hangs, setHangs] = useState<number | null>(null);
  const settled = useSettled();
  const seen = (outcome: LookOutcome, stems: number | null) =>
    void log(
      'bench/look-back',
      { stepId: card.step.id, outcome, stems, handsId: card.hands.personId },
      `looked back: ${outcome}`,
    );
  return (
    <>
      <div className={css.outcomes} role="group" aria-label="How does it stand?">
        {SEEN.map(({ outcome, words, droop }) => (
          <button
            key={outcome}
            type="button"
            className="plain"
            disabled={busy || isKept || !settled}
            data-step-in-hand={outcome === 'upright' ? true : undefined}
            aria-expanded={outcome === 'hanging' ? hangs !== null : undefined}
            onClick={() =>
              outcome === 'hanging' && card.stems > 1
                ? setHangs(hangs === null ? card.stems : null)
                : seen(outcome, null)
            }
          >
            <span aria-hidden="true">
              <Stem habit={card.habit} colour={card.colour} stage={card.stage} droop={droop} height={86} />
            </span>
            {words}
          </button>
        ))}
      </div>
      {hangs !== null && (
        <div className={css.pick}>
          <Stepper
            label="Stems that hang"
            fewer="One fewer hangs"
            more="One more hangs"
            value={hangs}
            min={1}
            max={card.stems}
            onChange={setHangs}
          >
            <strong>{hangs === card.stems ? `all ${hangs} hang` : `${hangs} of ${card.stems} hang`}</strong>
          </Stepper>
          <button type="button" className="plain" disabled={busy} onClick={() => seen('hanging', hangs)}>
            {hangs === card.stems ? 'They hang: what now' : 'Take these apart'}
          </button>
        </div>
      )}
    </>
  );
}
