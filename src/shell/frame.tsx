'use client';
import { useLocalStorage } from '@mantine/hooks';
import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { useState, type ComponentProps, type ReactNode } from 'react';
import type { ActionName } from '@/core/actions/actions';
import type { LanguageChoice } from '@/core/words/catalogues';
import type { Units } from '@/core/units/measures';
import type { Species } from '@/core/species/species';
import { ActionProvider } from './actions';
import { Band } from './band';
import { ShopClock } from './clock';
import { EmergencyProvider } from './emergency';
import { KeptTapsBar } from './kept-taps-bar';
import { useStoreSweep } from './half-done';
import { LanguagesProvider } from './languages';
import { useFetchedAtRest, useOnceOpened } from './late';
import { NextList } from './next-list';
import { Person } from './person';
import { PLACES, type NextItem, type PlaceKey, type PlaceNote } from './places';
import { useQuestion } from './question';
import { Scanner } from './scanner';
import css from './shell.module.css';
import { OwnSpeciesProvider } from './own-species';
import { typeAhead } from './typed-ahead';
import { useKeys } from './use-keys';
import { useLive } from './use-live';
import { useTakeBack } from './use-take-back';
import { ReaderProvider } from './reader';

const LATE = {
  quickLine: () => import('./quick-line'),
  keyHelp: () => import('./key-help'),
  question: () => import('./question-dialog'),
  strip: () => import('./just-done-strip'),
  person: () => import('./person-panel'),
  places: () => import('./all-places'),
};
const FETCHED_AT_REST = Object.values(LATE);
// A clock is hardly ever set back.
const ClockBehind = dynamic(() => import('./clock-behind').then((m) => m.ClockBehind), { ssr: false });
// Nothing rings before the page is alive.
const Alarm = dynamic(() => import('./alarm').then((m) => m.Alarm), { ssr: false });
const QuickLine = dynamic(() => LATE.quickLine().then((m) => m.QuickLine), { ssr: false });
const KeyHelp = dynamic(() => LATE.keyHelp().then((m) => m.KeyHelp), { ssr: false });
const QuestionDialog = dynamic(() => LATE.question().then((m) => m.QuestionDialog), { ssr: false });
const JustDoneStrip = dynamic(() => LATE.strip().then((m) => m.JustDoneStrip), { ssr: false });

export interface FrameProps {
  readonly shopName: string;
  readonly person: { readonly id: string; readonly name: string };
  /** What they read the shop in, and what else they may. */
  readonly language: string;
  readonly units: Units;
  /** How they write numbers. */
  readonly locale: string;
  readonly languages: readonly LanguageChoice[];
  readonly timeZone: string;
  readonly serverNow: number;
  /** The shop's day, ISO. */
  readonly today: string;
  readonly notes: Readonly<Record<PlaceKey, PlaceNote>>;
  readonly next: readonly NextItem[];
  /** The last thing this person did, and why it is not taken back where it is not. */
  readonly last: { readonly entryId: number; readonly words: string; readonly whyNot: string | null } | null;
  /** What this person took back just now, to be done again as it was tapped. */
  readonly redo: { readonly name: ActionName; readonly input: unknown; readonly words: string } | null;
  /** Minutes the shop's clock was set back by; 0 when it is right. */
  readonly clockBehindMin: number;
  /** Whom to call when somebody is hurt, said whole. */
  readonly emergency: string;
  /** Names of actions whose taps may wait on this tablet. */
  readonly waiting: readonly string[];
  /** The shop's own species, which this tablet's forecasts and notes know as well. */
  readonly ownSpecies: readonly Species[];
  readonly signOut: () => Promise<void>;
  readonly children: ReactNode;
}

/** Taps the main action of the card in hand. */
const logStep = () => document.querySelector<HTMLButtonElement>('[data-step-in-hand]')?.click();

type Shortcuts = ComponentProps<typeof QuickLine>['shortcuts'];

/** The keys that hold everywhere: places by their number, and what is done from wherever one is. */
function useShellKeys(shortcuts: Shortcuts, openQuickLine: () => void): void {
  const router = useRouter();
  useKeys({
    ...Object.fromEntries(PLACES.map((place, i) => [String(i + 1), () => router.push(place.path)])),
    n: shortcuts.next,
    '/': openQuickLine,
    '.': shortcuts.log,
    Enter: shortcuts.log,
    z: shortcuts['take back'],
    // As keyboards have it: with shift on most of them, by itself on some.
    'shift+?': shortcuts.keys,
    '?': shortcuts.keys,
  });
}

