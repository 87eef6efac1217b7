'use client';
import { Button, Group, SimpleGrid, TextInput } from '@mantine/core';
import type { UseFormReturnType } from '@mantine/form';
import { useState } from 'react';
import * as v from 'valibot';
import { typedNumber } from '@/core/numbers/read-number';
import { typedMeasure, type Units } from '@/core/units/measures';
import type { Sanitiser } from '@/core/sanitising/sanitiser';
import { DayInput } from '@/shell/day-input';
import { someText, useShopForm } from '@/shell/form';
import { useMeasures } from '@/shell/reader';
import { Feedback } from '@/shell/feedback';
import { useDone } from '../use-done';
import { between, lackOfCup, measureBetween, readMeasure } from './between';

const isPrice = (text: string): boolean =>
  text.trim() === '' || (typedNumber(text) >= 0 && typedNumber(text) <= 10_000);
const aPrice = v.pipe(v.string(), v.check(isPrice, 'A price, or nothing.'));
const priceOf = (text: string): number | null => (text.trim() === '' ? null : typedNumber(text));
const holds = (ml: number): boolean => ml >= 0.5 && ml <= 500;

const schemaIn = (units: Units) =>
  v.object({
    name: someText(1, 60, 'What does its label call it?'),
    percent: between(0.1, 20, '%'),
    storageC: measureBetween('tempC', -10, 50, units),
    targetPpm: between(20, 5000, 'ppm'),
    contactMin: between(1, 120, 'minutes'),
    cupName: v.pipe(v.string(), v.trim(), v.maxLength(20, 'At most 20 letters.')),
    cupMl: v.pipe(
      v.string(),
      v.check((text) => text.trim() === '' || holds(typedNumber(text)), 'From 0.5 to 500 mL.'),
    ),
    pricePerL: aPrice,
    waterPerM3: aPrice,
  });

type Typed = v.InferOutput<ReturnType<typeof schemaIn>>;

const bodyOf = (typed: Typed, units: Units) => ({
  name: typed.name,
  percent: typedNumber(typed.percent),
  storageC: readMeasure('tempC', typed.storageC, units),
  targetPpm: Math.round(typedNumber(typed.targetPpm)),
  contactMin: Math.round(typedNumber(typed.contactMin)),
  cup: typed.cupName === '' ? null : { name: typed.cupName, ml: typedNumber(typed.cupMl) },
  pricePerL: priceOf(typed.pricePerL),
  waterPerM3: priceOf(typed.waterPerM3),
});

interface Props {
  readonly sanitiser: Sanitiser;
  /** The shop's money. */
  readonly currency: string;
  readonly mayChange: boolean;
}

interface PriceProps {
  readonly form: Pick<UseFormReturnType<Typed>, 'getInputProps'>;
  readonly currency: string;
  readonly disabled: boolean;
}

/** What washing costs; asked for nowhere else. */
function PriceInputs({ form, currency, disabled }: PriceProps) {
  return (
    <>
      <TextInput
        label={`A litre of it costs, ${currency}`}
        placeholder="not told"
        inputMode="decimal"
        disabled={disabled}
        {...form.getInputProps('pricePerL')}
      />
      <TextInput
        label={`Water, a cubic metre, ${currency}`}
        placeholder="not told"
        inputMode="decimal"
        disabled={disabled}
        {...form.getInputProps('waterPerM3')}
      />
    </>
  );
}

/** The bottle the shop sanitises from, and what its label wants. */
export function SanitiserForm({ sanitiser, currency, mayChange }: Props) {
  const { problem, done } = useDone();
  const { units, unit } = useMeasures();
  const [isSaved, setSaved] = useState(false);
  const [madeOn, setMadeOn] = useState(sanitiser.madeOn);
  const form = useShopForm(schemaIn(units), {
    name: sanitiser.name,
    percent: String(sanitiser.percent),
    storageC: typedMeasure('tempC', sanitiser.storageC, units),
    targetPpm: String(sanitiser.targetPpm),
    contactMin: String(sanitiser.contactMin),
    cupName: sanitiser.cup?.name ?? '',
    cupMl: sanitiser.cup === null ? '' : String(sanitiser.cup.ml),
    pricePerL: String(sanitiser.pricePerL ?? ''),
    waterPerM3: String(sanitiser.waterPerM3 ?? ''),
  });
  const save = async (typed: typeof form.values) => {
    const lacks = lackOfCup(typed.cupName, typed.cupMl);
    if (lacks) return form.setFieldError(lacks.of === 'name' ? 'cupName' : 'cupMl', lacks.asks);
    const was = await done('shop/sanitiser', { ...bodyOf(typed, units), madeOn });
    setSaved(was !== null);
  };
  const field = { disabled: !mayChange };
  return (
    <form onSubmit={form.onSubmit((typed) => void save(typed))} onChange={() => setSaved(false)}>
      <SimpleGrid cols={{ base: 1, xs: 2, md: 3 }} spacing="0.875rem">
        <TextInput label="Product" {...field} {...form.getInputProps('name')} />
        <TextInput
          label="Available chlorine when new, %"
          inputMode="decimal"
          {...field}
          {...form.getInputProps('percent')}
        />
        <DayInput
          label="Date on the bottle"
          value={madeOn}
          onChange={(to) => {
            setMadeOn(to);
            setSaved(false);
          }}
          placeholder="none: taken as new"
          {...field}
        />
        <TextInput
          label={`Kept at, ${unit('tempC')}`}
          inputMode="decimal"
          {...field}
          {...form.getInputProps('storageC')}
        />
        <TextInput label="Wanted, ppm" inputMode="numeric" {...field} {...form.getInputProps('targetPpm')} />
        <TextInput
          label="Contact, minutes"
          inputMode="numeric"
          {...field}
          {...form.getInputProps('contactMin')}
        />
        <TextInput
          label="Dosed by (cap, squeeze, stroke)"
          placeholder="none: by mL"
          {...field}
          {...form.getInputProps('cupName')}
        />
        <TextInput label="It holds, mL" inputMode="decimal" {...field} {...form.getInputProps('cupMl')} />
        <PriceInputs form={form} currency={currency} disabled={!mayChange} />
      </SimpleGrid>
      {mayChange && (
        <Group my="1rem">
          <Button type="submit">Sanitise with it</Button>
        </Group>
      )}
      <Feedback isWell>{isSaved && 'Doses follow it from now on.'}</Feedback>
      <Feedback isAlert>{problem}</Feedback>
    </form>
  );
}
