import type { Role } from '../species/species';

/** Weight of one stem in the whole, by its part in it. */
export const ROLE_WEIGHT: Readonly<Record<Role, number>> = { focal: 3, line: 2, filler: 1, foliage: 0.5 };
