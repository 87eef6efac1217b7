'use client';
import { Button, Group, TextInput } from '@mantine/core';
import { useState } from 'react';
import * as v from 'valibot';
import { ROOM_KINDS, USUAL_ROOMS, type RoomKind } from '@/core/opening/opening';
import { typedNumber } from '@/core/numbers/read-number';
import { typedMeasure, type Units } from '@/core/units/measures';
import type { RoomRow } from '@/data/rooms';
import { Choices } from '@/shell/choices';
import { someText, useShopForm } from '@/shell/form';
import { useMeasures } from '@/shell/reader';
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
export function RoomForm({ room, word, onSet }: FormProps) {
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

/** A new room, by its kind as shops usually have it. */
export function AddRoom() {
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
