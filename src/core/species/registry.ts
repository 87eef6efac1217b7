import { BrokenContractError } from '../errors';
import { SPECIES, type Species } from './species';

/**
 * The species a computation may speak of: the table's, and one shop's own. It is handed to whatever
 * asks, so that no shop's own are known anywhere but in its own work.
 */
export interface SpeciesRegistry {
  /** The table's in its order, then the shop's own. */
  readonly all: readonly Species[];
  readonly own: readonly Species[];
  /** The species of that key, or undefined. */
  readonly find: (key: string) => Species | undefined;
  /**
   * The species of that key.
   * @throws BrokenContractError naming `field` when there is none
   */
  readonly byKey: (key: string, field?: string) => Species;
}

/** What the key of a shop's own species begins with: it can never be one of the table's. */
export const OWN_KEY = /^own-[0-9a-z]{4,16}-[a-z0-9-]{2,40}$/;

/** The mark a shop's own species bear in their keys, from its id. */
export const ownMark = (shopId: string): string => shopId.replaceAll('-', '').slice(-8);

/** Whether a key is of some shop's own species, and not of the table's. */
export const isOwnKey = (key: string): boolean => OWN_KEY.test(key);

/** Whether a key is of an own species of the shop that bears the mark. */
export const isKeyOf = (key: string, mark: string): boolean =>
  isOwnKey(key) && /^own-([0-9a-z]+)-/.exec(key)?.[1] === mark;

const SHIPPED = new Map<string, Species>(SPECIES.map((s) => [s.key, s]));

function registryOf(own: readonly Species[]): SpeciesRegistry {
  const mine = new Map(own.map((s) => [s.key, s]));
  const find = (key: string): Species | undefined => SHIPPED.get(key) ?? mine.get(key);
  return {
    all: own.length === 0 ? SPECIES : [...SPECIES, ...mine.values()],
    own: [...mine.values()],
    find,
    byKey: (key, field = 'species') => {
      const found = find(key);
      if (!found) throw new BrokenContractError([{ field, message: `no species is called "${key}"` }]);
      return found;
    },
  };
}

/** The table's alone: what the product ships with. */
export const SHIPPED_SPECIES: SpeciesRegistry = registryOf([]);

/**
 * The table with a shop's own beside it, the last of a key in force. A key that is not an own one is
 * left out: nobody's own stands in the place of one of the table's.
 */
export function registryWith(own: readonly Species[]): SpeciesRegistry {
  const known = own.filter((s) => isOwnKey(s.key));
  return known.length === 0 ? SHIPPED_SPECIES : registryOf(known);
}
