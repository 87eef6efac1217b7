'use client';
import { useHydrated } from './use-hydrated';
import { SpeciesProvider } from './species';
import { saidDate } from '@/core/calendar/said-dates';
import { NativeSelect, useComputedColorScheme, useMantineColorScheme } from '@mantine/core';
import type { ActionName } from '@/core/actions/actions';
import type { Species } from '@/core/species/species';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { Alarm, useQuiet } from './alarm';
import { Band } from './band';
import { ShopClock, useShopNow } from './clock';
import { ActionProvider, useActions } from './actions';
import { NextList } from './next-list';
import { QuestionSheet, useQuestion } from './question';
import { Scanner } from './scanner';
import { KEYS, PLACES, type NextItem, type PlaceKey, type PlaceNote } from './places';
import css from './shell.module.css';
import { useLive } from './use-live';

export interface FrameProps {
  readonly shopName: string;
  readonly person: { readonly id: string; readonly name: string };
  /** What they read the shop in, and what else they may. */
  readonly language: string;
  readonly languages: readonly { readonly value: string; readonly label: string }[];
  readonly timeZone: string;
  readonly serverNow: number;
  readonly notes: Readonly<Record<PlaceKey, PlaceNote>>;
  readonly next: readonly NextItem[];
  /** The last thing this person did, and why it is not taken back where it is not. */
  readonly last: { readonly entryId: number; readonly words: string; readonly whyNot: string | null } | null;
  /** What this person took back just now, to be done again as it was tapped. */
  readonly redo: { readonly name: ActionName; readonly input: unknown; readonly words: string } | null;
  /** Minutes the shop's clock was set back by; 0 when it is right. */
  readonly clockBehindMin: number;
  /** Names of actions whose taps may wait on this tablet. */
  readonly waiting: readonly string[];
  /** The shop's own species, which this tablet's forecasts and notes know as well. */
  readonly ownSpecies: readonly Species[];
  readonly signOut: () => Promise<void>;
  readonly children: ReactNode;
}

const KEYS_OFF = 'hush-pail-keys-off';

function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable || /^(INPUT|SELECT|TEXTAREA)$/.test(target.tagName))
  );
}

/** Listens for the application's keys. Enter is left to whatever has the focus, else it logs the step. */
function useKeys(on: { readonly [key: string]: () => void }): void {
  const latest = useRef(on);
  useEffect(() => {
    latest.current = on;
  });
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.repeat || isTyping(event.target)) return;
      if (document.querySelector('dialog[open]') || localStorage.getItem(KEYS_OFF) === '1') return;
      if (event.key === 'Enter' && event.target !== document.body) return;
      const does = latest.current[event.key.toLowerCase()];
      if (!does) return;
      event.preventDefault();
      does();
    };
    addEventListener('keydown', listen);
    return () => removeEventListener('keydown', listen);
  }, []);
}

function KeptTaps() {
  const { kept, news, dropNews } = useActions();
  if (kept.length > 0)
    return (
      <div className={css.kept} role="alert">
        {kept.length === 1
          ? `Kept on this tablet: ${kept[0]?.about ?? ''}.`
          : `${kept.length} taps are kept on this tablet.`}{' '}
        The shop’s memory is not answering; they are tried again until it does.
      </div>
    );
  if (!news) return null;
  return (
    <div className={`${css.kept} ${css.keptWell}`} role="status">
      {news}
      <button type="button" onClick={dropNews}>
        Seen
      </button>
    </div>
  );
}

function ClockFace({ timeZone, name }: { timeZone: string; name: string }) {
  const now = useShopNow();
  const words = now === null ? '' : saidDate(now, timeZone, 'clock');
  return (
    <>
      <span className={css.whoClock}>{words}</span>
      <span className="soft">{name}</span>
    </>
  );
}

