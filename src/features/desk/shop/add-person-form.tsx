'use client';
import { Button, Group, PasswordInput, TextInput } from '@mantine/core';
import { useState } from 'react';
import * as v from 'valibot';
import type { Role } from '@/core/actions/contract';
import { login, personName, secretOf } from '@/core/people/person-fields';
import { Choices } from '@/shell/choices';
import { useShopForm } from '@/shell/form';
import { Feedback } from '@/shell/feedback';
import { useDone } from '../use-done';

const ROLES: readonly { readonly value: Role; readonly words: string }[] = [
  { value: 'hand', words: 'At the bench, by PIN' },
  { value: 'manager', words: 'Manager' },
  { value: 'owner', words: 'Owner' },
  { value: 'auditor', words: 'Looks the books over' },
];
const EMPTY = { name: '', login: '', secret: '' };

/** Adds somebody: a hand with a PIN, by an owner also those who sign in with a password. */
export function AddPersonForm({ isOwner }: { isOwner: boolean }) {
  const { problem, done } = useDone();
  const [role, setRole] = useState<Role>('hand');
  const [added, setAdded] = useState<string | null>(null);
  const isHand = role === 'hand';
  const form = useShopForm(
    v.object({
      name: personName('What are they called?'),
      login: isHand ? v.string() : login,
      secret: secretOf(role),
    }),
    EMPTY,
  );
  const add = async ({ name, login, secret }: typeof EMPTY) => {
    const told = role === 'hand' ? { role, name, pin: secret } : { role, name, login, password: secret };
    const was = await done('shop/add-person', told);
    setAdded(was ? name : null);
    if (was) form.reset();
  };
  return (
    <>
      {isOwner && (
        <Choices
          label="What they do"
          options={ROLES}
          value={role}
          onChange={(to) => {
            setRole(to);
            form.clearErrors();
          }}
        />
      )}
      <form className="row low tray" onSubmit={form.onSubmit((values) => void add(values))}>
        <Group gap="0.75rem" align="start">
          <TextInput w="14rem" label="Name" autoComplete="off" {...form.getInputProps('name')} />
          {!isHand && (
            <TextInput w="12rem" label="Signs in as" autoComplete="off" {...form.getInputProps('login')} />
          )}
          <PasswordInput
            w={isHand ? '9rem' : '14rem'}
            label={isHand ? 'PIN' : 'Password'}
            inputMode={isHand ? 'numeric' : 'text'}
            autoComplete="new-password"
            {...form.getInputProps('secret')}
          />
          <Button type="submit" mt="1.75rem">
            Add them
          </Button>
        </Group>
      </form>
      <Feedback isWell>{added && `${added} can sign in from now on.`}</Feedback>
      <Feedback isAlert>{problem}</Feedback>
    </>
  );
}
