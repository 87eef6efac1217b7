'use client';
import { useSyncExternalStore } from 'react';

const never = (): (() => void) => () => undefined;

/** False on the server and while the page takes over what the server drew; then what only a tablet knows may show. */
export const useHydrated = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
