'use client';
import { Button, Group, Stack, TextInput } from '@mantine/core';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import * as v from 'valibot';
import { factorCode } from '@/core/people/person-fields';
import { Qr } from '@/drawing/qr';
import type { OfferedFactor } from '@/server/second-factor';
import { useShopForm } from '@/shell/form';
import { Feedback } from '@/shell/feedback';
import { useDone } from '../use-done';

/** Shows what was offered, and takes a code of it. What was offered first stands, however often the page is drawn. */
export function FactorForm({ offered: first }: { offered: OfferedFactor }) {
  const [offered] = useState(first);
  const router = useRouter();
  const { problem, done } = useDone();
  const form = useShopForm(v.object({ code: factorCode }), { code: '' });
  const take = async ({ code }: { code: string }) => {
    if (await done('shop/second-factor', { sealed: offered.sealed, code })) router.push('/desk/people');
  };
  return (
    <form onSubmit={form.onSubmit((values) => void take(values))}>
      <Stack gap="1rem">
        <p>
          <strong>1.</strong> Let the telephone’s program for codes read this, or type what stands beside it.
        </p>
        <Group gap="1.5rem" align="start">
          <Qr text={offered.uri} sizePx={208} label="The code for your telephone" />
          <code>{offered.secret.match(/.{1,4}/g)?.join(' ')}</code>
        </Group>
        <p>
          <strong>2.</strong> Type the code it shows.
        </p>
        <Group gap="0.75rem" align="start">
          <TextInput
            w="10rem"
            label="Code"
            inputMode="numeric"
            autoComplete="one-time-code"
            maxLength={6}
            {...form.getInputProps('code')}
          />
          <Button type="submit" mt="1.75rem" variant="main" w="auto">
            Ask me for it from now on
          </Button>
        </Group>
        <Feedback isAlert>{problem}</Feedback>
      </Stack>
    </form>
  );
}
