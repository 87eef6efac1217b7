'use client';
import { LinkButton } from '@/shell/link-button';
import { Button } from '@mantine/core';
import { IconFileTypeCsv } from '@tabler/icons-react';
import { DeskTable, type DeskColumn } from '@/shell/desk-table';
import { addressOf, recordFileOf, type AskedRecord } from './record-address';
import type { RecordRow } from './record-rows';

const COLUMNS: DeskColumn<RecordRow>[] = [
  {
    accessor: 'when',
    title: 'When',
    sortable: true,
    width: '7.5rem',
    render: ({ when }) => <span className="soft">{when}</span>,
  },
  {
    accessor: 'what',
    title: 'What',
    render: ({ what, isTakenBack, waitedUntil }) => (
      <>
        {isTakenBack ? <s>{what}</s> : <span>{what}</span>}
        {isTakenBack && <span className="soft"> (taken back)</span>}
        {waitedUntil && <span className="soft"> waited on its tablet until {waitedUntil}</span>}
      </>
    ),
  },
  {
    accessor: 'who',
    title: 'Who',
    width: '5.5rem',
    render: ({ who, tappedBy }) => (
      <>
        <strong>{who}</strong>
        {tappedBy && <span className="soft"> tapped by {tappedBy}</span>}
      </>
    ),
  },
];

interface Props {
  readonly asked: AskedRecord;
  readonly rows: readonly RecordRow[];
  readonly empty: string;
  /** Whether this page begins beyond an entry, and whether there is more beyond it. */
  readonly isLater: boolean;
  readonly hasMore: boolean;
}

/** What the record answers, sorted by time either way, paged where it is kept. */
export function RecordTable({ asked, rows, empty, isLater, hasMore }: Props) {
  const isOldest = asked.order === 'oldest';
  return (
    <DeskTable
      label="The record"
      columns={COLUMNS}
      records={rows}
      empty={empty}
      sort={{ by: 'when', direction: isOldest ? 'asc' : 'desc' }}
      addressOf={({ direction }) => addressOf({ ...asked, order: direction === 'asc' ? 'oldest' : '' })}
    >
      {isLater && <LinkButton href={addressOf(asked)}>{isOldest ? 'Oldest' : 'Newest'}</LinkButton>}
      {hasMore && (
        <LinkButton href={addressOf(asked, Number(rows.at(-1)?.id))}>
          {isOldest ? 'Later' : 'Earlier'}
        </LinkButton>
      )}
      {rows.length > 0 && (
        <Button
          component="a"
          variant="quiet"
          href={recordFileOf(asked)}
          leftSection={<IconFileTypeCsv aria-hidden />}
        >
          As CSV, up to 5,000 entries
        </Button>
      )}
    </DeskTable>
  );
}
