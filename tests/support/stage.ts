import type { Role } from '@/core/actions/contract';
import { registryWith, SHIPPED_SPECIES, type SpeciesRegistry } from '@/core/species/registry';
import type { Trx } from '@/data/connection';
import { manyOwnSpecies } from '@/data/house';
import type { TestShop } from './database';

// What seals what is handed out to come back; the start command makes a shop's own.
process.env.HUSH_PAIL_SESSION_SECRET ??= 'a seal for tests alone, of forty letters';

/** Who is signed in where, and what time it is, for tests that act as a tablet does. */
interface Stage {
  shop: TestShop | null;
  me: {
    personId: string;
    name: string;
    role: Role;
    language: 'en' | 'es';
    species: SpeciesRegistry;
  };
  at: Date;
  zone: string;
}
export const stage: Stage = {
  shop: null,
  me: { personId: '', name: '', role: 'hand', language: 'en', species: SHIPPED_SPECIES },
  at: new Date('2026-11-24T06:55:00Z'),
  zone: 'Etc/UTC',
};

/** Stands in for the sealed session: whoever the stage says is signed in. */
export const stagedSession = {
  maybeInMyShop: (work: (trx: Trx, me: unknown) => Promise<unknown>) => {
    const { shop, me } = stage;
    if (!shop) throw new Error('nobody has set the stage');
    return shop.inside(async (trx) => {
      const own = (await manyOwnSpecies(trx)).flatMap((o) => o.species ?? []);
      return work(trx, {
        ...me,
        species: registryWith(own),
        shop: {
          id: shop.shopId,
          name: 'The Slow Tide',
          timeZone: stage.zone,
          demo: true,
          promiseConfidence: 0.9,
        },
      });
    });
  },
};
