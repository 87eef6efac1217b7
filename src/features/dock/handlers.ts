import 'server-only';
import { dockBookingHandlers } from './booking-handlers';
import { dockCorrectHandlers } from './correct-handlers';
import { dockClaimHandlers } from './claim-handlers';
import { dockEvidenceHandlers } from './evidence-handlers';
import { dockLotHandlers } from './lot-handlers';

/** How what is done at the dock is done. */
export const dockHandlers = {
  ...dockLotHandlers,
  ...dockClaimHandlers,
  ...dockEvidenceHandlers,
  ...dockBookingHandlers,
  ...dockCorrectHandlers,
};
