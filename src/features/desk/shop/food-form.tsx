'use client';
import { Button, Group, SimpleGrid, TextInput } from '@mantine/core';
import { useState } from 'react';
import * as v from 'valibot';
import { typedNumber } from '@/core/numbers/read-number';
import { type FoodKey, type FoodProduct, type Foods } from '@/core/water/food';
import { Choices } from '@/shell/choices';
import { Feedback } from '@/shell/feedback';
import { someText, useShopForm } from '@/shell/form';
import { useDone } from '../use-done';
import { between, lackOfCup } from './between';

/** A number within bounds, or nothing at all. */
const maybeBetween = (from: number, to: number, unit: string) =>
  v.pipe(
    v.string(),
    v.check(
      (text) => text.trim() === '' || (typedNumber(text) >= from && typedNumber(text) <= to),
      `From ${from} to ${to} ${unit}, or nothing.`,
    ),
  );
const SCHEMA = v.object({
  name: someText(1, 60, 'What does its label call it?'),
  aLitre: between(0.1, 200, 'a litre'),
  sachetL: maybeBetween(0.1, 50, 'L'),
  cupName: v.pipe(v.string(), v.trim(), v.maxLength(20, 'At most 20 letters.')),
  cupHolds: maybeBetween(0.5, 500, 'mL or g'),
  stepUs: maybeBetween(10, 10_000, 'µS/cm'),
});
type Typed = v.InferOutput<typeof SCHEMA>;

const foodOf = (typed: Typed, unit: 'mL' | 'g'): FoodProduct => ({
  name: typed.name,
  aLitre: typedNumber(typed.aLitre),
  unit,
  sachetL: typed.sachetL.trim() === '' ? null : typedNumber(typed.sachetL),
  cup: typed.cupName === '' ? null : { name: typed.cupName, ml: typedNumber(typed.cupHolds) },
  stepUs: typed.stepUs.trim() === '' ? null : typedNumber(typed.stepUs),
});
const shown = (n: number | null | undefined): string => (n === null || n === undefined ? '' : String(n));

/** A product as it stands in the form; nothing of one that is not told. */
const typedOf = (food: FoodProduct | undefined): Typed => ({
  name: food?.name ?? '',
  aLitre: shown(food?.aLitre),
  sachetL: shown(food?.sachetL),
  cupName: food?.cup?.name ?? '',
  cupHolds: shown(food?.cup?.ml),
  stepUs: shown(food?.stepUs),
});

interface ProductProps {
  readonly solution: FoodKey;
  readonly food: FoodProduct | undefined;
  readonly mayChange: boolean;
}

/** One product, by its label. */
function ProductForm({ solution, food, mayChange }: ProductProps) {
  const { problem, done } = useDone();
  const [unit, setUnit] = useState<'mL' | 'g'>(food?.unit ?? 'mL');
  const [saved, setSaved] = useState<string | null>(null);
  const form = useShopForm(SCHEMA, typedOf(food));
  const save = async (typed: Typed) => {
    const lacks = lackOfCup(typed.cupName, typed.cupHolds);
    if (lacks) return form.setFieldError(lacks.of === 'name' ? 'cupName' : 'cupHolds', lacks.asks);
    const was = await done('shop/food', { solution, food: foodOf(typed, unit) });
    setSaved(was && 'It is told wherever water is poured.');
  };
  const forget = async () => {
    const was = await done('shop/food', { solution, food: null });
    setSaved(was && 'Nothing is told of it any more.');
  };
  const field = { disabled: !mayChange };
  return (
    <form onSubmit={form.onSubmit((typed) => void save(typed))} onChange={() => setSaved(null)}>
      <Choices
        label="Poured or weighed"
        value={unit}
        onChange={setUnit}
        options={[
          { value: 'mL', words: 'poured, mL' },
          { value: 'g', words: 'weighed, g' },
        ]}
      />
      <SimpleGrid cols={{ base: 1, xs: 2, md: 3 }} spacing="0.875rem" mt="0.875rem">
        <TextInput label="Product" {...field} {...form.getInputProps('name')} />
        <TextInput
          label={`A full dose for one litre, ${unit}`}
          inputMode="decimal"
          {...field}
          {...form.getInputProps('aLitre')}
        />
        <TextInput
          label="In sachets, each for so many L"
          placeholder="none: it comes loose"
          inputMode="decimal"
          {...field}
          {...form.getInputProps('sachetL')}
        />
        <TextInput
          label="Measured with (scoop, stroke)"
          placeholder={`none: by ${unit}`}
          {...field}
          {...form.getInputProps('cupName')}
        />
        <TextInput
          label={`It holds, ${unit}`}
          inputMode="decimal"
          {...field}
          {...form.getInputProps('cupHolds')}
        />
        <TextInput
          label="A full dose adds, µS/cm"
          placeholder="not told"
          inputMode="decimal"
          {...field}
          {...form.getInputProps('stepUs')}
        />
      </SimpleGrid>
      {mayChange && (
        <Group mt="1rem">
          <Button type="submit">Feed with it</Button>
          {food && (
            <Button variant="quiet" onClick={() => void forget()}>
              Say nothing of it
            </Button>
          )}
        </Group>
      )}
      <Feedback isWell>{saved}</Feedback>
      <Feedback isAlert>{problem}</Feedback>
    </form>
  );
}

/** What the shop feeds with, one product for each of the foods that water is made with. */
export function FoodForm({
  foods,
  offered,
  mayChange,
}: {
  foods: Foods;
  /** The foods water is made with, as the reader calls them. */
  offered: readonly { value: FoodKey; words: string }[];
  mayChange: boolean;
}) {
  const [solution, setSolution] = useState<FoodKey>('flower-food');
  return (
    <>
      <Choices label="Which of them" value={solution} onChange={setSolution} options={offered} />
      <ProductForm key={solution} solution={solution} food={foods[solution]} mayChange={mayChange} />
    </>
  );
}
