'use client';
import { Button } from '@mantine/core';
import { useState } from 'react';
import type { LookOutcome } from '@/core/protocol/aftercare';
import { Stem } from '@/drawing/stem';
import { NumberStepper } from '@/shell/number-stepper';
import { useWords } from '@/shell/words';
import type { BenchCard } from './bench-card';
import { useSettled, type Log } from './use-log';
import { ActionBar } from '@/shell/action-bar';

const SEEN = [
  { outcome: 'upright', droop: 'firm' },
  { outcome: 'recovering', droop: 'soft' },
  { outcome: 'hanging', droop: 'hanging' },
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
  const t = useWords();
  const seen = (outcome: LookOutcome, stems: number | null) =>
    void log(
      'bench/look-back',
      { stepId: card.step.id, outcome, stems, handsId: card.hands.personId },
      `looked back: ${outcome}`,
    );
  return (
    <>
      <ActionBar>
        <div className="abreast" role="group" aria-label={t('bench.how-stands')}>
          {SEEN.map(({ outcome, droop }) => (
            <Button
              key={outcome}
              px={6}
              fw={650}
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
              {t(`bench.seen.${outcome}`)}
            </Button>
          ))}
        </div>
      </ActionBar>
      {hangs !== null && (
        <div className="row ends">
          <NumberStepper
            label={t('bench.stems-that-hang')}
            fewer={t('bench.fewer-hangs')}
            more={t('bench.more-hangs')}
            value={hangs}
            min={1}
            max={card.stems}
            onChange={setHangs}
          >
            <span>{t('bench.some-hang', { all: card.stems })}</span>
          </NumberStepper>
          <Button disabled={busy} onClick={() => seen('hanging', hangs)}>
            {t(hangs === card.stems ? 'bench.hang-what-now' : 'bench.take-apart')}
          </Button>
        </div>
      )}
    </>
  );
}
