'use client';
import { Button, TextInput, VisuallyHidden } from '@mantine/core';
import { typedNumber } from '@/core/numbers/read-number';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { v4 } from 'uuid';
import { useActions } from '@/shell/actions';
import type { FigureRow } from './figure-rows';
import css from './desk.module.css';
import { Said } from '@/shell/said';
import { isReasoned, ReasonInput } from './reason-input';

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
        <Button aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
          Change<VisuallyHidden> {row.name}</VisuallyHidden>
        </Button>
      )}
      {isOpen && (
        <form
          className={css.change}
          onSubmit={(event) => {
            event.preventDefault();
            void set(typedNumber(value));
          }}
        >
          <TextInput
            label={`Our figure, ${row.unit || 'a number'}`}
            inputMode="decimal"
            value={value}
            onChange={(e) => setValue(e.target.value)}
          />
          <ReasonInput value={reason} onChange={setReason} />
          <Button type="submit" variant="deed" disabled={!isReasoned(reason)}>
            Set it
          </Button>
          {row.own && (
            <Button disabled={!isReasoned(reason)} onClick={() => void set(null)}>
              The product’s again
            </Button>
          )}
          <Said isAlert>{problem}</Said>
        </form>
      )}
    </li>
  );
}
