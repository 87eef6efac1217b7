'use client';
import { Button, Group } from '@mantine/core';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { RoomRow } from '@/data/rooms';
import { DeskTable, useOpenRow, type DeskColumn } from '@/shell/desk-table';
import { Measured } from '@/shell/reader';
import { Feedback } from '@/shell/feedback';
import { useDone } from '../use-done';

// What opens under a row, or at a tap, is fetched as it is first opened.
const RoomForm = dynamic(() => import('./room-form').then((m) => m.RoomForm), { ssr: false });
const AddRoom = dynamic(() => import('./room-form').then((m) => m.AddRoom), { ssr: false });

const COLUMNS: DeskColumn<RoomRow>[] = [
  { accessor: 'name', title: 'Room', render: ({ name }) => <strong>{name}</strong> },
  {
    accessor: 'tempC',
    title: 'Air',
    width: '5rem',
    textAlign: 'right',
    render: ({ tempC }) => <Measured measure="tempC" n={tempC} />,
  },
  {
    accessor: 'humidityPct',
    title: 'Humidity',
    width: '5.5rem',
    textAlign: 'right',
    render: ({ humidityPct }) => `${humidityPct} %`,
  },
  {
    accessor: 'litHours',
    title: 'Light',
    width: '7rem',
    textAlign: 'right',
    visibleFrom: 'xs',
    render: ({ litHours }) => `${litHours} h`,
  },
];

/** The rooms, a row each; a row opens to set its air. */
export function RoomsTable({ rooms, mayChange }: { rooms: readonly RoomRow[]; mayChange: boolean }) {
  const { openId, shut, column } = useOpenRow<RoomRow>('Change', ({ name }) => name);
  const { problem, done } = useDone();
  const [isAdding, setAdding] = useState(false);
  return (
    <>
      <DeskTable
        label="Rooms"
        columns={mayChange ? [...COLUMNS, column] : COLUMNS}
        records={rooms}
        empty="The shop has no rooms."
        openId={openId}
        under={(room) => (
          <>
            <RoomForm
              room={room}
              word="From now on"
              onSet={async (figures) => {
                if (await done('shop/set-room', { roomId: room.id, ...figures })) shut();
              }}
            />
            <Feedback isAlert>{problem}</Feedback>
          </>
        )}
      />
      {mayChange &&
        (isAdding ? (
          <AddRoom />
        ) : (
          <Group>
            <Button onClick={() => setAdding(true)}>Another room</Button>
          </Group>
        ))}
    </>
  );
}
