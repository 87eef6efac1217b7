'use client';
import { useState } from 'react';
import { typedMeasure, type Measure } from '@/core/units/measures';
import { DeskTable, useOpenRow, type DeskColumn } from '@/shell/desk-table';
import { useMeasures } from '@/shell/reader';
import type { Told } from '@/shell/told';
import { useTold } from '@/shell/use-told';
import { FigureForm } from './figure-form';
import type { SaidFigureRow } from './figure-rows';

interface Props {
  readonly label: string;
  readonly rows: readonly SaidFigureRow[];
  readonly mayChange: boolean;
}

type Row = SaidFigureRow & { readonly id: string };

/** A figure as its reader measures it. */
function Value({ n, measure }: { n: number | null; measure: SaidFigureRow['measure'] }) {
  const { units } = useMeasures();
  if (n === null) return 'none';
  return measure ? typedMeasure(measure, n, units) : n;
}
const UnitOf = ({ measure }: { measure: Measure }) => useMeasures().unit(measure);

const COLUMNS: DeskColumn<Row>[] = [
  {
    accessor: 'name',
    title: 'Figure',
    render: ({ name, own }) => (
      <>
        {name}
        {own && (
          <span className="says late">
            {own.reason} ({own.by})
          </span>
        )}
      </>
    ),
  },
  {
    accessor: 'value',
    title: 'Value',
    width: '7rem',
    textAlign: 'right',
    render: ({ own, shipped, measure }) =>
      own ? (
        <>
          <strong>
            <Value n={own.value} measure={measure} />
          </strong>{' '}
          <s className="soft">
            <Value n={shipped} measure={measure} />
          </s>
        </>
      ) : (
        <strong>
          <Value n={shipped} measure={measure} />
        </strong>
      ),
  },
  {
    accessor: 'unit',
    title: 'Unit',
    width: '9rem',
    visibleFrom: 'xs',
    // Where there is no figure there is nothing to measure.
    render: ({ unit, measure, own, shipped }) => (
      <span className="soft">
        {(own || shipped !== null) && (measure ? <UnitOf measure={measure} /> : unit)}
      </span>
    ),
  },
  {
    accessor: 'basis',
    title: 'Basis',
    width: '7rem',
    render: ({ own, basis }) => <span className="soft">{own ? 'our own' : basis}</span>,
  },
];

/** Figures, a row each; a manager's own goes in under the row. */
export function Figures({ label, rows, mayChange }: Props) {
  const { openId, shut, column } = useOpenRow<Row>('Change', ({ name }) => name);
  return (
    <DeskTable
      label={label}
      columns={mayChange ? [...COLUMNS, column] : COLUMNS}
      records={rows.map((row) => ({ ...row, id: `${row.kind} ${row.subject} ${row.figure}` }))}
      empty="There are no such figures."
      openId={openId}
      under={(row) => <FigureForm row={row} onSet={shut} />}
    />
  );
}

interface FoldedProps {
  readonly words: string;
  readonly told: Told<readonly SaidFigureRow[]>;
  readonly isOpen: boolean;
  readonly mayChange: boolean;
}

/** Figures few look for: drawn when they are unfolded, and not before. */
export function FoldedFigures({ words, told, isOpen, mayChange }: FoldedProps) {
  const rows = useTold(told);
  const [isUnfolded, setUnfolded] = useState(isOpen);
  return (
    <details open={isOpen} onToggle={(event) => setUnfolded(event.currentTarget.open)}>
      <summary>{words}</summary>
      {isUnfolded && <Figures label={words} rows={rows} mayChange={mayChange} />}
    </details>
  );
}
