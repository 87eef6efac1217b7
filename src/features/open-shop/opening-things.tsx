'use client';
import { Button, Checkbox, Group, NumberInput, TextInput } from '@mantine/core';
import { USUAL_CLAIM_HOURS } from '@/core/dock/claims';
import { ASKED_NEEDS } from '@/core/opening/opening';
import type { OpeningForm } from './opening-form';

interface Props {
  readonly form: OpeningForm;
}

/** What each is for, so that whoever has none knows what they go without. */
const FOR: Readonly<Record<(typeof ASKED_NEEDS)[number], string>> = {
  kettle: 'for the hot dip of hydrangeas, and of what else droops in water',
  thermometer: 'a warm or a hot drink is by degrees, not by hand',
  secateurs: 'for woody stems',
  'hydrating dip': 'hydrating acid or alum, for cut ends that take up poorly',
  grid: 'to hang gerberas through while they drink',
};

export function HasPart({ form }: Props) {
  const { has } = form.values;
  return (
    <>
      {ASKED_NEEDS.map((need) => (
        <Checkbox
          key={need}
          size="lg"
          label={need.charAt(0).toUpperCase() + need.slice(1)}
          description={FOR[need]}
          checked={has.includes(need)}
          onChange={({ currentTarget: { checked } }) =>
            form.setFieldValue('has', checked ? [...has, need] : has.filter((one) => one !== need))
          }
        />
      ))}
    </>
  );
}

export function SuppliersPart({ form }: Props) {
  return (
    <>
      {form.values.suppliers.map((_, i) => (
        <Group key={i} gap="0.75rem" align="start">
          <TextInput
            flex={1}
            miw="14rem"
            label={`Supplier ${i + 1}`}
            autoComplete="off"
            {...form.getInputProps(`suppliers.${i}.name`)}
          />
          <NumberInput
            w="9rem"
            label="Hours to claim"
            aria-label={`Hours supplier ${i + 1} allows for a claim`}
            min={1}
            max={720}
            {...form.getInputProps(`suppliers.${i}.claimHours`)}
          />
          <Button
            variant="quiet"
            mt="1.75rem"
            aria-label={`Without supplier ${i + 1}`}
            onClick={() => form.removeListItem('suppliers', i)}
          >
            Not now
          </Button>
        </Group>
      ))}
      {form.errors.suppliers && <p className="late">{form.errors.suppliers}</p>}
      <Group>
        <Button onClick={() => form.insertListItem('suppliers', { name: '', claimHours: USUAL_CLAIM_HOURS })}>
          {form.values.suppliers.length === 0 ? 'A supplier' : 'Another supplier'}
        </Button>
      </Group>
    </>
  );
}
