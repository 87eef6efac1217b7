'use client';
import { Button, Group, NativeSelect, TextInput } from '@mantine/core';
import { useRouter } from 'next/navigation';
import * as v from 'valibot';
import { ENTRY_GROUPS } from '@/core/record/entry-groups';
import { DayInput } from '@/shell/day-input';
import { useShopForm } from '@/shell/form';
import { ShopLink } from '@/shell/shop-link';
import { addressOf, type AskedRecord } from './record-address';

const someWords = v.pipe(v.string(), v.maxLength(60, 'That is longer than a name can be.'));
const SCHEMA = v.object({
  lot: v.pipe(v.string(), v.trim(), v.regex(/^\d{0,9}$/, 'A lot goes by its number.')),
  pail: someWords,
  who: v.string(),
  what: v.string(),
  day: v.string(),
  order: v.string(),
});

/** Asks the record: about a lot or a pail, by whom, what, on which day. */
export function RecordForm({
  asked,
  people,
}: {
  asked: AskedRecord;
  people: readonly { readonly id: string; readonly name: string }[];
}) {
  const router = useRouter();
  const form = useShopForm<Record<keyof AskedRecord, string>>(SCHEMA, { ...asked });
  return (
    <form
      role="search"
      aria-label="Ask the record"
      onSubmit={form.onSubmit((question) => router.push(addressOf(question)))}
    >
      <Group gap="sm" align="end" my="sm">
        <TextInput label="Lot" w="6rem" inputMode="numeric" maxLength={9} {...form.getInputProps('lot')} />
        <TextInput label="Pail" w="6rem" maxLength={30} {...form.getInputProps('pail')} />
        <NativeSelect
          label="Who"
          {...form.getInputProps('who')}
          data={[{ value: '', label: 'anybody' }, ...people.map((p) => ({ value: p.id, label: p.name }))]}
        />
        <NativeSelect
          label="What"
          {...form.getInputProps('what')}
          data={[{ value: '', label: 'anything' }, ...ENTRY_GROUPS.map((g) => ({ value: g, label: g }))]}
        />
        <DayInput
          label="Day"
          w="10rem"
          clearable
          placeholder="any"
          value={form.values.day === '' ? null : form.values.day}
          onChange={(day) => form.setFieldValue('day', day ?? '')}
        />
        <Button type="submit">Ask</Button>
        {Object.values(asked).some((value) => value !== '') && (
          <ShopLink className="reach" href="/desk">
            all of it
          </ShopLink>
        )}
      </Group>
    </form>
  );
}
