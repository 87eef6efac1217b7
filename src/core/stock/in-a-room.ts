import { daysUsedPerDay } from '../dock/temperatures';
import type { Species } from '../species/species';

/** What the air of a room does to what stands in it. */
export interface InARoom {
  /** Days of life at 20 °C that a stem spends in a day there. */
  readonly daysADay: number;
  /** Colder than it bears: it is harmed, however slowly it ages. */
  readonly isTooCold: boolean;
}

/** @param tempC of the room's air, as it was set or read */
export function inARoom(species: Pick<Species, 'q10' | 'chillBelowC'>, tempC: number): InARoom {
  return {
    daysADay: daysUsedPerDay(species, tempC),
    isTooCold: species.chillBelowC !== null && tempC < species.chillBelowC,
  };
}
