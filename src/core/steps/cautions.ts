import type { Species } from '../species/species';

const SAP_RASH = 'Gloves: the sap can raise a rash. Wash hands, keep it from the eyes.';

/** The line to show before a hand touches the species' sap or stem; null when none is known. */
export function skinCaution(species: Species): string | null {
  switch (species.skin) {
    case 'rash':
      return SAP_RASH;
    case 'mouth and skin burn':
      return 'Gloves: the sap burns skin and mouth. In the eye: rinse 15 minutes, see a doctor.';
    case 'latex, eyes':
      return 'Gloves: milky sap. In the eye: rinse 15 minutes and see a doctor.';
    case 'thorns':
      return 'Thorns: thick gloves for the bunch.';
    case 'prickles':
      return 'Prickles: gloves for the bunch.';
    default:
      return null;
  }
}

export const HOT_WATER_CAUTION =
  'Scalds. Thick plastic or enamel pail, never glass. Thermometer, not the hand. Not for trainees alone.';
export const KNIFE_CAUTION = 'Knife for the trained, sharp snips for everyone else.';
export const SECATEURS_CAUTION = 'Secateurs: fingers clear, close the catch when you put them down.';

/** What stands behind a caution, on request; it gives way to labels, local rules and qualified people. */
export const MORE_CAUTION = {
  heat: 'Scald: a thick polypropylene or enamel pail, never glass, PET or thin metal. The thermometer says how hot, never the hand. It is not carried across a wet floor. Not for trainees alone. A burn: cool it under running water for 20 minutes and see a first-aider. Your shop’s own rule comes first.',
  blade:
    'Cut away from you, or draw the stem off a still blade. A guard or a fabric plaster on the thumb. New hands use snips until they were shown. A dropped knife: step back and let it fall. Wounds go to a first-aider. Your shop’s own rule comes first.',
  sap: 'Gloves, wash hands afterwards, not near the eyes. Splash in the eye: rinse 15 minutes and seek medical help. Imported stems may carry pesticide residue: wash before eating. Product labels, local rules and qualified people come first.',
} as const;
