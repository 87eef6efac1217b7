'use client';
import { Button, Group, NativeSelect, TextInput } from '@mantine/core';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { typedDay } from '@/core/calendar/typed-day';
import { ENTRY_GROUPS } from '@/core/record/entry-groups';
import { useToday } from '@/shell/clock';
import { DayInput } from '@/shell/day-input';
import { LinkButton } from '@/shell/link-button';
import { addressOf, type AskedRecord } from './record-address';

/** Asks the record: about a lot or a pail, by whom, what, on which day. */
export function RecordForm({
  asked,
  people,
}: {
  asked: AskedRecord;
  people: readonly { readonly id: string; readonly name: string }[];
}) {
  const router = useRouter();
  const today = useToday();
  const [form, setForm] = useState(asked);
  const set = (changes: Partial<AskedRecord>) => setForm({ ...form, ...changes });
  return (
    <form
      role="search"
      aria-label="Ask the record"
      onSubmit={(event) => {
        event.preventDefault();
        router.push(addressOf(form));
      }}
    >
      <Group gap="sm" align="end" my="sm">
        <TextInput
          label="Lot"
          w="6rem"
          inputMode="numeric"
          maxLength={9}
          value={form.lot}
          onChange={(e) => set({ lot: e.target.value })}
        />
        <TextInput
          label="Pail"
          w="6rem"
          maxLength={30}
          value={form.pail}
          onChange={(e) => set({ pail: e.target.value })}
        />
        <NativeSelect
          label="Who"
          value={form.who}
          onChange={(e) => set({ who: e.target.value })}
          data={[{ value: '', label: 'anybody' }, ...people.map((p) => ({ value: p.id, label: p.name }))]}
        />
        <NativeSelect
          label="What"
          value={form.what}
          onChange={(e) => set({ what: e.target.value })}
          data={[{ value: '', label: 'anything' }, ...ENTRY_GROUPS.map((g) => ({ value: g, label: g }))]}
        />
        <DayInput
          label="Day"
          w="10rem"
          clearable
          placeholder="any"
          value={form.day === '' ? null : typedDay(form.day, today)}
          onChange={(day) => set({ day: day ?? '' })}
        />
        <Button type="submit">Ask</Button>
        {Object.values(asked).some((value) => value !== '') && (
          <LinkButton variant="quiet" href="/desk">
            all of it
          </LinkButton>
        )}
      </Group>
    </form>
  );
}
