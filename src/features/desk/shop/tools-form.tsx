'use client';
import { Button, Group, NativeSelect, Stack, TextInput } from '@mantine/core';
import { useState } from 'react';
import * as v from 'valibot';
import { MOST_EVERY_H, TOOL_KINDS, USUAL_EVERY_H, type ToolKind } from '@/core/hygiene/tools';
import { typedNumber } from '@/core/numbers/read-number';
import type { ToolRow } from '@/data/tools';
import { Feedback } from '@/shell/feedback';
import { someText, useShopForm } from '@/shell/form';
import { useDone } from '../use-done';
import { between } from './between';

const SCHEMA = v.object({
  name: someText(1, 40, 'What is it called?'),
  everyH: between(1, MOST_EVERY_H, 'hours'),
});

interface Props {
  readonly tools: readonly Pick<ToolRow, 'id' | 'name' | 'kind' | 'everyH'>[];
  readonly mayChange: boolean;
}

/** Knives, snips, strippers and vases, and how often each is cleaned. */
export function ToolsForm({ tools, mayChange }: Props) {
  const { problem, done } = useDone();
  const [kind, setKind] = useState<ToolKind>('knife');
  const form = useShopForm(SCHEMA, { name: '', everyH: String(USUAL_EVERY_H.knife) });
  const choose = (to: ToolKind): void => {
    setKind(to);
    form.setFieldValue('everyH', String(USUAL_EVERY_H[to]));
  };
  const add = async ({ name, everyH }: typeof form.values) => {
    if ((await done('shop/add-tool', { name, kind, everyH: Math.round(typedNumber(everyH)) })) !== null)
      form.setFieldValue('name', '');
  };
  return (
    <Stack gap="0.875rem">
      {tools.length > 0 && (
        <ul className="rowlist">
          {tools.map((t) => (
            <li key={t.id}>
              <Group justify="space-between" gap="0.75rem">
                <span>
                  <strong>{t.name}</strong>{' '}
                  <span className="soft">
                    {t.kind}, every {t.everyH} h
                  </span>
                </span>
                {mayChange && (
                  <Button
                    variant="quiet"
                    onClick={() => void done('shop/retire-tool', { toolId: t.id })}
                    aria-label={`Take ${t.name} out of use`}
                  >
                    Out of use
                  </Button>
                )}
              </Group>
            </li>
          ))}
        </ul>
      )}
      {mayChange && (
        <form onSubmit={form.onSubmit((typed) => void add(typed))}>
          <Group gap="0.875rem" align="end">
            <TextInput label="Called" {...form.getInputProps('name')} />
            <NativeSelect
              label="What it is"
              value={kind}
              data={[...TOOL_KINDS]}
              onChange={(event) => choose(event.currentTarget.value as ToolKind)}
            />
            <TextInput
              w="9rem"
              label="Cleaned every, h"
              inputMode="numeric"
              {...form.getInputProps('everyH')}
            />
            <Button type="submit">Add it</Button>
          </Group>
        </form>
      )}
      {problem && <Feedback isAlert>{problem}</Feedback>}
    </Stack>
  );
}
