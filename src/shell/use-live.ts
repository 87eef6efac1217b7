'use client';
import { usePathname, useRouter } from 'next/navigation';
import { useEffect, useRef, type RefObject } from 'react';
import { isOwnTap } from './own-taps';
import type { Told } from './live-told';

/** Several things done together are looked at together; tablets do not all ask in the same instant. */
const TOGETHER_MS = 250;
const APART_MS = 500;
/** While nothing is heard a page is looked at anew so often; while something is, hardly ever. */
const DEAF_MS = 45_000;
const HEARING_MS = 5 * 60_000;

/** Has this page refresh patiently; whether one of its refreshes waits for the shop. Wanted a while after the page, fetched then. */
function usePatientRefresh(): RefObject<() => boolean> {
  const waits = useRef((): boolean => false);
  useEffect(() => {
    let stop: (() => void) | null = null;
    let isGone = false;
    import('./patient-refresh').then(
      ({ refreshPatiently, waitsForShop }) => {
        if (isGone) return;
        stop = refreshPatiently();
        waits.current = waitsForShop;
      },
      () => undefined,
    );
    return () => {
      isGone = true;
      stop?.();
    };
  }, []);
  return waits;
}

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
  const waitsForShop = usePatientRefresh();
  useEffect(() => {
    let source: EventSource | null = null;
    let soon: ReturnType<typeof setTimeout> | null = null;
    let wasOpen = false;
    let lookedAt = Date.now();
    const look = (): void => {
      soon = null;
      lookedAt = Date.now();
      // One that waits for the shop to answer is enough.
      if (document.visibilityState === 'visible' && !waitsForShop.current()) router.refresh();
    };
    const lookSoon = (): void => {
      soon ??= setTimeout(look, TOGETHER_MS + Math.random() * APART_MS);
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
      if (Date.now() - lookedAt > (isHearing ? HEARING_MS : DEAF_MS)) look();
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
  }, [router, waitsForShop]);
}
