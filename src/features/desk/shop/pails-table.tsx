'use client';
import { Button, Group } from '@mantine/core';
import { useDisclosure } from '@mantine/hooks';
import dynamic from 'next/dynamic';
import { DeskTable, useOpenRow, type DeskColumn } from '@/shell/desk-table';
import { Measured } from '@/shell/reader';
import { Unfolds } from '@/shell/unfolds';
import type { OwnPail, RoomOf } from './own-pail';

// What opens under a row, or at a tap, is fetched as it is first opened.
const AddPails = dynamic(() => import('./pail-forms').then((m) => m.AddPails), { ssr: false });
const PailUnder = dynamic(() => import('./pail-forms').then((m) => m.PailUnder), { ssr: false });

const COLUMNS: DeskColumn<OwnPail>[] = [
  {
    accessor: 'name',
    title: 'Pail',
    render: ({ name, isRetired }) => (
      <>
        <strong>{name}</strong>
        {isRetired && <span className="soft">, retired</span>}
      </>
    ),
  },
  {
    accessor: 'litres',
    title: 'Full',
    width: '7rem',
    textAlign: 'right',
    render: ({ litres }) => <Measured measure="litres" n={litres} />,
  },
  {
    accessor: 'heightCm',
    title: 'Tall',
    width: '7rem',
    textAlign: 'right',
    render: ({ heightCm }) => <Measured measure="cm" n={heightCm} />,
  },
];

/** The pails, a row each, the retired ones last. */
export function PailsTable({
  pails,
  rooms,
  mayChange,
}: {
  pails: readonly OwnPail[];
  rooms: readonly RoomOf[];
  mayChange: boolean;
}) {
  const { openId, shut, column } = useOpenRow<OwnPail>('Change', ({ name }) => `pail ${name}`);
  const [isShown, { toggle }] = useDisclosure(false);
  return (
    <>
      {mayChange && (
        <Unfolds summary="More pails …">
          <AddPails />
        </Unfolds>
      )}
      <Group>
        <Button onClick={toggle} aria-expanded={isShown}>
          {isShown ? 'Fold them away' : `Show the ${pails.length} pails`}
        </Button>
      </Group>
      {isShown && (
        <DeskTable
          label="Pails"
          columns={mayChange ? [...COLUMNS, column] : COLUMNS}
          records={pails}
          empty="The shop has no pails."
          openId={openId}
          under={(pail) => <PailUnder key={pail.id} pail={pail} rooms={rooms} onSet={shut} />}
        />
      )}
    </>
  );
}
