'use client';
import { typedNumber } from '@/core/numbers/read-number';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { v4 } from 'uuid';
import { useActions } from '@/shell/actions';
import type { FigureRow } from './figure-rows';
import css from './desk.module.css';
import { Said } from '@/shell/said';

/** One figure: ours, its basis, the shop's own, and for a manager the means to change it. */
export function FigureLine({ row, mayChange }: { row: FigureRow; mayChange: boolean }) {
  const router = useRouter();
  const { act } = useActions();
  const [isOpen, setOpen] = useState(false);
  const [value, setValue] = useState(String(row.own?.value ?? row.shipped ?? ''));
  const [reason, setReason] = useState('');
  const [problem, setProblem] = useState<string | null>(null);

  const set = async (next: number | null) => {
    if (next !== null && !Number.isFinite(next))
      return setProblem('That is not a number. Nothing was changed.');
    const { kind, subject, figure } = row;
    const outcome = await act('desk/set-figure', { kind, subject, figure, value: next, reason }, v4());
    if (!outcome.ok) return setProblem(`${outcome.message} Nothing was changed.`);
    setOpen(false);
    setReason('');
    setProblem(null);
    router.refresh();
  };

  return (
    <li className={css.figure}>
      <span>
        {row.name}
        {row.own && (
          <span className={css.why}>
            {row.own.reason} ({row.own.by})
          </span>
        )}
      </span>
      <span className={css.value}>
        {row.own ? (
          <>
            <strong>{row.own.value}</strong> <s className="soft">{row.shipped ?? 'none'}</s>
          </>
        ) : (
          <strong>{row.shipped ?? 'none'}</strong>
        )}{' '}
        <span className="soft">{row.unit}</span>
      </span>
      <span className="soft">{row.own ? 'our own' : row.basis}</span>
      {mayChange && (
        <button type="button" className="plain" aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
          Change<span className="visually-hidden"> {row.name}</span>
        </button>
      )}
      {isOpen && (
        <form
          className={css.change}
          onSubmit={(event) => {
            event.preventDefault();
            void set(typedNumber(value));
          }}
        >
          <label>
            Our figure, {row.unit || 'a number'}
            <input value={value} inputMode="decimal" onChange={(e) => setValue(e.target.value)} />
          </label>
          <label className={css.reason}>
            Why
            <input value={reason} maxLength={200} onChange={(e) => setReason(e.target.value)} />
          </label>
          <button type="submit" className="deed" disabled={reason.trim().length < 3}>
            Set it
          </button>
          {row.own && (
            <button
              type="button"
              className="plain"
              disabled={reason.trim().length < 3}
              onClick={() => void set(null)}
            >
              The product’s again
            </button>
          )}
          <Said isAlert>{problem}</Said>
        </form>
      )}
    </li>
  );
}