function KeySheet({ sheet }: { sheet: React.RefObject<HTMLDialogElement | null> }) {
  const [off, setOff] = useState(false);
  useEffect(() => setOff(localStorage.getItem(KEYS_OFF) === '1'), []);
  const toggle = () => {
    localStorage.setItem(KEYS_OFF, off ? '0' : '1');
    setOff(!off);
  };
  return (
    <dialog ref={sheet} className={css.sheet} aria-labelledby="keys-title">
      <h2 id="keys-title">Keys</h2>
      <dl>
        {KEYS.map(({ key, does }) => (
          <div key={key} style={{ display: 'contents' }}>
            <dt>
              <kbd>{key}</kbd>
            </dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
      <div className={css.foot}>
        <button type="button" className="plain" aria-pressed={off} onClick={toggle}>
          {off ? 'Keys are off: turn on' : 'Turn keys off'}
        </button>
        <button type="button" className="plain" onClick={() => sheet.current?.close()}>
          Close
        </button>
      </div>
    </dialog>
  );
}

function Inside({
  shopName,
  person,
  language,
  languages,
  timeZone,
  notes,
  next,
  last,
  redo,
  clockBehindMin,
  signOut,
  children,
}: Omit<FrameProps, 'serverNow' | 'ownSpecies' | 'waiting'>) {
  const router = useRouter();
  const { act } = useActions();
  const { question, ask, answer } = useQuestion();
  const isHydrated = useHydrated();
  const { setColorScheme } = useMantineColorScheme();
  // The server knows neither what was chosen on this tablet nor what its system says.
  const dark = useComputedColorScheme('light') === 'dark' && isHydrated;
  const [open, setOpen] = useState(false);
  const [said, setSaid] = useState<string | null>(null);
  const [isQuiet, toggleQuiet] = useQuiet();
  const sheet = useRef<HTMLDialogElement>(null);

  useLive();

  const takeBack = async () => {
    if (!last) return setSaid('There is nothing of yours to take back.');
    if (last.whyNot) return setSaid(last.whyNot);
    if (!(await ask(null, last.words, 'Take it back'))) return;
    const outcome = await act('desk/take-back', { entryId: last.entryId });
    setSaid(outcome.ok ? `Taken back: ${last.words}` : outcome.message);
  };
  const doAgain = async () => {
    if (!redo) return;
    const outcome = await act(redo.name, redo.input as never, redo.words);
    setSaid(outcome.ok ? `Done again: ${redo.words}` : outcome.message);
  };
  const logStep = () => document.querySelector<HTMLButtonElement>('[data-step-in-hand]')?.click();
  useKeys({
    ...Object.fromEntries(PLACES.map((place, i) => [String(i + 1), () => router.push(place.path)])),
    n: () => {
      setOpen(true);
      document.getElementById('next')?.focus();
    },
    '.': logStep,
    enter: logStep,
    z: () => void takeBack(),
    '?': () => sheet.current?.showModal(),
  });
  return (
    <>
      <KeptTaps />
      {clockBehindMin > 0 && (
        <div className={css.kept} role="status">
          The shop’s clock was set back by {clockBehindMin} min: what is done is entered at the last entry’s
          time until it has caught up. Set the computer’s clock right.
        </div>
      )}
      <Alarm items={next} isQuiet={isQuiet} />
      <Band notes={notes} shopName={shopName} people={<ClockFace timeZone={timeZone} name={person.name} />} />
      <div className={css.page}>
        <main>
          <Scanner />
          {children}
        </main>
        <div>
          <NextList items={next} open={open} onOpen={setOpen} />
          <div className={css.foot}>
            <button type="button" className="plain" onClick={() => void takeBack()} disabled={!last}>
              Take back <kbd>Z</kbd>
            </button>
            {redo && (
              <button type="button" className="plain" onClick={() => void doAgain()}>
                Do it again
              </button>
            )}
            <button type="button" className="plain" onClick={() => setColorScheme(dark ? 'light' : 'dark')}>
              {dark ? 'Light' : 'Dark'}
            </button>
            <button type="button" className="plain" aria-pressed={isQuiet} onClick={toggleQuiet}>
              {isQuiet ? 'Quiet: rings off' : 'Rings'}
            </button>
            <button type="button" className="plain" onClick={() => sheet.current?.showModal()}>
              Keys <kbd>?</kbd>
            </button>
            <NativeSelect
              aria-label="Language"
              classNames={{ input: css.language }}
              value={language}
              onChange={({ currentTarget: { value } }) => void act('desk/language', { language: value })}
              data={languages}
            />
            <form action={signOut}>
              <button className="plain">Change hands</button>
            </form>
          </div>
          <p className="soft" role="status" style={{ marginTop: 10, fontSize: 16 }}>
            {said && <span className={css.said}>{said}</span>}
            {last ? `Your last: ${last.words}` : ''}
          </p>
        </div>
      </div>
      <KeySheet sheet={sheet} />
      <QuestionSheet question={question} onAnswer={answer} />
    </>
  );
}

/** What stands around every place: the band, Next, the keys, the taps that wait. */
export function Frame({ serverNow, ownSpecies, waiting, ...props }: FrameProps) {
  return (
    <ShopClock serverNow={serverNow}>
      <ActionProvider personId={props.person.id} waiting={waiting}>
        <SpeciesProvider own={ownSpecies}>
          <Inside {...props} />
        </SpeciesProvider>
      </ActionProvider>
    </ShopClock>
  );
}
