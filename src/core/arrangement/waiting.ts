import type { Stay } from '../vase-life/types';
import type { PlaceAir } from '../vase-life/lot-history';
import type { ArrangementInput } from './types';

/** A while an arrangement waited in the shop. */
export interface Waited {
  readonly hours: number;
  readonly air: PlaceAir;
}

/**
 * The forecast of an arrangement that has waited: its hours in the shop as they were, in the water
 * it was made with, then what its own input says of home. Days are counted from now.
 */
export function waitingInput(input: ArrangementInput, waited: readonly Waited[]): ArrangementInput {
  const stays: Stay[] = waited
    .map(({ hours, air }) => ({ hours: Math.floor(hours), ...air, wet: true }))
    .filter((s) => s.hours > 0);
  const hours = stays.reduce((n, s) => n + (s.hours ?? 0), 0);
  if (hours === 0) return input;
  return { ...input, stays: [...stays, ...input.stays], countFromHour: (input.countFromHour ?? 0) + hours };
}
