import type { SpeciesRegistry } from '../species/registry';
import type { Species } from '../species/species';
import { CATALOGUES, languageOf, type LanguageTag } from './catalogues';

/** What the trade calls a species in the reader's language; a shop's own is called what the shop calls it. */
export function speciesName({ key, name }: Pick<Species, 'key' | 'name'>, tag: LanguageTag): string {
  const names: Readonly<Record<string, string>> = CATALOGUES[languageOf(tag)];
  const told = `species.${key}`;
  return (Object.hasOwn(names, told) ? names[told] : undefined) ?? name;
}

/** The same by its key; one that the shop no longer has is called by its key. */
export function speciesCalled(registry: SpeciesRegistry, key: string, tag: LanguageTag): string {
  const species = registry.find(key);
  return species ? speciesName(species, tag) : key;
}
