'use client';
import { Box, Button, PasswordInput, SimpleGrid, TextInput, Title } from '@mantine/core';
import { startTransition, useActionState, useState } from 'react';
import * as v from 'valibot';
import { Stem } from '@/drawing/stem';
import { someText, useShopForm } from '@/shell/form';
import { Feedback } from '@/shell/feedback';
import { signInHand, signInManager, type SignInState } from './actions';
import { Columns } from '@/shell/columns';
import css from './sign-in.module.css';
import { NAME, OpenMine } from './which-shop';

interface Props {
  readonly shop: { readonly id: string; readonly name: string };
  readonly hands: readonly { readonly id: string; readonly name: string }[];
  /** Other shops are kept here too. */
  readonly hasOthers: boolean;
  readonly hint: { readonly pin: string; readonly login: string; readonly password: string } | null;
}

const PIN = v.object({ pin: v.pipe(v.string(), v.length(4, 'Four figures, please.')) });
const MANAGER = v.object({
  login: someText(1, 200, 'Who are you?'),
  password: v.pipe(v.string(), v.minLength(1, 'Your password, please.')),
  code: v.string(),
});

/** Sends what was typed to the server, as its form would. */
function send(act: (form: FormData) => void, values: Readonly<Record<string, string>>): void {
  const form = new FormData();
  for (const [name, value] of Object.entries(values)) form.set(name, value);
  startTransition(() => act(form));
}

const START: SignInState = { message: null };
const DIGITS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '0'];

function PinPad({
  shop,
  hand,
  hint,
  onBack,
}: {
  shop: Props['shop'];
  hand: Props['hands'][number];
  hint: Props['hint'];
  onBack: () => void;
}) {
  const [state, act, busy] = useActionState(signInHand, START);
  const form = useShopForm(PIN, { pin: '' });
  const { pin } = form.values;
  const type = (typed: string) => form.setFieldValue('pin', typed.replace(/\D/g, '').slice(0, 4));
  return (
    <form
      onSubmit={form.onSubmit((values) => {
        form.reset();
        send(act, { ...values, shopId: shop.id, personId: hand.id });
      })}
      className="stack"
    >
      <h2>{hand.name}, your PIN</h2>
      <TextInput
        aria-label="Four-digit PIN"
        name="pin"
        styles={{
          input: { minHeight: '4rem', textAlign: 'center', fontSize: '2.125rem', letterSpacing: '0.5em' },
        }}
        type="password"
        inputMode="numeric"
        autoComplete="off"
        maxLength={4}
        autoFocus
        {...form.getInputProps('pin')}
        onChange={(e) => type(e.target.value)}
      />
      <SimpleGrid cols={3} spacing={10}>
        {DIGITS.map((d) => (
          <Button key={d} mih={56} fz="1.375rem" onClick={() => type(pin + d)}>
            {d}
          </Button>
        ))}
        <Button style={{ gridColumn: 'span 2' }} onClick={() => type(pin.slice(0, -1))}>
          Rub out
        </Button>
      </SimpleGrid>
      {state.message && <Feedback isAlert>{state.message}</Feedback>}
      <Button type="submit" variant="main" disabled={busy}>
        {busy ? 'Looking …' : 'To the bench'}
      </Button>
      <Button variant="quiet" onClick={onBack}>
        Not {hand.name}
      </Button>
      {hint && <p className="soft">This is the demo shop: every hand’s PIN is {hint.pin}.</p>}
    </form>
  );
}

function ManagerForm({
  shop,
  hint,
  onBack,
}: {
  shop: Props['shop'];
  hint: Props['hint'];
  onBack: () => void;
}) {
  const form = useShopForm(MANAGER, { login: '', password: '', code: '' });
  const [state, act, busy] = useActionState(async (before: SignInState, told: FormData) => {
    const next = await signInManager(before, told);
    form.setFieldValue('code', '');
    // Asked for its code, the password stays: both are sent together.
    if (!next.needsCode) form.setFieldValue('password', '');
    return next;
  }, START);
  return (
    <form
      onSubmit={form.onSubmit((values) => {
        send(act, { ...values, shopId: shop.id });
      })}
      className="stack"
    >
      <h2>Manager</h2>
      <TextInput
        name="login"
        label="Name"
        size="lg"
        autoComplete="username"
        {...form.getInputProps('login')}
        autoFocus
      />
      <PasswordInput
        name="password"
        label="Password"
        size="lg"
        autoComplete="current-password"
        {...form.getInputProps('password')}
      />
      {state.needsCode && (
        <TextInput
          name="code"
          label="Code"
          size="lg"
          inputMode="numeric"
          autoComplete="one-time-code"
          maxLength={6}
          autoFocus
          {...form.getInputProps('code')}
        />
      )}
      {state.message && <Feedback isAlert>{state.message}</Feedback>}
      <Button type="submit" variant="main" disabled={busy}>
        {busy ? 'Looking …' : 'Sign in'}
      </Button>
      <Button variant="quiet" onClick={onBack}>
        Back to the names
      </Button>
      {hint && (
        <p className="soft">
          This is the demo shop: “{hint.login}” with “{hint.password}”.
        </p>
      )}
    </form>
  );
}

export function SignInForms({ shop, hands, hint, hasOthers }: Props) {
  const [who, setWho] = useState<string | null>(null);
  const hand = hands.find((h) => h.id === who);
  return (
    <Box component="main" className={css.page}>
      <Columns of="1fr minmax(300px, 460px)" align="center">
        <div className={`mantine-visible-from-sm ${css.art}`} aria-hidden="true">
          <Stem habit="cup" stage={0.5} droop="firm" colour="blush" height={330} />
          <Stem habit="disc" stage={1} droop="soft" colour="orange" height={330} />
          <Stem habit="ball" stage={0.8} droop="firm" colour="blue" height={330} />
        </div>
        <div>
          <p className="soft">{shop.name}</p>
          <Title order={1} fz="3.375rem" mb="lg">
            Hush Pail
          </Title>
          {hand ? (
            <PinPad shop={shop} hand={hand} hint={hint} onBack={() => setWho(null)} />
          ) : who === 'manager' ? (
            <ManagerForm shop={shop} hint={hint} onBack={() => setWho(null)} />
          ) : (
            <div className="stack">
              <h2>Who is at the bench?</h2>
              {hands.map((h) => (
                <Button key={h.id} {...NAME} onClick={() => setWho(h.id)}>
                  {h.name}
                </Button>
              ))}
              <Button variant="quiet" onClick={() => setWho('manager')}>
                Manager, by password
              </Button>
              {hint && <p className="soft">This is the demo shop: tap a name, PIN {hint.pin}.</p>}
              {hasOthers ? (
                <Button component="a" variant="quiet" href="/sign-in">
                  Another shop
                </Button>
              ) : (
                <OpenMine />
              )}
            </div>
          )}
        </div>
      </Columns>
    </Box>
  );
}
