'use client';
import { lineName } from '@/core/note/line-name';
import { TextInput } from '@mantine/core';
import { DayInput } from '@/shell/day-input';
import { isDate, type DraftLine } from './draft-lines';

/** How many stems a line has. */
export function StemsInput({
  line,
  onChange,
}: {
  line: DraftLine;
  onChange: (stems: number | null) => void;
}) {
  return (
    <TextInput
      aria-label={`Stems of line ${lineName(line)}`}
      inputMode="numeric"
      w="5.5rem"
      value={String(line.stems ?? '')}
      onChange={({ currentTarget: { value } }) => {
        const digits = value.replace(/\D/g, '').slice(0, 6);
        onChange(digits === '' ? null : Number(digits));
      }}
    />
  );
}

/** When a line was cut. */
export function CutDateInput({
  line,
  onChange,
}: {
  line: DraftLine;
  onChange: (cutDate: string | null) => void;
}) {
  return (
    <DayInput
      aria-label={`Cut date of line ${lineName(line)}`}
      w="9.5rem"
      placeholder="22/11"
      value={isDate(line.cutDate) ? line.cutDate : null}
      onChange={onChange}
    />
  );
}
