'use client';
import type { ReactNode } from 'react';
import css from './taps.module.css';

interface Props {
  /** What is counted, for those who hear it: "Litres", "Stems to bin". */
  readonly label: string;
  readonly fewer: string;
  readonly more: string;
  readonly value: number;
  readonly min: number;
  readonly max: number;
  readonly by?: number;
  readonly onChange: (value: number) => void;
  readonly children: ReactNode;
}

/** A number set by taps: one button down, one up, nothing to type. */
export function Stepper({ label, fewer, more, value, min, max, by = 1, onChange, children }: Props) {
  return (
    <div className={css.stepper}>
      <button
        type="button"
        className="plain"
        aria-label={fewer}
        disabled={value <= min}
        onClick={() => onChange(Math.max(min, value - by))}
      >
        −
      </button>
      <output aria-label={label}>{children}</output>
      <button
        type="button"
        className="plain"
        aria-label={more}
        disabled={value >= max}
        onClick={() => onChange(Math.min(max, value + by))}
      >
        +
      </button>
    </div>
  );
}
