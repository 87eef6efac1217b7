'use client';
import { createContext, useContext, useEffect, useState, type ReactNode } from 'react';

const Offset = createContext(0);

/** Hands the shop's clock to the screen: the server's time, however this tablet's own is set. */
export function ShopClock({ serverNow, children }: { serverNow: number; children: ReactNode }) {
  const [offset, setOffset] = useState(0);
  useEffect(() => setOffset(serverNow - Date.now()), [serverNow]);
  return <Offset.Provider value={offset}>{children}</Offset.Provider>;
}

/** The shop's time in milliseconds, renewed every second; null until the screen is alive. */
export function useShopNow(): number | null {
  const offset = useContext(Offset);
  const [now, setNow] = useState<number | null>(null);
  useEffect(() => {
    const tick = () => setNow(Date.now() + offset);
    tick();
    const timer = setInterval(tick, 1000);
    return () => clearInterval(timer);
  }, [offset]);
  return now;
}

/** What a running clock shows: 3 h 10, 12:40, or how late it is. */
export function clockWords(dueAt: number, now: number): { words: string; late: boolean } {
  const seconds = Math.ceil((dueAt - now) / 1000);
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
