'use client';
import { Button, Checkbox, Group, NativeSelect, NumberInput, PasswordInput, TextInput } from '@mantine/core';
import { currencies } from '@/core/opening/currency';
import { ROOM_KINDS, USUAL_ROOMS } from '@/core/opening/opening';
import { fromTypedMeasure, measured, MEASURES, typedMeasure, type Measure } from '@/core/units/measures';
import { RoomSketch } from '@/drawing/room-sketch';
import { useLanguages } from '@/shell/languages';
import { UNIT_CHOICES } from '@/shell/reader';
import { useHydrated } from '@/shell/use-hydrated';
import type { OpeningForm } from './opening-form';

interface Props {
  readonly form: OpeningForm;
  /** The zone this tablet's own clock is set to, or the one that was chosen. */
  readonly zone: string;
}

export function ShopPart({ form, zone }: Props) {
  const isHere = useHydrated();
  const languages = useLanguages();
  return (
    <>
      <TextInput
        label="Its name, as it stands on cards"
        description="With its town, if you like"
        size="lg"
        autoComplete="organization"
        {...form.getInputProps('name')}
      />
      <NativeSelect
        label="Its language"
        description="Of its cards; everybody reads the shop in their own"
        size="lg"
        data={[...languages]}
        {...form.getInputProps('language')}
      />
      <NativeSelect label="Measures" size="lg" data={UNIT_CHOICES} {...form.getInputProps('units')} />
      <NativeSelect
        label="Its money"
        description="What it counts prices, claims and its water in"
        size="lg"
        data={isHere ? [...currencies()] : [form.values.currency]}
        {...form.getInputProps('currency')}
      />
      <NativeSelect
        label="Its clock"
        size="lg"
        // A tablet's own zone may go by a name that the list has not, such as UTC.
        data={isHere ? [...new Set([zone, ...Intl.supportedValuesOf('timeZone')])] : []}
        {...form.getInputProps('timeZone')}
        value={zone}
      />
    </>
  );
}

export function PeoplePart({ form }: Props) {
  const { hands } = form.values;
  return (
    <>
      <Group gap="0.75rem" align="start" grow>
        <TextInput label="The manager" autoComplete="name" {...form.getInputProps('manager.name')} />
        <TextInput label="Signs in as" autoComplete="username" {...form.getInputProps('manager.login')} />
      </Group>
      <PasswordInput
        label="Password"
        description="A few words that only you know; twelve letters at least"
        autoComplete="new-password"
        {...form.getInputProps('manager.password')}
      />
      {hands.map((_, i) => (
        <Group key={i} gap="0.75rem" align="start" wrap="nowrap">
          <TextInput
            flex={1}
            label={`Hand ${i + 1}`}
            autoComplete="off"
            {...form.getInputProps(`hands.${i}.name`)}
          />
          <TextInput
            w="7rem"
            label="PIN"
            aria-label={`PIN of hand ${i + 1}`}
            inputMode="numeric"
            autoComplete="off"
            maxLength={4}
            {...form.getInputProps(`hands.${i}.pin`)}
          />
          <Button
            variant="quiet"
            mt="1.75rem"
            aria-label={`Without hand ${i + 1}`}
            onClick={() => form.removeListItem('hands', i)}
          >
            Not now
          </Button>
        </Group>
      ))}
      {form.errors.hands && <p className="late">{form.errors.hands}</p>}
      <Group>
        <Button onClick={() => form.insertListItem('hands', { name: '', pin: '' })}>Another hand</Button>
      </Group>
    </>
  );
}

export function RoomsPart({ form }: Props) {
  const { rooms, units } = form.values;
  return (
    <>
      {ROOM_KINDS.map((kind) => {
        const { name, tempC, humidityPct } = USUAL_ROOMS[kind];
        return (
          <Group key={kind} gap="0.875rem" wrap="nowrap">
            <RoomSketch kind={kind} />
            <Checkbox
              size="lg"
              label={name}
              description={`about ${measured('tempC', tempC, units)}, ${humidityPct} % humidity${kind === 'bench' ? '; there is always one' : ''}`}
              checked={kind === 'bench' || rooms.includes(kind)}
              disabled={kind === 'bench'}
              onChange={(e) =>
                form.setFieldValue(
                  'rooms',
                  e.currentTarget.checked ? [...rooms, kind] : rooms.filter((r) => r !== kind),
                )
              }
            />
          </Group>
        );
      })}
    </>
  );
}

interface MeasureFieldProps {
  readonly form: OpeningForm;
  /** Which sort of pail. */
  readonly i: number;
  readonly field: 'litres' | 'heightCm';
  readonly measure: Measure;
  readonly label: string;
}

/** A measure of a pail in the units that were chosen; the form keeps it in metric ones. */
function MeasureField({ form, i, field, measure, label }: MeasureFieldProps) {
  const { units } = form.values;
  const path = `pails.${i}.${field}` as const;
  const kept = form.values.pails[i]?.[field] ?? 0;
  const whole = (n: number): number => (field === 'heightCm' ? Math.round(n) : n);
  return (
    <NumberInput
      // Typed over in other units, it begins anew in them.
      key={units}
      w="7rem"
      label={`${label}, ${MEASURES[measure][units]}`}
      min={0}
      decimalScale={1}
      defaultValue={Number(typedMeasure(measure, kept, units))}
      error={form.errors[path]}
      onChange={(typed) => {
        if (typeof typed === 'number')
          form.setFieldValue(path, whole(fromTypedMeasure(measure, typed, units)));
      }}
    />
  );
}

export function PailsPart({ form }: Props) {
  return (
    <>
      {form.values.pails.map((_, i) => (
        <Group key={i} gap="0.75rem" align="end" style={{ borderBottom: '1px solid var(--line)' }} pb="sm">
          <NumberInput
            w="6rem"
            label="How many"
            min={1}
            max={200}
            {...form.getInputProps(`pails.${i}.count`)}
          />
          <MeasureField form={form} i={i} field="litres" measure="litres" label="Full" />
          <MeasureField form={form} i={i} field="heightCm" measure="cm" label="Tall" />
          <Checkbox
            label="washed, stand clean"
            {...form.getInputProps(`pails.${i}.areClean`, { type: 'checkbox' })}
          />
          <Button variant="quiet" onClick={() => form.removeListItem('pails', i)}>
            Not these
          </Button>
        </Group>
      ))}
      {form.errors.pails && <p className="late">{form.errors.pails}</p>}
      <Group>
        <Button
          onClick={() =>
            form.insertListItem('pails', { count: 6, litres: 10, heightCm: 30, areClean: false })
          }
        >
          Another sort
        </Button>
      </Group>
    </>
  );
}
