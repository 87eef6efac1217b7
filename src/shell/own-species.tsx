'use client';
import { createContext, useContext, type ReactNode } from 'react';
import type { Species } from '@/core/species/species';

const Own = createContext<readonly Species[]>([]);

/** Tells a page's own parts which species of its own the shop has that is looked at. */
export function OwnSpeciesProvider({ own, children }: { own: readonly Species[]; children: ReactNode }) {
  return <Own.Provider value={own}>{children}</Own.Provider>;
}

export const useOwnSpecies = (): readonly Species[] => useContext(Own);
