'use client';
import { Button, TextInput } from '@mantine/core';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { v4 } from 'uuid';
import { useActions } from '@/shell/actions';
import css from './flaws.module.css';

/** The hours a supplier allows for a claim; it holds for claims opened from now on. */
export function ClaimWindow({ supplier, hours }: { supplier: string; hours: number }) {
  const router = useRouter();
  const { act } = useActions();
  const [value, setValue] = useState(String(hours));
  const [said, setSaid] = useState<string | null>(null);
  return (
    <form
      className={css.terms}
      onSubmit={(event) => {
        event.preventDefault();
        void act('dock/claim-window', { supplier, hours: Number(value) }, v4()).then((outcome) => {
          setSaid(outcome.ok ? 'Holds for claims from now on.' : outcome.message);
          router.refresh();
        });
      }}
    >
      <TextInput
        label={`${supplier}: hours from arrival`}
        inputMode="numeric"
        w="7rem"
        value={value}
        onChange={(e) => setValue(e.target.value.replace(/\D/g, ''))}
      />
      <Button type="submit" disabled={value === '' || value === String(hours)}>
        Set
      </Button>
      {said && (
        <span className="soft" role="status">
          {said}
        </span>
      )}
    </form>
  );
}
