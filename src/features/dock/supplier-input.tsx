'use client';
import { Autocomplete } from '@mantine/core';
import { useEffect, useState } from 'react';
import { fetchHelp } from '@/shell/note-file';

interface Props {
  readonly value: string;
  readonly onChange: (supplier: string) => void;
  readonly error: string | false;
}

/** Whose a note or an order is: one of those the shop has had something from, or a new name. */
export function SupplierInput({ value, onChange, error }: Props) {
  const [known, setKnown] = useState<readonly string[]>([]);
  useEffect(() => {
    let isHere = true;
    void fetchHelp().then((help) => isHere && setKnown(help.suppliers));
    return () => {
      isHere = false;
    };
  }, []);
  return (
    <Autocomplete
      label="Supplier"
      maxLength={120}
      data={[...known]}
      value={value}
      onChange={onChange}
      error={error}
    />
  );
}

/** Puts the focus on the first thing that still lacks something: a field that is marked, or a line of the note. */
export function focusFirstLacking(): void {
  // After the fields were drawn anew with what they lack.
  requestAnimationFrame(() => {
    document
      .querySelector<HTMLElement>(
        '[aria-invalid="true"], [data-lacks] input, [data-lacks] select, [data-lacks] button',
      )
      ?.focus();
  });
}
