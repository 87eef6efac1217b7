import type { WaitingLot } from '@/core/bench/types';

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
