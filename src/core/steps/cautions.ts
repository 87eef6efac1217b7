import type { Species } from '../species/species';
import { m, type Message } from '../words/message';

const SAP_RASH = m('caution.gloves-the-sap-can-raise-a-rash');

/** The line to show before a hand touches the species' sap or stem; null when none is known. */
export function skinCaution(species: Species): Message | null {
  switch (species.skin) {
    case 'rash':
      return SAP_RASH;
    case 'mouth and skin burn':
      return m('caution.gloves-the-sap-burns-skin-and-mouth');
    case 'latex, eyes':
      return m('caution.gloves-milky-sap-in-the-eye-rinse');
    case 'thorns':
      return m('caution.thorns-thick-gloves-for-the-bunch');
    case 'prickles':
      return m('caution.prickles-gloves-for-the-bunch');
    default:
      return null;
  }
}

export const HOT_WATER_CAUTION = m('caution.scalds-thick-plastic-or-enamel-pail-never');
export const KNIFE_CAUTION = m('caution.knife-for-the-trained-sharp-snips-for');
export const SECATEURS_CAUTION = m('caution.secateurs-fingers-clear-close-the-catch-when');

/** What stands behind a caution, on request; it gives way to labels, local rules and qualified people. */
export const MORE_CAUTION = {
  heat: m('caution.scald-a-thick-polypropylene-or-enamel-pail'),
  blade: m('caution.cut-away-from-you-or-draw-the'),
  sap: m('caution.gloves-wash-hands-afterwards-not-near-the'),
} as const;