/** What lies over a place when it is asked for, each fetched as it is first opened. */
function Overlays({
  quickLine,
  keyHelp,
  question,
  onAnswer,
}: {
  quickLine: ComponentProps<typeof QuickLine>;
  keyHelp: ComponentProps<typeof KeyHelp>;
  question: ComponentProps<typeof QuestionDialog>['question'];
  onAnswer: ComponentProps<typeof QuestionDialog>['onAnswer'];
}) {
  const hasQuickLine = useOnceOpened(quickLine.opened);
  const hasKeyHelp = useOnceOpened(keyHelp.opened);
  const hasQuestion = useOnceOpened(question !== null);
  return (
    <>
      {hasQuickLine && <QuickLine {...quickLine} />}
      {hasKeyHelp && <KeyHelp {...keyHelp} />}
      {hasQuestion && <QuestionDialog question={question} onAnswer={onAnswer} />}
    </>
  );
}

function Inside({
  shopName,
  person,
  language,
  languages,
  units,
  timeZone,
  notes,
  next,
  last,
  redo,
  clockBehindMin,
  signOut,
  serverNow,
  children,
}: Omit<FrameProps, 'today' | 'ownSpecies' | 'waiting' | 'locale' | 'emergency'>) {
  const { question, ask, answer } = useQuestion();
  const [isQuiet, setQuiet] = useLocalStorage<boolean>({ key: 'hush-pail-no-rings', defaultValue: false });
  const [isNextOpen, setNextOpen] = useState(false);
  const [isKeyHelpOpen, setKeyHelpOpen] = useState(false);
  const [isQuickLineOpen, setQuickLineOpen] = useState(false);
  const { takeBack, justDone } = useTakeBack(last, redo, ask);
  useFetchedAtRest(FETCHED_AT_REST);
  useLive(serverNow);
  useStoreSweep();
  const shortcuts = {
    'take back': () => void takeBack(),
    next: () => {
      setNextOpen(true);
      document.getElementById('next')?.focus();
    },
    keys: () => setKeyHelpOpen(true),
    log: logStep,
  };
  useShellKeys(shortcuts, () => {
    typeAhead();
    setQuickLineOpen(true);
  });
  return (
    <>
      <a href="#place" className={css.skip}>
        Past the places
      </a>
      <KeptTapsBar />
      {clockBehindMin > 0 && <ClockBehind minutes={clockBehindMin} />}
      <Alarm items={next} isQuiet={isQuiet} />
      <Band notes={notes} shopName={shopName} onQuickLine={() => setQuickLineOpen(true)}>
        <Person
          name={person.name}
          timeZone={timeZone}
          language={language}
          languages={languages}
          units={units}
          isQuiet={isQuiet}
          onQuiet={setQuiet}
          onKeys={() => setKeyHelpOpen(true)}
          signOut={signOut}
        />
      </Band>
      <div className={css.page} data-next={next.length === 0 ? 'nothing' : isNextOpen ? 'open' : 'shut'}>
        <main id="place" tabIndex={-1}>
          <Scanner />
          {children}
        </main>
        <NextList items={next} open={isNextOpen} onOpen={setNextOpen} />
      </div>
      {justDone && <JustDoneStrip justDone={justDone} />}
      <Overlays
        quickLine={{ opened: isQuickLineOpen, onClose: () => setQuickLineOpen(false), shortcuts, ask }}
        keyHelp={{ opened: isKeyHelpOpen, onClose: () => setKeyHelpOpen(false) }}
        question={question}
        onAnswer={answer}
      />
    </>
  );
}

/** What stands around every place: the band, Next, the keys, the taps that wait. */
export function Frame({ serverNow, today, ownSpecies, waiting, locale, emergency, ...props }: FrameProps) {
  return (
    <ShopClock serverNow={serverNow} today={today}>
      <ActionProvider personId={props.person.id} waiting={waiting}>
        <OwnSpeciesProvider own={ownSpecies}>
          <ReaderProvider units={props.units} locale={locale}>
            <EmergencyProvider says={emergency}>
              <LanguagesProvider languages={props.languages}>
                <Inside {...props} serverNow={serverNow} />
              </LanguagesProvider>
            </EmergencyProvider>
          </ReaderProvider>
        </OwnSpeciesProvider>
      </ActionProvider>
    </ShopClock>
  );
}
