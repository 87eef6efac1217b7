'use client';
import { useState } from 'react';
import type { Told } from '@/shell/told';
import { useTold } from '@/shell/use-told';
import css from './desk.module.css';
import { FigureLine } from './figure-line';
import type { FigureRow } from './figure-rows';

interface Props {
  readonly rows: readonly FigureRow[];
  readonly mayChange: boolean;
}

/** Figures, a line each. */
export function Figures({ rows, mayChange }: Props) {
  return (
    <ul className="rowlist">
      {rows.map((row) => (
        <FigureLine key={`${row.kind} ${row.subject} ${row.figure}`} row={row} mayChange={mayChange} />
      ))}
    </ul>
  );
}

interface FoldedProps {
  readonly words: string;
  readonly told: Told<readonly FigureRow[]>;
  readonly isOpen: boolean;
  readonly mayChange: boolean;
}

/** Figures few look for: drawn when they are unfolded, and not before. */
export function FoldedFigures({ words, told, isOpen, mayChange }: FoldedProps) {
  const rows = useTold(told);
  const [isUnfolded, setUnfolded] = useState(isOpen);
  return (
    <details open={isOpen} onToggle={(event) => setUnfolded(event.currentTarget.open)}>
      <summary className={css.summary}>{words}</summary>
      {isUnfolded && <Figures rows={rows} mayChange={mayChange} />}
    </details>
  );
}
