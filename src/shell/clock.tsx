'use client';
import { createContext, useCallback, useContext, useEffect, useRef, useState, type ReactNode } from 'react';

type ShopTime = () => number;
const Time = createContext<ShopTime>(() => Date.now());
const Today = createContext('');

/** A shop's clock that jumped by so much was set anew; by less, an answer was only slow. */
const SET_ANEW_MS = 60_000;

/**
 * Hands the shop's clock to the screen: the server's time, however this tablet's own is set. An
 * answer takes its while to come, so what it says is always a little late: the least late of all
 * is nearest to the truth.
 */
export function ShopClock({
  serverNow,
  today,
  children,
}: {
  serverNow: number;
  /** The shop's day, ISO, when the page was made. */
  today: string;
  children: ReactNode;
}) {
  // From the first drawing on: a clock that is right a second later starts a dip at the wrong second.
  const [first] = useState(() => serverNow - Date.now());
  const offset = useRef(first);
  const now = useCallback<ShopTime>(() => Date.now() + offset.current, []);
  useEffect(() => {
    const told = serverNow - Date.now();
    const before = offset.current;
    if (told > before || before - told > SET_ANEW_MS) offset.current = told;
  }, [serverNow]);
  return (
    <Time.Provider value={now}>
      <Today.Provider value={today}>{children}</Today.Provider>
    </Time.Provider>
  );
}

/** The shop's clock, to be asked when something happens. */
export const useShopClock = (): ShopTime => useContext(Time);

/** The shop's day, ISO date. */
export const useToday = (): string => useContext(Today);

/** The shop's time in milliseconds, renewed every second; null until the screen is alive. */
export function useShopNow(): number | null {
  const time = useShopClock();
  const [now, setNow] = useState<number | null>(null);
  useEffect(() => {
    const tick = () => setNow(time());
    tick();
    const timer = setInterval(tick, 1000);
    return () => clearInterval(timer);
  }, [time]);
  return now;
}

/**
 * What a running clock shows: 3 h 10, 12:40, or how late it is.
 * @param startedAt when it began: a clock never shows more than it was set to
 */
export function clockWords(
  dueAt: number,
  now: number,
  startedAt: number | null = null,
): { words: string; late: boolean } {
  const left = startedAt === null ? dueAt - now : Math.min(dueAt - now, dueAt - startedAt);
  const seconds = Math.ceil(left / 1000);
  if (seconds <= 0) {
    const minutes = Math.floor(-seconds / 60);
    return {
      words:
        minutes < 1 ? 'now' : minutes < 90 ? `${minutes} min over` : `${Math.floor(minutes / 60)} h over`,
      late: true,
    };
  }
  if (seconds >= 3600)
    return {
      words: `${Math.floor(seconds / 3600)} h ${String(Math.floor((seconds % 3600) / 60)).padStart(2, '0')}`,
      late: false,
    };
  return { words: `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`, late: false };
}
