'use client';
import { TextInput } from '@mantine/core';
import { startTransition, useEffect, useState } from 'react';
import { formatDay } from '@/core/calendar/format-date';
import { whenIdle } from './late';
import type { DayInputProps, DayPicker } from './day-picker';

let fetched: typeof DayPicker | null = null;

/** A day: picked, or typed as one says it. What picks it is fetched once the field is there; until then it only shows. */
export function DayInput(props: DayInputProps) {
  const [Picker, setPicker] = useState<typeof DayPicker | null>(() => fetched);
  useEffect(() => {
    if (fetched) return;
    const fetchPicker = () =>
      import('./day-picker')
        .then((m) => {
          fetched = m.DayPicker;
          startTransition(() => setPicker(() => m.DayPicker));
        })
        // Without the net the day stands as it is; the next drawing asks again.
        .catch(() => undefined);
    // Not while the page comes to life: asking for a script holds it up by itself.
    return whenIdle(() => void fetchPicker(), 250);
  }, []);
  if (Picker) return <Picker {...props} />;
  const { label, w, value, placeholder, disabled, 'aria-label': heard } = props;
  return (
    <TextInput
      {...(w === undefined ? {} : { w })}
      label={label}
      aria-label={heard}
      placeholder={placeholder}
      value={value ? formatDay(value, 'weekday, day and month') : ''}
      readOnly
      disabled={disabled ?? false}
    />
  );
}
