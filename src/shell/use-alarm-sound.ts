'use client';
import { useEffect, useRef } from 'react';

const AGAIN_MS = 15_000;
const TIMES = 4;

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

/** Waking a machine's sound takes up to a twentieth of a second: not while what was tapped is done. */
const AFTER_TAP_MS = 400;

/** A browser lets a page sound only after it was touched. */
function useAudio(mayRing: boolean): React.RefObject<AudioContext | null> {
  const audio = useRef<AudioContext | null>(null);
  useEffect(() => {
    if (!mayRing) return;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const wake = () => {
      timer ??= setTimeout(() => {
        audio.current ??= new AudioContext();
        void audio.current.resume();
      }, AFTER_TAP_MS);
    };
    addEventListener('pointerdown', wake, { once: true });
    addEventListener('keydown', wake, { once: true });
    return () => {
      removeEventListener('pointerdown', wake);
      removeEventListener('keydown', wake);
      clearTimeout(timer);
    };
  }, [mayRing]);
  useEffect(
    () => () => {
      void audio.current?.close();
      audio.current = null;
    },
    [],
  );
  return audio;
}

/**
 * Rings a few times for what ended, and anew when something else does; '' is silence.
 * @param mayRing whether a clock runs that may come to its end while the page stands
 */
export function useAlarmSound(ringing: string, mayRing: boolean): void {
  const audio = useAudio(mayRing);
  useEffect(() => {
    if (ringing === '') return;
    let left = TIMES;
    const sound = () => {
      if (left-- > 0 && audio.current) ring(audio.current);
    };
    sound();
    const timer = setInterval(sound, AGAIN_MS);
    return () => clearInterval(timer);
  }, [ringing, audio]);
}
