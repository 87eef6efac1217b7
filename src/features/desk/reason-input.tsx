'use client';
import { TextInput } from '@mantine/core';
import type { GetInputPropsReturnType } from '@mantine/form';
import { LONGEST_REASON } from '@/core/actions/reason';

/** Why something of the house is changed; its props are those of the form's field. */
export function ReasonInput(field: GetInputPropsReturnType) {
  return <TextInput label="Why" flex="1 1 16rem" maxLength={LONGEST_REASON} {...field} />;
}
