'use client';
import { TextInput } from '@mantine/core';
import { useState } from 'react';
import { Stem } from '@/drawing/stem';
import type { Habit } from '@/core/species/species';
import { useInPieces } from '@/shell/in-pieces';
import { DeskTable, type DeskColumn, type DeskSort } from '@/shell/desk-table';
import { ShopLink } from '@/shell/shop-link';
import { Measured, useMeasures } from '@/shell/reader';

/** A species as the list shows it: what decides how it is kept. */
export interface SpeciesRow {
  readonly id: string;
  readonly name: string;
  readonly botanical: string;
  readonly habit: Habit;
  readonly isOwn: boolean;
  readonly lifeDays: number;
  readonly chillBelowC: number | null;
  readonly ethylene: number;
  readonly food: string;
  readonly changes: number;
}

/** At which a species' life is told. */
const REFERENCE_C = 20;
const NO_WRAP = { flexWrap: 'nowrap' } as const;
const ETHYLENE = ['none', 'little', 'some', 'much'] as const;

const columnsFor = (roomTemp: string): DeskColumn<SpeciesRow>[] => [
  {
    accessor: 'name',
    title: 'Species',
    sortable: true,
    render: ({ id, name, botanical, habit, isOwn, changes }) => (
      <div className="row" style={NO_WRAP}>
        <Stem habit={habit} stage={0.6} droop="firm" colour={null} height={44} />
        <span style={{ alignSelf: 'baseline' }}>
          <ShopLink href={`/desk/species?species=${id}`}>{name}</ShopLink>
          {(isOwn || changes > 0) && (
            <span className="soft"> {isOwn ? 'our own' : `${changes} of our own changes`}</span>
          )}
          <br />
          <em className="soft">{botanical}</em>
        </span>
      </div>
    ),
  },
  {
    accessor: 'lifeDays',
    title: `Days at ${roomTemp}`,
    sortable: true,
    width: '8.5rem',
    textAlign: 'right',
    render: ({ lifeDays }) => <strong>{lifeDays}</strong>,
  },
  {
    accessor: 'chillBelowC',
    title: 'Not below',
    sortable: true,
    width: '8rem',
    textAlign: 'right',
    visibleFrom: 'xs',
    render: ({ chillBelowC }) => (chillBelowC === null ? '' : <Measured measure="tempC" n={chillBelowC} />),
  },
  {
    accessor: 'ethylene',
    title: 'Harmed by ethylene',
    sortable: true,
    width: '12.5rem',
    visibleFrom: 'sm',
    render: ({ ethylene }) => ETHYLENE[Math.round(ethylene)] ?? String(ethylene),
  },
  {
    accessor: 'food',
    title: 'Water',
    sortable: true,
    width: '9rem',
    visibleFrom: 'md',
  },
];

function sorted(rows: readonly SpeciesRow[], { by, direction }: DeskSort): SpeciesRow[] {
  const key = by as keyof SpeciesRow;
  const sign = direction === 'asc' ? 1 : -1;
  // What has no such limit stands last, whichever way it is sorted.
  const of = (row: SpeciesRow): string | number => (row[key] ?? sign * Infinity) as string | number;
  return [...rows].sort((a, b) => {
    const [x, y] = [of(a), of(b)];
    return sign * (typeof x === 'string' ? x.localeCompare(String(y)) : x - Number(y));
  });
}

/** So many rows stand on a tall screen before anybody scrolls. */
const SEEN_AT_ONCE = 16;

/** Every species there is: found by a few letters, sorted by what is asked. */
export function SpeciesList({ rows }: { rows: readonly SpeciesRow[] }) {
  const [typed, setTyped] = useState('');
  const [sort, setSort] = useState<DeskSort>({ by: 'name', direction: 'asc' });
  const wanted = typed.trim().toLowerCase();
  const found = rows.filter((r) => `${r.name} ${r.botanical}`.toLowerCase().includes(wanted));
  const { told } = useMeasures();
  const columns = columnsFor(told('tempC', REFERENCE_C));
  const drawn = useInPieces(sorted(found, sort), SEEN_AT_ONCE);
  return (
    <>
      <TextInput
        label="Name"
        aria-label="Find a species"
        maw="20rem"
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
      />
      <DeskTable
        label="Species"
        columns={columns}
        records={drawn}
        empty={`No species has “${typed.trim()}” in its name.`}
        sort={sort}
        onSort={setSort}
      />
    </>
  );
}
