'use client';
import '@mantine/dates/styles.layer.css';
import { DateInput, type DateInputProps } from '@mantine/dates';
import { formatDay } from '@/core/calendar/format-date';
import { typedDay } from '@/core/calendar/typed-day';
import { useToday } from './clock';

export interface DayInputProps extends Omit<
  DateInputProps,
  'value' | 'onChange' | 'dateParser' | 'valueFormat'
> {
  /** ISO date. */
  readonly value: string | null;
  readonly onChange: (isoDate: string | null) => void;
}

/** A day: picked, or typed as one says it ("22/11", "yesterday"). */
export function DayPicker({ value, onChange, ...props }: DayInputProps) {
  const today = useToday();
  return (
    <DateInput
      value={value}
      onChange={onChange}
      dateParser={(text) => typedDay(text, today)}
      valueFormat={(day) => formatDay(day, 'weekday, day and month')}
      weekendDays={[]}
      // The shop's day, however this tablet's own clock is set.
      highlightToday={false}
      getDayProps={(day) => (day === today ? { 'data-today': true, 'data-highlight-today': true } : {})}
      {...props}
    />
  );
}
