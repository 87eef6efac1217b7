'use client';
import { Button, NativeSelect, SimpleGrid, Textarea, TextInput } from '@mantine/core';
import { useState } from 'react';
import * as v from 'valibot';
import { typedNumber } from '@/core/numbers/read-number';
import { currencies } from '@/core/opening/currency';
import type { Language } from '@/core/words/catalogues';
import type { Units } from '@/core/units/measures';
import type { ShopDetails } from '@/data/shops';
import { aNumber, someText, useShopForm } from '@/shell/form';
import { useLanguages } from '@/shell/languages';
import { UNIT_CHOICES } from '@/shell/reader';
import { Feedback } from '@/shell/feedback';
import { useHydrated } from '@/shell/use-hydrated';
import { useDone } from '../use-done';

const upTo = (most: number) =>
  v.pipe(v.string(), v.trim(), v.maxLength(most, `That is longer than ${most}.`));
const SCHEMA = v.object({
  name: someText(1, 80, 'What is it called?'),
  address: upTo(200),
  telephone: upTo(40),
  hours: upTo(120),
  emergency: upTo(120),
  percent: v.pipe(
    aNumber,
    v.check((text) => typedNumber(text) >= 50 && typedNumber(text) <= 99, 'From 50 to 99 in a hundred.'),
  ),
});

interface Props {
  readonly details: ShopDetails;
  readonly mayChange: boolean;
}

/** What the shop is to those outside it, and how sure its promises are. */
export function DetailsForm({ details, mayChange }: Props) {
  const { promiseConfidence, units, language, currency, ...words } = details;
  const { problem, done } = useDone();
  const [isSaved, setSaved] = useState(false);
  const [toldIn, setToldIn] = useState<Units>(units);
  const [writtenIn, setWrittenIn] = useState<Language>(language);
  const [countsIn, setCountsIn] = useState(currency);
  const isHere = useHydrated();
  const languages = useLanguages();
  const form = useShopForm(SCHEMA, { ...words, percent: String(Math.round(promiseConfidence * 100)) });
  const save = async ({ percent, ...typed }: typeof form.values) =>
    setSaved(
      (await done('shop/details', {
        ...typed,
        units: toldIn,
        language: writtenIn,
        currency: countsIn,
        promiseConfidence: typedNumber(percent) / 100,
      })) !== null,
    );
  const field = { disabled: !mayChange };
  return (
    <form onSubmit={form.onSubmit((typed) => void save(typed))} onChange={() => setSaved(false)}>
      <SimpleGrid cols={{ base: 1, sm: 2 }} spacing="0.875rem">
        <TextInput label="Its name, as it stands on cards" {...field} {...form.getInputProps('name')} />
        <TextInput label="Telephone" inputMode="tel" {...field} {...form.getInputProps('telephone')} />
        <Textarea label="Address" autosize {...field} {...form.getInputProps('address')} />
        <TextInput label="Open, for whoever has a question" {...field} {...form.getInputProps('hours')} />
        <TextInput
          label="When somebody is hurt, call"
          description="Stands beside cautions at the bench and at the pails: ambulance, poisons line, who has the first-aid box."
          {...field}
          {...form.getInputProps('emergency')}
        />
        <TextInput
          label="A promise holds, times in a hundred"
          description="90: one bunch in ten fades before the day on its card. Higher promises fewer days."
          inputMode="decimal"
          {...field}
          {...form.getInputProps('percent')}
        />
        <NativeSelect
          label="Cards are written in"
          description="Another is chosen for a customer as their card is issued."
          data={[...languages]}
          value={writtenIn}
          onChange={({ currentTarget: { value } }) =>
            setWrittenIn(languages.find((choice) => choice.value === value)?.value ?? language)
          }
          {...field}
        />
        <NativeSelect
          label="Measures are told in"
          description="Whoever reads others chooses them under their own name."
          data={UNIT_CHOICES}
          value={toldIn}
          onChange={({ currentTarget: { value } }) => setToldIn(value === 'us' ? 'us' : 'metric')}
          {...field}
        />
        <NativeSelect
          label="Money is counted in"
          data={isHere ? [...currencies()] : [countsIn]}
          value={countsIn}
          onChange={({ currentTarget: { value } }) => setCountsIn(value)}
          {...field}
        />
      </SimpleGrid>
      {mayChange && (
        <Button type="submit" mt="1rem">
          Save it
        </Button>
      )}
      <Feedback isWell>{isSaved && 'Saved. Cards that were handed over stay as they are.'}</Feedback>
      <Feedback isAlert>{problem}</Feedback>
    </form>
  );
}
