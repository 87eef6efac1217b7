'use client';
import { Button, Checkbox, Group, NativeSelect, NumberInput, PasswordInput, TextInput } from '@mantine/core';
import { ROOM_KINDS, USUAL_ROOMS } from '@/core/opening/opening';
import { useHydrated } from '@/shell/use-hydrated';
import type { OpeningForm } from './opening-form';
import css from './open-shop.module.css';

interface Props {
  readonly form: OpeningForm;
  /** The zone this tablet's own clock is set to, or the one that was chosen. */
  readonly zone: string;
}

export function ShopPart({ form, zone }: Props) {
  const isHere = useHydrated();
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
        description="A few words that only you know; ten letters at least"
        autoComplete="new-password"
        {...form.getInputProps('manager.password')}
      />
      {hands.map((_, i) => (
        <Group key={i} gap="0.75rem" align="start" wrap="nowrap">
          <TextInput
            className={css.wide}
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
  const { rooms } = form.values;
  return (
    <>
      {ROOM_KINDS.map((kind) => {
        const { name, tempC, humidityPct } = USUAL_ROOMS[kind];
        return (
          <Checkbox
            key={kind}
            size="lg"
            label={name}
            description={`about ${tempC} °C, ${humidityPct} % humidity${kind === 'bench' ? '; there is always one' : ''}`}
            checked={kind === 'bench' || rooms.includes(kind)}
            disabled={kind === 'bench'}
            onChange={(e) =>
              form.setFieldValue(
                'rooms',
                e.currentTarget.checked ? [...rooms, kind] : rooms.filter((r) => r !== kind),
              )
            }
          />
        );
      })}
    </>
  );
}

export function PailsPart({ form }: Props) {
  return (
    <>
      {form.values.pails.map((_, i) => (
        <Group key={i} gap="0.75rem" align="end" className={css.sort}>
          <NumberInput
            w="6rem"
            label="How many"
            min={1}
            max={200}
            {...form.getInputProps(`pails.${i}.count`)}
          />
          <NumberInput
            w="7rem"
            label="Litres, full"
            min={0.5}
            max={100}
            step={0.5}
            {...form.getInputProps(`pails.${i}.litres`)}
          />
          <NumberInput
            w="7rem"
            label="Tall, cm"
            min={5}
            max={100}
            {...form.getInputProps(`pails.${i}.heightCm`)}
          />
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
