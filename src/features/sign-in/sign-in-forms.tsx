'use client';
import { Button, PasswordInput, TextInput } from '@mantine/core';
import { useActionState, useState } from 'react';
import { Stem } from '@/drawing/stem';
import { Said } from '@/shell/said';
import { signInHand, signInManager, type SignInState } from './actions';
import css from './sign-in.module.css';

interface Props {
  readonly shop: { readonly id: string; readonly name: string };
  readonly hands: readonly { readonly id: string; readonly name: string }[];
  readonly hint: { readonly pin: string; readonly login: string; readonly password: string } | null;
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
  const [pin, setPin] = useState('');
  return (
    <form
      action={(form) => {
        setPin('');
        form.set('shopId', shop.id);
        form.set('personId', hand.id);
        act(form);
      }}
      className={css.pad}
    >
      <h2>{hand.name}, your PIN</h2>
      <TextInput
        aria-label="Four-digit PIN"
        name="pin"
        classNames={{ input: css.pin }}
        type="password"
        inputMode="numeric"
        autoComplete="off"
        maxLength={4}
        autoFocus
        value={pin}
        onChange={(e) => setPin(e.target.value.replace(/\D/g, ''))}
      />
      <div className={css.digits}>
        {DIGITS.map((d) => (
          <Button key={d} onClick={() => setPin((p) => (p + d).slice(0, 4))}>
            {d}
          </Button>
        ))}
        <Button onClick={() => setPin((p) => p.slice(0, -1))}>Rub out</Button>
      </div>
      {state.message && <Said isAlert>{state.message}</Said>}
      <Button type="submit" variant="deed" disabled={busy || pin.length !== 4}>
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
  const [state, act, busy] = useActionState(signInManager, START);
  const [login, setLogin] = useState('');
  const [password, setPassword] = useState('');
  return (
    <form
      action={(form) => {
        setPassword('');
        form.set('shopId', shop.id);
        act(form);
      }}
      className={css.pad}
    >
      <h2>Manager</h2>
      <TextInput
        name="login"
        label="Name"
        size="lg"
        autoComplete="username"
        value={login}
        onChange={(e) => setLogin(e.target.value)}
        autoFocus
      />
      <PasswordInput
        name="password"
        label="Password"
        size="lg"
        autoComplete="current-password"
        value={password}
        onChange={(e) => setPassword(e.target.value)}
      />
      {state.message && <Said isAlert>{state.message}</Said>}
      <Button type="submit" variant="deed" disabled={busy}>
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

export function SignInForms({ shop, hands, hint }: Props) {
  const [who, setWho] = useState<string | null>(null);
  const hand = hands.find((h) => h.id === who);
  return (
    <main className={css.page}>
      <div className={css.art} aria-hidden="true">
        <Stem habit="cup" stage={0.5} droop="firm" colour="blush" height={330} />
        <Stem habit="disc" stage={1} droop="soft" colour="orange" height={330} />
        <Stem habit="ball" stage={0.8} droop="firm" colour="blue" height={330} />
      </div>
      <div className={css.door}>
        <p className="soft">{shop.name}</p>
        <h1>Hush Pail</h1>
        {hand ? (
          <PinPad shop={shop} hand={hand} hint={hint} onBack={() => setWho(null)} />
        ) : who === 'manager' ? (
          <ManagerForm shop={shop} hint={hint} onBack={() => setWho(null)} />
        ) : (
          <div className={css.pad}>
            <h2>Who is at the bench?</h2>
            {hands.map((h) => (
              <Button key={h.id} className={css.name} onClick={() => setWho(h.id)}>
                {h.name}
              </Button>
            ))}
            <Button variant="quiet" onClick={() => setWho('manager')}>
              Manager, by password
            </Button>
            {hint && <p className="soft">This is the demo shop: tap a name, PIN {hint.pin}.</p>}
          </div>
        )}
      </div>
    </main>
  );
}
