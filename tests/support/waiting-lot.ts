import type { KnownLot, WaitingLot } from '@/core/bench/types';
import { SHIPPED_SPECIES } from '@/core/species/registry';

/** A sound lot that waits at the bench, as a test wants it. */
export const waitingLot = (
  id: string,
  species: string,
  stems: number,
  over: Partial<WaitingLot> = {},
): WaitingLot => ({
  id,
  species,
  stems,
  unitPrice: 0.5,
  stage: 0.2,
  droop: 'firm',
  packing: 'dry box',
  agedDays: 1,
  flaws: [],
  ...over,
});

/** The same with what is known of its species, as the planner's parts take it. */
export const knownLot = (...of: Parameters<typeof waitingLot>): KnownLot => ({
  ...waitingLot(...of),
  species: SHIPPED_SPECIES.byKey(of[1]),
});
