import { speciesByKey } from '../species/species';
import { airByHour } from './air';
import { drawStem, stepStem, type Stem } from './stem';
import { stemHours } from './stem-hours';
import type { LotInput } from './types';
import { vesselHours } from './vessel-hours';

const NO_LUCK = { uniform: () => 0.5, normal: () => 0 };

/**
 * A stem with middling luck in everything, stepped that many hours through an input's stays:
 * where a lot stands now, as the start of whatever comes next.
 */
export function middlingStemAfter(input: Omit<LotInput, 'seed' | 'draws'>, hours: number): Stem {
  const species = speciesByKey(input.species);
  const events = input.events ?? [];
  const air = airByHour(input.stays, Math.floor(hours), input.startHourOfDay ?? 8);
  const line = stemHours(species, vesselHours(air, input.water, events), input.leafShare, events);
  const stem = drawStem(species, input.arrival, NO_LUCK, 0, 0);
  line.hours.forEach((hour, at) => {
    if (stem.endHour === null) stepStem(stem, species, hour, at, hour.ethylenePpm, line.chilledAtHour);
  });
  return stem;
}
