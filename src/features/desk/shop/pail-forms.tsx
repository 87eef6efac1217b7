'use client';
import { Button, Group, NativeSelect, TextInput } from '@mantine/core';
import { useState } from 'react';
import * as v from 'valibot';
import { typedNumber } from '@/core/numbers/read-number';
import { typedMeasure, type Units } from '@/core/units/measures';
import { PAIL_COLOURS, PAIL_FORMS, type PailColour, type PailForm } from '@/core/water/pail-shape';
import { someText, useShopForm } from '@/shell/form';
import { useMeasures } from '@/shell/reader';
import { Feedback } from '@/shell/feedback';
import { useDone } from '../use-done';
import { between, measureBetween, readMeasure } from './between';
import type { OwnPail, RoomOf } from './own-pail';

const newPailsIn = (units: Units) =>
  v.object({
    count: between(1, 60, 'at once'),
    litres: measureBetween('litres', 0.5, 100, units),
    heightCm: measureBetween('cm', 5, 100, units),
  });
const NAME = v.object({ name: someText(1, 20, 'What is it called?') });

const FORM_WORDS: Readonly<Record<PailForm, string>> = { tapered: 'wider at the rim', straight: 'straight' };
const FORMS = PAIL_FORMS.map((value) => ({ value, label: FORM_WORDS[value] }));
const COLOURS = [
  { value: '', label: 'not told apart' },
  ...PAIL_COLOURS.map((c) => ({ value: c, label: c })),
];
const colourOf = (value: string): PailColour | null => PAIL_COLOURS.find((c) => c === value) ?? null;

/** What a pail is like, and where it stands. */
function PailIsLike({ pail, rooms, onSet }: { pail: OwnPail; rooms: readonly RoomOf[]; onSet: () => void }) {
  const { problem, done } = useDone();
  const [form, setForm] = useState(pail.form);
  const [colour, setColour] = useState<PailColour | null>(pail.colour);
  const [roomId, setRoomId] = useState(pail.roomId);
  const set = async () => {
    if (await done('shop/set-pail', { pailId: pail.id, form, colour, roomId })) onSet();
  };
  return (
    <>
      <Group gap="0.75rem" align="end">
        <NativeSelect
          label="Its form"
          value={form}
          data={FORMS}
          onChange={(e) => setForm(e.currentTarget.value as PailForm)}
        />
        <NativeSelect
          label="Its colour"
          value={colour ?? ''}
          data={COLOURS}
          onChange={(e) => setColour(colourOf(e.currentTarget.value))}
        />
        <NativeSelect
          label="It stands in"
          value={roomId}
          data={rooms.map((r) => ({ value: r.id, label: r.name }))}
          onChange={(e) => setRoomId(e.currentTarget.value)}
        />
        <Button onClick={() => void set()}>It is like this</Button>
      </Group>
      <Feedback isAlert>{problem}</Feedback>
    </>
  );
}

interface UnderProps {
  readonly pail: OwnPail;
  readonly rooms: readonly RoomOf[];
  readonly onSet: () => void;
}

/** Another name for a pail, or out of use and in again. */
export function PailUnder({ pail, rooms, onSet }: UnderProps) {
  const { problem, done } = useDone();
  const form = useShopForm(NAME, { name: pail.name });
  const rename = async ({ name }: { name: string }) => {
    if (await done('shop/rename-pail', { pailId: pail.id, name })) onSet();
  };
  const retire = async () => {
    if (await done('shop/retire-pail', { pailId: pail.id, isHere: pail.isRetired })) onSet();
  };
  return (
    <>
      <form onSubmit={form.onSubmit((typed) => void rename(typed))}>
        <Group gap="0.75rem" align="start">
          {!pail.isRetired && (
            <>
              <TextInput w="10rem" label="Its name" {...form.getInputProps('name')} />
              <Button type="submit" mt="1.75rem">
                Call it so
              </Button>
            </>
          )}
          <Button mt={pail.isRetired ? 0 : '1.75rem'} onClick={() => void retire()}>
            {pail.isRetired ? 'In use again' : 'Retire it'}
          </Button>
        </Group>
      </form>
      {!pail.isRetired && <PailIsLike pail={pail} rooms={rooms} onSet={onSet} />}
      <Feedback isAlert>{problem}</Feedback>
    </>
  );
}

/** More pails of one sort. */
export function AddPails() {
  const { problem, done } = useDone();
  const [added, setAdded] = useState<readonly string[]>([]);
  const { units, unit } = useMeasures();
  const form = useShopForm(newPailsIn(units), {
    count: '10',
    litres: typedMeasure('litres', 12, units),
    heightCm: typedMeasure('cm', 36, units),
  });
  const [shape, setShape] = useState<PailForm>('tapered');
  const [colour, setColour] = useState<PailColour | null>(null);
  const add = async (typed: typeof form.values) => {
    const was = await done('shop/add-pails', {
      ...{ form: shape, colour },
      count: Math.round(typedNumber(typed.count)),
      litres: readMeasure('litres', typed.litres, units),
      heightCm: Math.round(readMeasure('cm', typed.heightCm, units)),
    });
    setAdded(was?.value.names ?? []);
  };
  return (
    <form onSubmit={form.onSubmit((typed) => void add(typed))}>
      <Group gap="0.75rem" align="start">
        <TextInput w="7rem" label="How many" inputMode="numeric" {...form.getInputProps('count')} />
        <TextInput
          w="8rem"
          label={`Full, ${unit('litres')}`}
          inputMode="decimal"
          {...form.getInputProps('litres')}
        />
        <TextInput
          w="8rem"
          label={`Tall, ${unit('cm')}`}
          inputMode="numeric"
          {...form.getInputProps('heightCm')}
        />
        <NativeSelect
          label="Form"
          value={shape}
          data={FORMS}
          onChange={(e) => setShape(e.currentTarget.value as PailForm)}
        />
        <NativeSelect
          label="Colour"
          value={colour ?? ''}
          data={COLOURS}
          onChange={(e) => setColour(colourOf(e.currentTarget.value))}
        />
        <Button type="submit" mt="1.75rem">
          Add them
        </Button>
      </Group>
      <Feedback isWell>
        {added.length > 0 &&
          `${added.length === 1 ? 'Pail' : 'Pails'} ${[added[0], added.at(-1)].filter((n, i, all) => i === 0 || n !== all[0]).join(' to ')}: wash them before they are used.`}
      </Feedback>
      <Feedback isAlert>{problem}</Feedback>
    </form>
  );
}
