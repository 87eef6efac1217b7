'use client';
import { Button, Group, NativeSelect, SimpleGrid, TextInput } from '@mantine/core';
import { useState } from 'react';
import * as v from 'valibot';
import {
  CARD_PAPER_WORDS,
  CARD_PAPERS,
  DOCUMENT_PAPERS,
  ROLL_HEIGHTS_MM,
  ROLL_WIDTHS_MM,
  type CardPaper,
  type DocumentPaper,
  type Printing,
} from '@/core/labels/printing';
import { typedNumber } from '@/core/numbers/read-number';
import { Feedback } from '@/shell/feedback';
import { useShopForm } from '@/shell/form';
import { useDone } from '../use-done';
import { between } from './between';

const ROLL = v.object({
  widthMm: between(ROLL_WIDTHS_MM.least, ROLL_WIDTHS_MM.most, 'mm'),
  heightMm: between(ROLL_HEIGHTS_MM.least, ROLL_HEIGHTS_MM.most, 'mm'),
});
/** A roll that many label printers take, to begin with. */
const USUAL_ROLL = { widthMm: 57, heightMm: 32 };

interface Props {
  readonly printing: Printing;
  readonly mayChange: boolean;
}

/** What the shop's printers hold: paper for documents and cards, and labels many to a sheet or on a roll. */
export function PrintersForm({ printing, mayChange }: Props) {
  const { problem, done } = useDone();
  const [documents, setDocuments] = useState(printing.documents);
  const [cards, setCards] = useState(printing.cards);
  const [hasRoll, setHasRoll] = useState(printing.labels !== null);
  const [isSaved, setSaved] = useState(false);
  const { widthMm, heightMm } = printing.labels ?? USUAL_ROLL;
  const form = useShopForm(ROLL, { widthMm: String(widthMm), heightMm: String(heightMm) });
  const save = async (typed: typeof form.values) => {
    const roll = {
      widthMm: Math.round(typedNumber(typed.widthMm)),
      heightMm: Math.round(typedNumber(typed.heightMm)),
    };
    setSaved((await done('shop/printers', { documents, cards, labels: hasRoll ? roll : null })) !== null);
  };
  return (
    <form onSubmit={form.onSubmit((typed) => void save(typed))} onChange={() => setSaved(false)}>
      <SimpleGrid cols={{ base: 1, xs: 2, md: 3 }} spacing="0.875rem">
        <NativeSelect
          label="Paper of documents"
          disabled={!mayChange}
          value={documents}
          data={[...DOCUMENT_PAPERS]}
          onChange={(event) => setDocuments(event.currentTarget.value as DocumentPaper)}
        />
        <NativeSelect
          label="Paper of care cards"
          disabled={!mayChange}
          value={cards}
          data={CARD_PAPERS.map((value) => ({ value, label: CARD_PAPER_WORDS[value] }))}
          onChange={(event) => setCards(event.currentTarget.value as CardPaper)}
        />
        <NativeSelect
          label="Labels"
          disabled={!mayChange}
          value={hasRoll ? 'roll' : 'sheet'}
          data={[
            { value: 'sheet', label: 'many to a sheet' },
            { value: 'roll', label: 'one after another on a roll' },
          ]}
          onChange={(event) => setHasRoll(event.currentTarget.value === 'roll')}
        />
        {hasRoll && (
          <>
            <TextInput
              label="A label is wide, mm"
              inputMode="numeric"
              disabled={!mayChange}
              {...form.getInputProps('widthMm')}
            />
            <TextInput
              label="and tall, mm"
              inputMode="numeric"
              disabled={!mayChange}
              {...form.getInputProps('heightMm')}
            />
          </>
        )}
      </SimpleGrid>
      {mayChange && (
        <Group mt="0.875rem">
          <Button type="submit">Print on these</Button>
        </Group>
      )}
      {isSaved && <Feedback>Labels, cards and documents are printed so from now on.</Feedback>}
      {problem && <Feedback isAlert>{problem}</Feedback>}
    </form>
  );
}
