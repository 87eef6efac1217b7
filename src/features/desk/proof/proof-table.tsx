'use client';
import { Button } from '@mantine/core';
import { IconFileTypeCsv, IconFileTypePdf } from '@tabler/icons-react';
import { DeskTable, type DeskColumn } from '@/shell/desk-table';
import type { Period } from './period';

/** A line as it is shown. */
export interface ProofLine {
  readonly id: string;
  readonly when: string;
  readonly pail: string;
  readonly what: string;
  readonly who: string;
  readonly how: string;
  readonly gap: string | null;
}

const COLUMNS: DeskColumn<ProofLine>[] = [
  {
    accessor: 'when',
    title: 'When',
    width: '6.5rem',
    render: ({ when }) => <span className="soft">{when}</span>,
  },
  { accessor: 'pail', title: 'Pail', width: '3.75rem', render: ({ pail }) => <strong>{pail}</strong> },
  {
    accessor: 'what',
    title: 'What',
    render: ({ what, how, gap }) => (
      <>
        {what} <span className="soft">{how}</span>
        {gap && <span className="says late">{gap}</span>}
      </>
    ),
  },
  { accessor: 'who', title: 'Who', width: '5.5rem', visibleFrom: 'xs' },
];

interface Props {
  readonly rows: readonly ProofLine[];
  readonly period: Period;
  /** Whether the file has more than is shown. */
  readonly hasMore: boolean;
}

/** The proof line by line, and its file. */
export function ProofTable({ rows, period, hasMore }: Props) {
  const { from, to } = period;
  return (
    <DeskTable label="The proof" columns={COLUMNS} records={rows} empty="Nothing was done with pails then.">
      {hasMore && <span className="soft">The last {rows.length} lines; the files have them all.</span>}
      <Button
        component="a"
        variant="quiet"
        href={`/desk/proof.csv?${new URLSearchParams({ from, to })}`}
        leftSection={<IconFileTypeCsv aria-hidden />}
      >
        As CSV
      </Button>
      <Button
        component="a"
        variant="quiet"
        href={`/desk/proof.pdf?${new URLSearchParams({ from, to })}`}
        leftSection={<IconFileTypePdf aria-hidden />}
      >
        As PDF, for an inspector
      </Button>
    </DeskTable>
  );
}
