'use client';
import { Button } from '@mantine/core';
import { useState } from 'react';
import { EmergencyLine } from '@/shell/emergency';
import { useWords } from '@/shell/words';
import css from './bench.module.css';

/** The caution where the hand is about to do the thing: one line, more on request. */
export function CautionLine({ caution, more }: { caution: string | null; more: string | null }) {
  const t = useWords();
  const [isOpen, setOpen] = useState(false);
  if (!caution) return null;
  return (
    <div>
      <p className={css.caution}>
        <svg viewBox="0 0 28 26" width={28} aria-hidden="true">
          <path
            d="M14 3 L26 23 H2Z M14 10 V16 M14 19.4 V20"
            fill="none"
            stroke="currentColor"
            strokeWidth={2.6}
            strokeLinejoin="round"
            strokeLinecap="round"
          />
        </svg>
        <span>{caution}</span>
        <Button variant="quiet" aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
          {t(isOpen ? 'bench.less' : 'bench.more')}
        </Button>
      </p>
      {isOpen && (
        <>
          {more !== null && <p className={css.more}>{more}</p>}
          <EmergencyLine />
        </>
      )}
    </div>
  );
}
