'use client';
import { Group, UnstyledButton, VisuallyHidden, type MantineBreakpoint } from '@mantine/core';
import { rowSortingFeature, tableFeatures, useTable, type Header } from '@tanstack/react-table';
import { useState, type ReactNode } from 'react';
import css from './desk-table.module.css';
import { PlainButton } from './plain-button';
import { ShopLink } from './shop-link';
import { PlainTable } from './plain-table';

/** A column of a list of the desk. */
export interface DeskColumn<T> {
  /** What it goes by, and is sorted by; where nothing else draws it, what a record has of that name is its cell. */
  readonly accessor: string;
  readonly title: ReactNode;
  readonly width?: string;
  readonly textAlign?: 'right';
  readonly sortable?: boolean;
  /** The narrowest screen it stands on. */
  readonly visibleFrom?: MantineBreakpoint;
  readonly render?: (record: T) => ReactNode;
}

/** How a list is sorted, and the address that sorts it otherwise. */
export interface DeskSort {
  readonly by: string;
  readonly direction: 'asc' | 'desc';
}

interface Props<T extends { readonly id: string }> {
  readonly label: string;
  readonly columns: readonly DeskColumn<T>[];
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

const FEATURES = tableFeatures({ rowSortingFeature });
type AnyHeader<T extends object> = Header<typeof FEATURES, T>;
const SORTED = { asc: 'ascending', desc: 'descending' } as const;
const ARROW = { asc: '↑', desc: '↓' } as const;

/** What a cell of a column bears: plain, since a list has hundreds and each of the kit's costs the server. */
const ofColumn = <T,>({ visibleFrom, textAlign }: DeskColumn<T>) => ({
  ...(visibleFrom ? { className: `mantine-visible-from-${visibleFrom}` } : {}),
  ...(textAlign ? { style: { textAlign } } : {}),
});

/** A heading: says how its list is sorted, and sorts it by itself. */
function Heading<T extends object>({
  header,
  column,
  addressOf,
  onSort,
}: Pick<Props<T & { readonly id: string }>, 'addressOf' | 'onSort'> & {
  readonly header: AnyHeader<T>;
  readonly column: DeskColumn<T>;
}) {
  const is = header.column.getIsSorted();
  const next: DeskSort = { by: header.column.id, direction: is === 'asc' ? 'desc' : 'asc' };
  const words = (
    <>
      {column.title}
      {is && <span aria-hidden>{ARROW[is]}</span>}
    </>
  );
  const { style, ...rest } = ofColumn(column);
  return (
    <th {...rest} style={{ ...style, width: column.width }} aria-sort={is ? SORTED[is] : undefined}>
      {!column.sortable ? (
        column.title
      ) : addressOf ? (
        <ShopLink className={css.sorts} href={addressOf(next)} scroll={false}>
          {words}
        </ShopLink>
      ) : (
        <UnstyledButton className={css.sorts} onClick={() => onSort?.(next)}>
          {words}
        </UnstyledButton>
      )}
    </th>
  );
}

/**
 * A list of the desk as a table: headings sort it, and what it is sorted by is in its address.
 */
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
  const table = useTable({
    features: FEATURES,
    columns: columns.map((c) => ({
      id: c.accessor,
      accessorKey: c.accessor,
      enableSorting: c.sortable ?? false,
    })),
    data: records,
    getRowId: (record: T) => record.id,
    // It comes sorted: from where it is kept, or from whoever holds all of it.
    manualSorting: true,
    state: { sorting: sort ? [{ id: sort.by, desc: sort.direction === 'desc' }] : [] },
  });
  return (
    <>
      {records.length === 0 ? (
        <p className="soft">{empty}</p>
      ) : (
        <div className="scrolls">
          <PlainTable aria-label={label} className={css.table}>
            <thead>
              {table.getHeaderGroups().map((group) => (
                <tr key={group.id}>
                  {group.headers.map((header, i) => {
                    const column = columns[i];
                    return (
                      column && (
                        <Heading<T>
                          key={header.id}
                          header={header}
                          column={column}
                          {...(addressOf ? { addressOf } : {})}
                          {...(onSort ? { onSort } : {})}
                        />
                      )
                    );
                  })}
                </tr>
              ))}
            </thead>
            <tbody>
              {table.getRowModel().rows.map(({ id, original }) => (
                <Row key={id} record={original} columns={columns} under={openId === id ? under : undefined} />
              ))}
            </tbody>
          </PlainTable>
        </div>
      )}
      {children && (
        <Group component="nav" gap="0.625rem" mt="0.75rem" aria-label={`Pages of ${label.toLowerCase()}`}>
          {children}
        </Group>
      )}
    </>
  );
}

const told = (record: object, of: string): ReactNode => (record as Readonly<Record<string, ReactNode>>)[of];

/** A row, and what opens under it. */
function Row<T extends { readonly id: string }>({
  record,
  columns,
  under,
}: {
  record: T;
  columns: readonly DeskColumn<T>[];
  under: ((record: T) => ReactNode) | undefined;
}) {
  return (
    <>
      <tr>
        {columns.map((column) => (
          <td key={column.accessor} {...ofColumn(column)}>
            {column.render ? column.render(record) : told(record, column.accessor)}
          </td>
        ))}
      </tr>
      {under && (
        <tr>
          <td colSpan={columns.length}>
            <div className="tray">{under(record)}</div>
          </td>
        </tr>
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
      <PlainButton
        aria-label={`${word} ${about(record)}`}
        aria-expanded={openId === record.id}
        onClick={() => setOpenId(openId === record.id ? null : record.id)}
      >
        {word}
      </PlainButton>
    ),
  };
  return { openId, shut: () => setOpenId(null), column };
}
