import { skinCaution } from '../steps/cautions';
import type { Species } from '../species/species';
import { isTropical } from '../species/traits';
import { m, type Message } from '../words/message';

/** What to know of a lot as it comes in, before a hand is in the box; the label and local rules come first. */
export function arrivalHazards(species: Species, origin: string | null): Message[] {
  const hazards: Message[] = [];
  const skin = skinCaution(species);
  if (skin) hazards.push(skin);
  if (isTropical(species)) hazards.push(m('hazard.tropical', { tempC: species.chillBelowC ?? 0 }));
  if (species.pets === 'deadly to cats') hazards.push(m('hazard.cats'));
  if (origin && /air|sea/.test(origin)) hazards.push(m('hazard.imported'));
  return hazards;
}
