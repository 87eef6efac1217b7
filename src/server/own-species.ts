import 'server-only';
import * as v from 'valibot';
import { ownSpeciesSchema } from '@/core/door/species-schema';
import { protocolEditsSchema } from '@/core/protocol/edits';
import type { Species } from '@/core/species/species';
import type { Trx } from '@/data/connection';
import { manyOwnSpecies, type OwnSpecies } from '@/data/house';
import { log } from './log';
import { once, type From } from './once';

/** One as a version before this stored it is read with what has come since; what cannot be read is left out, and said. */
function readOwn(stored: OwnSpecies): OwnSpecies[] {
  const species = v.safeParse(v.nullable(ownSpeciesSchema), stored.species);
  const edits = v.safeParse(protocolEditsSchema, stored.edits);
  if (species.success && edits.success) return [{ ...stored, species: species.output, edits: edits.output }];
  const [why] = [...(species.issues ?? []), ...(edits.issues ?? [])].map((issue) => issue.message);
  log.error({ species: stored.speciesKey, why }, 'a species or protocol of a shop’s own cannot be read');
  return [];
}

const readAll = async (trx: Trx): Promise<OwnSpecies[]> => (await manyOwnSpecies(trx)).flatMap(readOwn);

/** The shop's own species and protocols in force, read once a request. */
export const ownSpeciesInForce = (from: From): Promise<OwnSpecies[]> => once(from, readAll);

/** The shop's own species alone, whole. */
export const speciesOfOwn = async (from: From): Promise<Species[]> =>
  (await ownSpeciesInForce(from)).flatMap((o) => o.species ?? []);
