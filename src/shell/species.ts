'use client';
import { registryWith, type SpeciesRegistry } from '@/core/species/registry';
import type { Species } from '@/core/species/species';
import { useOwnSpecies } from './own-species';

const known = new WeakMap<readonly Species[], SpeciesRegistry>();

/**
 * Which species there are: the table's, and those of the shop that is looked at. The table is a good part of a
 * page's script: whoever needs the shop's own alone asks useOwnSpecies.
 */
export function useSpecies(): SpeciesRegistry {
  const own = useOwnSpecies();
  const found = known.get(own) ?? registryWith(own);
  known.set(own, found);
  return found;
}
