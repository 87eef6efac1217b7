'use client';
import 'mantine-datatable/styles.layer.css';
import { Box, Button, Group, VisuallyHidden } from '@mantine/core';
import { DataTable, type DataTableColumn } from 'mantine-datatable';
import { useRouter } from 'next/navigation';
import { useState, useTransition, type ReactNode } from 'react';
import css from './desk-table.module.css';

export type DeskColumn<T> = DataTableColumn<T>;

/** How a list is sorted, and the address that sorts it otherwise. */
export interface DeskSort {
  readonly by: string;
  readonly direction: 'asc' | 'desc';
}

const CLASSES = { root: css.root ?? '', table: css.table ?? '', header: css.header ?? '' };

interface Props<T extends { readonly id: string }> {
  readonly label: string;
  readonly columns: DeskColumn<T>[];
  readonly records: readonly T[];
  /** What is said where there is none. */
  readonly empty: string;
  readonly sort?: DeskSort;
  /** The address of the same list sorted so: it is sorted where it is kept. */
  readonly addressOf?: (sort: DeskSort) => string;
  /** For a list that is all here: sorts it. */
  readonly onSort?: (sort: DeskSort) => void;
  /** What opens under a row, by its id. */
  readonly openId?: string | null;
  readonly under?: (record: T) => ReactNode;
  /** What stands under the list: other pages of it, its file. */
  readonly children?: ReactNode;
}

/** A list of the desk as a table: headings sort it, and what it is sorted by is in its address. */
export function DeskTable<T extends { readonly id: string }>({
  label,
  columns,
  records,
  empty,
  sort,
  addressOf,
  onSort,
  openId = null,
  under,
  children,
}: Props<T>) {
  const router = useRouter();
  const [isSorting, startSorting] = useTransition();
  const sortBy = (to: DeskSort) => {
    if (onSort) onSort(to);
    else if (addressOf) startSorting(() => router.push(addressOf(to), { scroll: false }));
  };
  const sorting = sort
    ? {
        sortStatus: { columnAccessor: sort.by, direction: sort.direction },
        onSortStatusChange: (to: { columnAccessor: unknown; direction: 'asc' | 'desc' }) =>
          sortBy({ by: String(to.columnAccessor), direction: to.direction }),
      }
    : {};
  const opening = under && {
    rowExpansion: {
      trigger: 'never' as const,
      expanded: { recordIds: openId === null ? [] : [openId] },
      content: ({ record }: { record: T }) => <Box className={css.under}>{under(record)}</Box>,
    },
  };
  return (
    <>
      {records.length === 0 ? (
        <p className="soft">{empty}</p>
      ) : (
        <DataTable<T>
          aria-label={label}
          aria-busy={isSorting}
          columns={columns}
          records={[...records]}
          classNames={CLASSES}
          fetching={false}
          minHeight={0}
          verticalSpacing="sm"
          horizontalSpacing="sm"
          verticalAlign="top"
          {...sorting}
          {...opening}
        />
      )}
      {children && (
        <Group component="nav" gap="0.625rem" mt="0.75rem" aria-label={`Pages of ${label.toLowerCase()}`}>
          {children}
        </Group>
      )}
    </>
  );
}

/**
 * Which row is open, and the column whose button opens and shuts it.
 * @param word what the button says
 * @param about whose it is, for those who hear it
 */
export function useOpenRow<T extends { readonly id: string }>(
  word: string,
  about: (record: T) => string,
): { readonly openId: string | null; readonly shut: () => void; readonly column: DeskColumn<T> } {
  const [openId, setOpenId] = useState<string | null>(null);
  const column: DeskColumn<T> = {
    accessor: 'id',
    title: <VisuallyHidden>What to do</VisuallyHidden>,
    width: '7.5rem',
    render: (record) => (
      <Button
        aria-expanded={openId === record.id}
        onClick={() => setOpenId(openId === record.id ? null : record.id)}
      >
        {word}
        <VisuallyHidden> {about(record)}</VisuallyHidden>
      </Button>
    ),
  };
  return { openId, shut: () => setOpenId(null), column };
}
