import type { Species } from '../species/species';
import { CATALOGUES, type Language } from './catalogues';

/** What the trade calls a species in the reader's language; a shop's own is called what the shop calls it. */
export function speciesName({ key, name }: Pick<Species, 'key' | 'name'>, language: Language): string {
  const names: Readonly<Record<string, string>> = CATALOGUES[language];
  const told = `species.${key}`;
  return (Object.hasOwn(names, told) ? names[told] : undefined) ?? name;
}
