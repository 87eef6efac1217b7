'use client';
import { Button, Group, Select, Stack, TextInput } from '@mantine/core';
import { useState } from 'react';
import * as v from 'valibot';
import type { LotView } from '@/server/stock';
import { useActions } from '@/shell/actions';
import { DayInput } from '@/shell/day-input';
import { aReason, someText, useShopForm } from '@/shell/form';
import { Feedback } from '@/shell/feedback';
import { useSpecies } from '@/shell/species';

const OF_LOT = v.object({
  speciesKey: v.string(),
  variety: v.pipe(v.string(), v.trim(), v.maxLength(120)),
  cutDate: v.pipe(v.string(), v.isoDate('Cut on which day?')),
  reason: aReason,
});
const OF_DELIVERY = v.object({
  supplier: someText(1, 120, 'Whose was it?'),
  deliveryRef: someText(1, 60, 'What is it called?'),
  reason: aReason,
});

/** What a lot was booked as, put right: which flower, cut when. What it was stays in the record. */
function LotForm({ lot }: { lot: LotView }) {
  const { act } = useActions();
  const { all } = useSpecies();
  const [feedback, setFeedback] = useState<string | null>(null);
  const form = useShopForm(OF_LOT, {
    speciesKey: lot.speciesKey,
    variety: lot.variety ?? '',
    cutDate: lot.cutDate,
    reason: '',
  });
  const save = async ({ variety, ...typed }: v.InferOutput<typeof OF_LOT>) => {
    const outcome = await act(
      'dock/correct-lot',
      { lotId: lot.id, variety: variety || null, ...typed },
      `lot ${lot.number} put right`,
    );
    setFeedback(outcome.ok ? null : outcome.message);
  };
  return (
    <form onSubmit={form.onSubmit((typed) => void save(typed))}>
      <Group gap="sm" align="end">
        <Select
          label="It is"
          data={all.map((s) => ({ value: s.key, label: s.name }))}
          searchable
          allowDeselect={false}
          {...form.getInputProps('speciesKey')}
        />
        <TextInput label="Variety" maxLength={120} {...form.getInputProps('variety')} />
        <DayInput
          label="Cut on"
          {...form.getInputProps('cutDate')}
          value={form.values.cutDate}
          onChange={(day) => form.setFieldValue('cutDate', day ?? '')}
        />
        <TextInput label="How you know" maxLength={200} {...form.getInputProps('reason')} />
        <Button type="submit">Put lot {lot.number} right</Button>
      </Group>
      <Feedback isAlert>{feedback}</Feedback>
    </form>
  );
}

/** Whose delivery it was and what it is called, put right for all that came with it. */
function DeliveryForm({ lot }: { lot: LotView }) {
  const { act } = useActions();
  const [feedback, setFeedback] = useState<string | null>(null);
  const form = useShopForm(OF_DELIVERY, {
    supplier: lot.supplier,
    deliveryRef: lot.deliveryRef,
    reason: '',
  });
  const save = async (typed: v.InferOutput<typeof OF_DELIVERY>) => {
    const outcome = await act(
      'dock/correct-delivery',
      { deliveryId: lot.deliveryId, ...typed },
      `delivery ${lot.deliveryRef} put right`,
    );
    setFeedback(outcome.ok ? null : outcome.message);
  };
  return (
    <form onSubmit={form.onSubmit((typed) => void save(typed))}>
      <Group gap="sm" align="end">
        <TextInput label="All of it from" maxLength={120} {...form.getInputProps('supplier')} />
        <TextInput label="Its delivery" maxLength={60} {...form.getInputProps('deliveryRef')} />
        <TextInput label="How you know whose" maxLength={200} {...form.getInputProps('reason')} />
        <Button type="submit">Put the delivery right</Button>
      </Group>
      <Feedback isAlert>{feedback}</Feedback>
    </form>
  );
}

/** What was booked wrongly. */
export function CorrectForm({ lot }: { lot: LotView }) {
  return (
    <Stack gap="md" py="xs">
      <LotForm lot={lot} />
      <DeliveryForm lot={lot} />
    </Stack>
  );
}
