'use client';
import { PasswordInput, TextInput } from '@mantine/core';
import { useActionState, useState } from 'react';
import { Stem } from '@/drawing/stem';
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
        act(form);
      }}
      className={css.pad}
    >
      <h2>{hand.name}, your PIN</h2>
      <input type="hidden" name="shopId" value={shop.id} />
      <input type="hidden" name="personId" value={hand.id} />
      <label className="visually-hidden" htmlFor="pin">
        Four-digit PIN
      </label>
      <input
        id="pin"
        name="pin"
        className={css.pin}
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
          <button key={d} type="button" className="plain" onClick={() => setPin((p) => (p + d).slice(0, 4))}>
            {d}
          </button>
        ))}
        <button type="button" className="plain" onClick={() => setPin((p) => p.slice(0, -1))}>
          Rub out
        </button>
      </div>
      {state.message && (
        <p className="said" role="alert">
          {state.message}
        </p>
      )}
      <button className="deed" disabled={busy || pin.length !== 4}>
        {busy ? 'Looking …' : 'To the bench'}
      </button>
      <button type="button" className="quiet" onClick={onBack}>
        Not {hand.name}
      </button>
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
        act(form);
      }}
      className={css.pad}
    >
      <h2>Manager</h2>
      <input type="hidden" name="shopId" value={shop.id} />
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
      {state.message && (
        <p className="said" role="alert">
          {state.message}
        </p>
      )}
      <button className="deed" disabled={busy}>
        {busy ? 'Looking …' : 'Sign in'}
      </button>
      <button type="button" className="quiet" onClick={onBack}>
        Back to the names
      </button>
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
              <button key={h.id} type="button" className={`plain ${css.name}`} onClick={() => setWho(h.id)}>
                {h.name}
              </button>
            ))}
            <button type="button" className="quiet" onClick={() => setWho('manager')}>
              Manager, by password
            </button>
            {hint && <p className="soft">This is the demo shop: tap a name, PIN {hint.pin}.</p>}
          </div>
        )}
      </div>
    </main>
  );
}
