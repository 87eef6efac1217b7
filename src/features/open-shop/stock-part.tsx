'use client';
import '@mantine/core/styles/List.layer.css';
import { List, NativeSelect } from '@mantine/core';
import { useState } from 'react';
import { momentIn } from '@/core/calendar/zones';
import { roomsToMake } from '@/core/opening/opening';
import { stockIn, type StockRead } from '@/core/opening/stock-in-hand';
import { SHIPPED_SPECIES } from '@/core/species/registry';
import { Feedback } from '@/shell/feedback';
import { FileTap } from '@/shell/file-tap';
import { bytesOf, readBytes, wakeReader } from '@/shell/note-file';
import type { OpeningForm } from './opening-form';

interface Props {
  readonly form: OpeningForm;
  readonly zone: string;
}

const NO_TABLE =
  'No heading names a flower and how many stems. Give the columns such names, and choose it again.';
const MOST_TOLD = 8;
/** A usual sheet, so that nobody guesses what its columns are to be called. */
const EXAMPLE = 'Flower; Variety; Colour; Length; Stems; Cut; Price';

const lines = (n: number): string => (n === 1 ? '1 line' : `${n} lines`);

/** What was read of the file, and what is left out of it, line by line. */
function ReadTold({ read: { lines: read, guessed, aside } }: { read: StockRead }) {
  const stems = read.reduce((sum, l) => sum + l.stems, 0);
  const kinds = new Set(read.map((l) => l.speciesKey));
  const names = [...kinds].slice(0, 6).map((key) => SHIPPED_SPECIES.byKey(key).name);
  return (
    <>
      <p role="status">
        <strong>
          {lines(read.length)}, {stems} stems
        </strong>{' '}
        of {names.join(', ')}
        {kinds.size > names.length ? ` and ${kinds.size - names.length} more` : ''}.
        {guessed > 0 && ` ${lines(guessed)} without a day of cutting: four days ago is taken.`}
      </p>
      {aside.length > 0 && (
        <>
          <p>Left out, to be booked at the dock:</p>
          <List spacing="0.25rem">
            {aside.slice(0, MOST_TOLD).map(({ line, product, why }) => (
              <List.Item key={line}>
                Line {line}, “{product}”: {why}
              </List.Item>
            ))}
            {aside.length > MOST_TOLD && <List.Item>and {lines(aside.length - MOST_TOLD)} more</List.Item>}
          </List>
        </>
      )}
    </>
  );
}

/** Reads a file of stock and keeps what it comes to in the form. */
function useStockFile({ form, zone }: Props) {
  const [told, setTold] = useState<StockRead | string | null>(null);
  const choose = async (file: File): Promise<void> => {
    const bytes = await bytesOf(file);
    const today = momentIn(Date.now(), zone || 'UTC').date;
    const found =
      typeof bytes === 'string'
        ? { kind: 'refused' as const, message: bytes }
        : await readBytes(bytes, file.name, { today }, []);
    const read = found.kind === 'read' ? stockIn(found.note, today) : null;
    form.setFieldValue('inHand', [...(read?.lines ?? [])]);
    setTold(read ?? (found.kind === 'refused' ? found.message : NO_TABLE));
  };
  return { told, choose };
}

export function StockPart({ form, zone }: Props) {
  const { told, choose } = useStockFile({ form, zone });
  return (
    <>
      <p>
        A CSV or an Excel sheet with a line for each kind, and headings such as <em>{EXAMPLE}</em>, in the
        language your suppliers write. What stands here is taken as cut and conditioned, each line in one of
        your unwashed pails by their number, in water of unknown age; where they run out, the bench asks.
      </p>
      <NativeSelect
        label="Most of it stands in"
        size="lg"
        data={roomsToMake(form.values.rooms).map(({ kind, name }) => ({ value: kind, label: name }))}
        {...form.getInputProps('inHandRoom')}
      />
      <FileTap
        label="A sheet of what stands here"
        accept=".csv,.tsv,.txt,.xlsx,text/csv"
        onReach={wakeReader}
        onFile={(file) => void choose(file)}
      >
        {form.values.inHand.length > 0 ? 'Choose another sheet' : 'Choose a sheet'}
      </FileTap>
      {typeof told === 'string' && <Feedback isAlert>{told}</Feedback>}
      {told !== null && typeof told !== 'string' && <ReadTold read={told} />}
    </>
  );
}
