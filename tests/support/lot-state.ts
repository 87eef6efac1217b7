import type { LotState } from '@/core/protocol/types';
import { idealArrivalStage, type Species } from '@/core/species/species';

/** A lot that came as it should, as a protocol is composed from it. */
export const soundLot = (species: Species, over: Partial<LotState> = {}): LotState => ({
  species,
  stage: idealArrivalStage(species),
  droop: 'firm',
  packing: 'dry box',
  hoursDry: 0,
  ...over,
});
