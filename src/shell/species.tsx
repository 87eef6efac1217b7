'use client';
import { createContext, useContext, useMemo, type ReactNode } from 'react';
import { registryWith, SHIPPED_SPECIES, type SpeciesRegistry } from '@/core/species/registry';
import type { Species } from '@/core/species/species';

const Known = createContext<SpeciesRegistry>(SHIPPED_SPECIES);

/** Tells a page's own parts which species there are: the table's, and those of the shop that is looked at. */
export function SpeciesProvider({ own, children }: { own: readonly Species[]; children: ReactNode }) {
  const known = useMemo(() => registryWith(own), [own]);
  return <Known.Provider value={known}>{children}</Known.Provider>;
}

export const useSpecies = (): SpeciesRegistry => useContext(Known);
