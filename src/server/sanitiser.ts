import 'server-only';
import { USUAL_SANITISER, type Sanitiser } from '@/core/sanitising/sanitiser';
import type { Trx } from '@/data/connection';
import { maybeSanitiser } from '@/data/sanitising';

/** What the shop sanitises with; the usual, until it says. */
export const sanitiserOf = async (trx: Trx): Promise<Sanitiser> =>
  (await maybeSanitiser(trx)) ?? USUAL_SANITISER;
