'use client';
import { Button, TextInput } from '@mantine/core';
import { useState } from 'react';
import { typedNumber } from '@/core/numbers/read-number';
import type { WaterLimits } from '@/core/protocol/ways';
import { Said } from '@/shell/said';
import css from './desk.module.css';
import { isReasoned, ReasonInput } from './reason-input';
import { useWay } from './use-way';

const LIMITS = [
  ['plainDays', 'In plain water'],
  ['foodDays', 'With food'],
  ['lilyDays', 'Lilies'],
] as const;

/** The house's own longest use of water, in days. */
export function LimitForm({ limits, mayChange }: { limits: WaterLimits; mayChange: boolean }) {
  const { problem, set } = useWay();
  const [values, setValues] = useState<Record<string, string>>({});
  const [reason, setReason] = useState('');
  const save = async () => {
    for (const [key] of LIMITS) {
      const typed = values[key];
      if (typed === undefined || typedNumber(typed) === limits[key]) continue;
      if (!(await set({ kind: 'limit', key, value: typedNumber(typed), reason }))) return;
    }
    setValues({});
    setReason('');
  };
  return (
    <form
      className={css.change}
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      {LIMITS.map(([key, words]) => (
        <TextInput
          key={key}
          label={`${words}, days`}
          w="9rem"
          inputMode="decimal"
          disabled={!mayChange}
          value={values[key] ?? String(limits[key])}
          onChange={(e) => setValues({ ...values, [key]: e.target.value })}
        />
      ))}
      {mayChange && (
        <>
          <ReasonInput value={reason} onChange={setReason} />
          <Button type="submit" disabled={!isReasoned(reason)}>
            Set them
          </Button>
        </>
      )}
      <Said isAlert>{problem}</Said>
    </form>
  );
}
