'use client';
import { usePathname, useRouter } from 'next/navigation';
import { useEffect, useRef } from 'react';
import { isOwnTap } from './own-taps';
import type { Told } from './live-told';

/** Several things done together are looked at together; tablets do not all ask in the same instant. */
const TOGETHER_MS = 250;
const APART_MS = 500;
/** Where the shop's memory does not answer, it is asked again so soon. */
const AGAIN_MS = 1500;
/** While nothing is heard a page is looked at anew so often; while something is, hardly ever. */
const DEAF_MS = 45_000;
const HEARING_MS = 5 * 60_000;

/** Whether the shop's memory answers: a page that is asked for anew while it does not gives way to one that says so. */
const isAnswering = (): Promise<boolean> =>
  fetch('/health?memory', { cache: 'no-store' }).then(
    (answer) => answer.ok,
    () => false,
  );

/**
 * Looks at the page anew when something is done that it shows, by whatever tablet.
 * @param readMs the shop's time at which the page was read: what was done since, and before it listens, it is told of
 */
export function useLive(readMs: number): void {
  const router = useRouter();
  const place = usePathname().split('/')[1] ?? '';
  const here = useRef(place);
  const firstRead = useRef(readMs);
  useEffect(() => {
    here.current = place;
  }, [place]);
  useEffect(() => {
    let source: EventSource | null = null;
    let soon: ReturnType<typeof setTimeout> | null = null;
    let wasOpen = false;
    let lookedAt = Date.now();
    const look = async (): Promise<void> => {
      soon = null;
      lookedAt = Date.now();
      if (document.visibilityState !== 'visible') return;
      if (await isAnswering()) router.refresh();
      // What stands on the page is better than none: it is looked at anew once there is something to look at.
      else soon ??= setTimeout(() => void look(), AGAIN_MS);
    };
    const lookSoon = (): void => {
      soon ??= setTimeout(() => void look(), TOGETHER_MS + Math.random() * APART_MS);
    };
    const hear = (event: MessageEvent<string>): void => {
      const told = JSON.parse(event.data) as Told;
      if (!isOwnTap(told.key) && (told.place === null || told.place === here.current)) lookSoon();
    };
    const listen = (): void => {
      if (document.visibilityState !== 'visible') {
        source?.close();
        source = null;
        return;
      }
      if (source && source.readyState !== EventSource.CLOSED) return;
      source = new EventSource(`/live?since=${firstRead.current}`);
      source.onmessage = hear;
      source.onopen = () => {
        // What was done while it did not listen, it has not heard.
        if (wasOpen) lookSoon();
        wasOpen = true;
      };
    };
    const slowly = setInterval(() => {
      const isHearing = source?.readyState === EventSource.OPEN;
      if (Date.now() - lookedAt > (isHearing ? HEARING_MS : DEAF_MS)) void look();
      if (!isHearing) listen();
    }, 15_000);
    listen();
    document.addEventListener('visibilitychange', listen);
    return () => {
      document.removeEventListener('visibilitychange', listen);
      clearInterval(slowly);
      if (soon) clearTimeout(soon);
      source?.close();
    };
  }, [router]);
}
