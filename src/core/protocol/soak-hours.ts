import type { Species } from '../species/species';
import { SOAK_H } from './ordinary';
import { schoolFor } from './schools';
import type { Ways } from './ways';

/** Hours that what bleeds mucilage soaks alone in this house, after every cut. */
export const soakHours = ({ key }: Species, { schools }: Pick<Ways, 'schools'>): number =>
  schoolFor(schools, 'sap-soak', key) === 'overnight' ? SOAK_H.night : SOAK_H.usual;
