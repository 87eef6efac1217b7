'use client';
import { ShopLink as Link } from '@/shell/shop-link';
import { useEffect, useRef, useState } from 'react';
import { useShopNow } from './clock';
import type { NextItem } from './places';
import css from './shell.module.css';

const QUIET = 'hush-pail-quiet';
const SEEN = 'hush-pail-seen-clocks';
const AGAIN_MS = 15_000;
const TIMES = 4;
/** What ended before this tablet looked is in Next, and late there; it does not ring any more. */
const STALE_MS = 30 * 60_000;

function stored(key: string): string {
  try {
    return localStorage.getItem(key) ?? '';
  } catch {
    return '';
  }
}
function store(key: string, value: string): void {
  try {
    localStorage.setItem(key, value);
  } catch {
    // A tablet that stores nothing rings again after a reload: no harm.
  }
}

/** Two soft strokes, like a spoon on a vase: heard over a tap, and no fright. */
function ring(audio: AudioContext): void {
  for (const [at, hz] of [
    [0, 660],
    [0.28, 880],
  ] as const) {
    const [tone, gain] = [audio.createOscillator(), audio.createGain()];
    const from = audio.currentTime + at;
    tone.type = 'sine';
    tone.frequency.value = hz;
    gain.gain.setValueAtTime(0, from);
    gain.gain.linearRampToValueAtTime(0.35, from + 0.02);
    gain.gain.exponentialRampToValueAtTime(0.001, from + 0.9);
    tone.connect(gain).connect(audio.destination);
    tone.start(from);
    tone.stop(from + 1);
  }
}

/** A browser lets a page sound only after it was touched. */
function useAudio(): React.RefObject<AudioContext | null> {
  const audio = useRef<AudioContext | null>(null);
  useEffect(() => {
    const wake = () => {
      audio.current ??= new AudioContext();
      void audio.current.resume();
    };
    addEventListener('pointerdown', wake, { once: true });
    addEventListener('keydown', wake, { once: true });
    return () => {
      removeEventListener('pointerdown', wake);
      removeEventListener('keydown', wake);
      void audio.current?.close();
    };
  }, []);
  return audio;
}

/** A clock that ended: said across the screen and rung, until somebody says they have seen it. */
export function Alarm({ items, isQuiet }: { items: readonly NextItem[]; isQuiet: boolean }) {
  const now = useShopNow();
  const audio = useAudio();
  const [seen, setSeen] = useState<readonly string[]>([]);
  useEffect(() => setSeen(stored(SEEN).split(' ')), []);
  const rung = items.filter((i) => {
    if (now === null || i.dueAt === null || i.startedAt === null) return false;
    return i.dueAt <= now && now - i.dueAt < STALE_MS && !seen.includes(`${i.id}@${i.dueAt}`);
  });
  const ringing = rung.map((i) => `${i.id}@${i.dueAt ?? 0}`).join(' ');
  useEffect(() => {
    if (ringing === '' || isQuiet) return;
    let left = TIMES;
    const sound = () => {
      if (left-- > 0 && audio.current) ring(audio.current);
    };
    sound();
    const timer = setInterval(sound, AGAIN_MS);
    return () => clearInterval(timer);
  }, [ringing, isQuiet, audio]);
  const [first] = rung;
  if (!first) return null;
  const markSeen = () => {
    const next = [...seen, ...ringing.split(' ')].slice(-60);
    setSeen(next);
    store(SEEN, next.join(' '));
  };
  return (
    <div className={css.alarm} role="alert">
      <svg viewBox="0 0 40 40" width={40} aria-hidden="true">
        <path
          d="M8 30 H32 L29 26 V18 a9 9 0 0 0 -18 0 V26Z M17 33 a3 3 0 0 0 6 0"
          fill="none"
          stroke="currentColor"
          strokeWidth={3}
          strokeLinejoin="round"
        />
      </svg>
      <p>
        <strong>{first.title}</strong>: {first.note}
        {rung.length > 1 && `, and ${rung.length - 1} more`}
      </p>
      <Link className="plain" href={first.href} onClick={markSeen}>
        Go to it
      </Link>
      <button type="button" className="plain" onClick={markSeen}>
        Seen
      </button>
    </div>
  );
}

/** Whether this tablet rings; kept on it. */
export function useQuiet(): readonly [boolean, () => void] {
  const [isQuiet, setQuiet] = useState(false);
  useEffect(() => setQuiet(stored(QUIET) === '1'), []);
  return [
    isQuiet,
    () => {
      store(QUIET, isQuiet ? '0' : '1');
      setQuiet(!isQuiet);
    },
  ];
}
