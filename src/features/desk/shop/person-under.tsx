'use client';
import { Button, Group, PasswordInput, Stack, VisuallyHidden } from '@mantine/core';
import * as v from 'valibot';
import { secretOf } from '@/core/people/person-fields';
import { useShopForm } from '@/shell/form';
import { LinkButton } from '@/shell/link-button';
import { Feedback } from '@/shell/feedback';
import { useDone } from '../use-done';
import type { PersonView } from './person-view';

interface Props {
  readonly person: PersonView;
  readonly onSet: () => void;
}

/** Gives somebody another PIN or password: their own with the one they have, a hand's without. */
function SecretForm({ person, onSet }: Props) {
  const { id, name, role, isMe } = person;
  const { problem, done } = useDone();
  const word = role === 'hand' ? 'PIN' : 'password';
  const form = useShopForm(
    v.object({
      current: v.pipe(v.string(), v.minLength(isMe ? 1 : 0, `The ${word} you have now.`)),
      secret: secretOf(role),
    }),
    { current: '', secret: '' },
  );
  const set = async ({ current, secret }: typeof form.values) => {
    const was = await done('shop/set-secret', { personId: id, secret, current: isMe ? current : null });
    if (was) onSet();
  };
  return (
    <form onSubmit={form.onSubmit((values) => void set(values))}>
      <Group gap="0.75rem" align="start">
        {isMe && (
          <PasswordInput
            w="12rem"
            label={`Your ${word} now`}
            autoComplete="current-password"
            {...form.getInputProps('current')}
          />
        )}
        <PasswordInput
          w="12rem"
          label={isMe ? `The new ${word}` : `A new ${word} for ${name}`}
          autoComplete="new-password"
          inputMode={role === 'hand' ? 'numeric' : 'text'}
          {...form.getInputProps('secret')}
        />
        <Button type="submit" mt="1.75rem">
          Set it
        </Button>
      </Group>
      <p className="soft">
        {isMe ? 'You sign in again with it, here and elsewhere.' : `${name} signs in again with it.`}
      </p>
      <Feedback isAlert>{problem}</Feedback>
    </form>
  );
}

/** Where somebody is signed in, each to be ended. */
function Sessions({ person: { id, name, sessions } }: { person: PersonView }) {
  const { problem, done } = useDone();
  if (sessions.length === 0) return null;
  return (
    <>
      <ul className="rowlist">
        {sessions.map((s) => (
          <li key={s.id}>
            <Group gap="0.75rem" py="0.375rem">
              <span>{s.words}</span>
              <Button onClick={() => void done('shop/end-sessions', { personId: id, sessionId: s.id })}>
                Sign out there
                <VisuallyHidden>: {name}</VisuallyHidden>
              </Button>
            </Group>
          </li>
        ))}
      </ul>
      <Feedback isAlert>{problem}</Feedback>
    </>
  );
}

/** A code beside the password: set up by oneself, given up by oneself or whoever looks after them. */
function Factor({ person: { id, name, role, isMe, hasFactor } }: { person: PersonView }) {
  const { problem, done } = useDone();
  if (role === 'hand' || (!isMe && !hasFactor)) return null;
  return (
    <Group gap="0.75rem">
      <span>
        {hasFactor
          ? `${isMe ? 'You sign' : `${name} signs`} in with a code too.`
          : 'You sign in by your password alone.'}
      </span>
      {hasFactor ? (
        <Button onClick={() => void done('shop/end-second-factor', { personId: id })}>
          Without a code again
          <VisuallyHidden>: {name}</VisuallyHidden>
        </Button>
      ) : (
        <LinkButton href="/desk/people/code">With a code as well …</LinkButton>
      )}
      <Feedback isAlert>{problem}</Feedback>
    </Group>
  );
}

/** What can be done about somebody. */
export function PersonUnder({ person, onSet }: Props) {
  const { id, name, isHere, isMe, mayRule, lockedUntil } = person;
  const { problem, done } = useDone();
  const retire = async (isBack: boolean) => {
    if (await done('shop/retire', { personId: id, isHere: isBack })) onSet();
  };
  const erase = async () => {
    if (await done('shop/erase-name', { personId: id })) onSet();
  };
  if (!mayRule && !isMe) return <p className="soft">{name} is the owner’s to look after.</p>;
  return (
    <Stack gap="0.875rem">
      {isHere && <SecretForm person={person} onSet={onSet} />}
      {isHere && <Factor person={person} />}
      <Sessions person={person} />
      <Group gap="0.75rem">
        {lockedUntil && mayRule && (
          <Button onClick={() => void done('shop/unlock', { personId: id })}>Let {name} try again</Button>
        )}
        {mayRule && !isMe && (
          <Button onClick={() => void retire(!isHere)}>
            {isHere ? `${name} works here no longer` : `${name} is back`}
          </Button>
        )}
        {mayRule && !isHere && <Button onClick={() => void erase()}>Erase the name {name} …</Button>}
      </Group>
      <Feedback isAlert>{problem}</Feedback>
    </Stack>
  );
}
