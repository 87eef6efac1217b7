'use client';
import { useState } from 'react';
import { MORE_CAUTION } from '@/core/steps/cautions';
import type { ProtocolStep } from '@/core/protocol/types';
import { stepOf } from '@/core/steps/steps';
import css from './bench.module.css';

/** What stands behind a step's caution, by what can hurt. */
function moreOf({ kind, who }: ProtocolStep): string | null {
  if (who === 'hot water') return MORE_CAUTION.heat;
  const { moreCaution } = stepOf(kind);
  return moreCaution && MORE_CAUTION[moreCaution];
}

/** The caution where the hand is about to do the thing: one line, more on request. */
export function CautionLine({ step }: { step: ProtocolStep }) {
  const [isOpen, setOpen] = useState(false);
  const more = moreOf(step);
  if (!step.caution) return null;
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
        <span>{step.caution}</span>
        {more && (
          <button type="button" className="quiet" aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
            {isOpen ? 'less' : 'more'}
          </button>
        )}
      </p>
      {isOpen && <p className={css.more}>{more}</p>}
    </div>
  );
}
