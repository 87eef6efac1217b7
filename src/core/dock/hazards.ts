import { skinCaution } from '../steps/cautions';
import type { Species } from '../species/species';
import { isTropical } from '../species/traits';

/** What to know of a lot as it comes in, before a hand is in the box; the label and local rules come first. */
export function arrivalHazards(species: Species, origin: string | null): string[] {
  const hazards: string[] = [];
  const skin = skinCaution(species);
  if (skin) hazards.push(skin);
  if (isTropical(species))
    hazards.push(`Tropical: never under ${species.chillBelowC ?? 0} °C, so not into the cold room.`);
  if (species.pets === 'deadly to cats')
    hazards.push('Deadly to cats, pollen too: keep the shop’s cat away.');
  if (origin && /air|sea/.test(origin))
    hazards.push(
      'Imported: gloves, wash before eating. An insect nobody knows: isolate, ask the plant-health authority.',
    );
  return hazards;
}
