'use client';
import { Button, Group, TextInput } from '@mantine/core';
import { useState } from 'react';
import * as v from 'valibot';
import { ROOM_KINDS, USUAL_ROOMS, type RoomKind } from '@/core/opening/opening';
import { typedNumber } from '@/core/numbers/read-number';
import { typedMeasure, type Units } from '@/core/units/measures';
import type { RoomRow } from '@/data/rooms';
import { Choices } from '@/shell/choices';
import { DeskTable, useOpenRow, type DeskColumn } from '@/shell/desk-table';
import { someText, useShopForm } from '@/shell/form';
import { Measured, useMeasures } from '@/shell/reader';
import { Feedback } from '@/shell/feedback';
import { useDone } from '../use-done';
import { between, measureBetween, readMeasure } from './between';

type Figures = Pick<RoomRow, 'name' | 'tempC' | 'humidityPct' | 'litHours'>;

const schemaIn = (units: Units) =>
  v.object({
    name: someText(1, 40, 'What is it called?'),
    tempC: measureBetween('tempC', -10, 45, units),
    humidityPct: between(1, 100, '%'),
    litHours: between(0, 24, 'hours'),
  });

interface FormProps {
  readonly room: Figures;
  readonly word: string;
  readonly onSet: (figures: Figures) => Promise<unknown>;
}

/** A room's name and air. */
function RoomForm({ room, word, onSet }: FormProps) {
  const { units, unit } = useMeasures();
  const form = useShopForm(schemaIn(units), {
    name: room.name,
    tempC: typedMeasure('tempC', room.tempC, units),
    humidityPct: String(room.humidityPct),
    litHours: String(room.litHours),
  });
  return (
    <form
      onSubmit={form.onSubmit((typed) =>
        onSet({
          name: typed.name,
          tempC: readMeasure('tempC', typed.tempC, units),
          humidityPct: Math.round(typedNumber(typed.humidityPct)),
          litHours: Math.round(typedNumber(typed.litHours)),
        }),
      )}
    >
      <Group gap="0.75rem" align="start">
        <TextInput w="12rem" label="Room" {...form.getInputProps('name')} />
        <TextInput w="7rem" label={unit('tempC')} inputMode="decimal" {...form.getInputProps('tempC')} />
        <TextInput w="8rem" label="Humidity, %" inputMode="numeric" {...form.getInputProps('humidityPct')} />
        <TextInput w="9rem" label="Light, hours" inputMode="numeric" {...form.getInputProps('litHours')} />
        <Button type="submit" mt="1.75rem">
          {word}
        </Button>
      </Group>
    </form>
  );
}

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
    visibleMediaQuery: '(min-width: 40em)',
    render: ({ litHours }) => `${litHours} h`,
  },
];

/** A new room, by its kind as shops usually have it. */
function AddRoom() {
  const { problem, done } = useDone();
  const [kind, setKind] = useState<RoomKind>('cold');
  return (
    <>
      <Choices
        label="What kind of room"
        options={ROOM_KINDS.map((k) => ({ value: k, words: USUAL_ROOMS[k].name }))}
        value={kind}
        onChange={setKind}
      />
      <RoomForm
        key={kind}
        room={USUAL_ROOMS[kind]}
        word="Add it"
        onSet={(figures) => done('shop/add-room', { kind, ...figures })}
      />
      <Feedback isAlert>{problem}</Feedback>
    </>
  );
}

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
