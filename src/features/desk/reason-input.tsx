'use client';
import { TextInput } from '@mantine/core';

/** As short as a reason can be. */
const SHORTEST = 3;
export const isReasoned = (reason: string): boolean => reason.trim().length >= SHORTEST;

/** Why something of the house is changed: without it nothing is. */
export function ReasonInput({ value, onChange }: { value: string; onChange: (reason: string) => void }) {
  return (
    <TextInput
      label="Why"
      flex="1 1 16rem"
      value={value}
      maxLength={200}
      onChange={(e) => onChange(e.target.value)}
    />
  );
}
