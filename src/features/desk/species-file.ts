import 'server-only';
import { SPECIES_FILE_FORMAT, type SpeciesFile } from '@/core/door/species-schema';
import { editsFor, houseOf, type House } from '@/server/house';
import { once } from '@/server/once';
import { inMyShop } from '@/server/session';

/** What a shop has made of a species, in the shape it is saved and read in. */
export function fileOf(house: House, key: string): SpeciesFile {
  const species = house.own.find((o) => o.speciesKey === key)?.species ?? null;
  return {
    format: SPECIES_FILE_FORMAT,
    version: 1,
    speciesKey: key,
    species,
    edits: [...editsFor(house, key)],
  };
}

/** A species' own protocol, and its figures where it is the shop's own, as a file; null for a species this shop has not. */
export async function speciesFile(key: string): Promise<SpeciesFile | null> {
  return inMyShop(async (from, me) => (me.species.find(key) ? fileOf(await once(from, houseOf), key) : null));
}
