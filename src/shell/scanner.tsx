'use client';
import { useDisclosure } from '@mantine/hooks';
import dynamic from 'next/dynamic';
import { usePathname, useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { CODE_PREFIX } from '@/core/labels/codes';
import { onCameraAsked } from './camera/ask-for-camera';
import { Feedback } from './feedback';
import { useOnceOpened } from './late';

const CameraScan = dynamic(() => import('./camera/camera-scan').then((m) => m.CameraScan), { ssr: false });

/** What a code scanner is to the application: something that types what it reads, and then Enter. */
interface CodeScanner {
  read(code: string): void;
}

/** The stand-in for a scanner: the same keys a real one sends, as fast. */
export const madeUpScanner: CodeScanner = {
  read(code) {
    for (const key of [...code.split(''), 'Enter'])
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
  },
};

/** A hand is slower than this between two keys, a scanner never. */
const BETWEEN_KEYS_MS = 120;
const LONGEST_CODE = 24;

/** A key typed into a field, or held with another, is none of a scanner's. */
const isOtherwiseMeant = ({ target, ctrlKey, metaKey, key }: KeyboardEvent): boolean =>
  ctrlKey ||
  metaKey ||
  key === 'Shift' ||
  (target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

/** Catches a scanned code before any shortcut sees it: from its prefix to Enter, typed at a scanner's speed. */
function useScannedCode(onCode: (code: string) => void): void {
  const latest = useRef(onCode);
  useEffect(() => {
    latest.current = onCode;
  });
  useEffect(() => {
    let text = '';
    let lastAt = 0;
    const listen = (event: KeyboardEvent) => {
      const isFresh = event.timeStamp - lastAt < BETWEEN_KEYS_MS;
      if (text !== '' && !isFresh) text = '';
      if (text === '' && event.key !== CODE_PREFIX) return;
      if (isOtherwiseMeant(event)) return;
      event.preventDefault();
      event.stopImmediatePropagation();
      lastAt = event.timeStamp;
      if (event.key === 'Enter') {
        const code = text;
        text = '';
        latest.current(code);
      } else if (event.key.length === 1 && text.length < LONGEST_CODE) text += event.key;
    };
    addEventListener('keydown', listen, { capture: true });
    return () => removeEventListener('keydown', listen, { capture: true });
  }, []);
}

interface Found {
  readonly href: string | null;
  readonly words: string;
}

/** Opens what a code names. @returns what came of the last one, and the opening, which tells whether it led anywhere */
function useOpenCode(): readonly [string, (code: string) => Promise<boolean>] {
  const router = useRouter();
  const path = usePathname();
  const [feedback, setFeedback] = useState('');
  const open = async (code: string): Promise<boolean> => {
    const at = path.startsWith('/bench') ? 'bench' : 'dock';
    try {
      const response = await fetch(`/scan?code=${encodeURIComponent(code)}&at=${at}`);
      const { href, words } = (await response.json()) as Found;
      setFeedback(href ? `Scanned: ${words}` : words);
      if (href) router.push(href);
      return href !== null;
    } catch {
      setFeedback('The shop’s memory is not answering. Scan it again in a moment.');
      return false;
    }
  };
  return [feedback, open];
}

/** Listens for scanned codes on every place, and reads them by the camera where one is asked for; says what was read. */
export function Scanner() {
  const [feedback, open] = useOpenCode();
  const [isCameraOpen, camera] = useDisclosure(false);
  const hasCamera = useOnceOpened(isCameraOpen);
  useScannedCode((code) => void open(code));
  useEffect(() => onCameraAsked(camera.open), [camera.open]);
  const byCamera = async (code: string) => {
    if (await open(code)) camera.close();
  };
  return (
    <>
      {!isCameraOpen && <Feedback>{feedback}</Feedback>}
      {hasCamera && (
        <CameraScan
          opened={isCameraOpen}
          onClose={camera.close}
          onCode={(code) => void byCamera(code)}
          feedback={feedback}
        />
      )}
    </>
  );
}
