'use client';
import { schemaResolver, useForm, type UseFormReturnType } from '@mantine/form';
import * as v from 'valibot';
import { LONGEST_REASON, SHORTEST_REASON } from '@/core/actions/reason';
import { typedNumber } from '@/core/numbers/read-number';

/**
 * A form whose fields are held to a schema when it is sent: its button is never dead, what is missing
 * is said at the field it is missing from, and the first of those has the focus.
 */
export function useShopForm<Values extends Record<string, unknown>>(
  schema: v.GenericSchema<Values>,
  initialValues: Values,
): UseFormReturnType<Values> {
  const form = useForm<Values>({
    mode: 'controlled',
    initialValues,
    validate: schemaResolver(schema, { sync: true }),
    clearInputErrorOnChange: true,
    onSubmitPreventDefault: 'always',
  });
  return {
    ...form,
    onSubmit: (send, refuse) =>
      form.onSubmit(send, (errors, values, event) => {
        form.getInputNode(Object.keys(errors)[0] ?? '')?.focus();
        refuse?.(errors, values, event);
      }),
  };
}

/** Why something of the house is changed: without it nothing is. */
export const aReason = v.pipe(
  v.string(),
  v.trim(),
  v.minLength(SHORTEST_REASON, 'Say in a few words why.'),
  v.maxLength(LONGEST_REASON, `That is longer than ${LONGEST_REASON} characters.`),
);

/** A number as it is typed, with a point or a comma. */
export const aNumber = v.pipe(
  v.string(),
  v.check((text) => text.trim() !== '' && Number.isFinite(typedNumber(text)), 'That is not a number.'),
);

/** Words somebody types, at least so many characters. */
export const someText = (least: number, most: number, missing: string) =>
  v.pipe(
    v.string(),
    v.trim(),
    v.minLength(least, missing),
    v.maxLength(most, `That is longer than ${most}.`),
  );
