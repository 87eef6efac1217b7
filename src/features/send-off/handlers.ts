import 'server-only';
import type { SendOffActionName } from '@/core/actions/arrangements';
import { cardFor } from '@/core/care/card-for';
import { tagOf } from '@/core/words/catalogues';
import { issueCard, manyArrangementLines, maybeArrangement } from '@/data/arrangements';
import { RefusedError } from '@/data/errors';
import { shopDetails } from '@/data/shops';
import { manyStays } from '@/data/stays';
import { localMoment } from '@/server/clock';
import { preparing, type Handlers } from '@/server/handler';
import { houseOf } from '@/server/house';
import { forecastWaiting } from './waiting-forecast';

/** How a card is issued: by the forecast of what has waited, worked out before anything is locked. */
export const sendOffHandlers: Handlers<SendOffActionName> = {
  'send-off/issue': preparing({
    prepare: async ({ arrangementId }, read) => {
      const found = await read(async ({ trx, at }) => {
        const arrangement = await maybeArrangement(trx, arrangementId);
        return arrangement && { arrangement, stays: await manyStays(trx, [arrangementId]), at };
      });
      return found && forecastWaiting(found.arrangement, found.stays, found.at);
    },
    work: async ({ trx, action, me }, { arrangementId, goesTo, language }, forecast) => {
      const arrangement = await maybeArrangement(trx, arrangementId);
      if (!arrangement || arrangement.takenApartAt || !forecast)
        throw new RefusedError('That arrangement was taken apart. No card was issued.', 'arrangementId');
      const lines = await manyArrangementLines(trx, arrangementId);
      const { schools } = await houseOf(trx);
      const from = localMoment(action.at, me.shop.timeZone);
      const subject = { ...arrangement, lines };
      const details = await shopDetails(trx);
      const tag = tagOf(language ?? details.language, details.units);
      const card = cardFor(subject, forecast, details, me.species, from, schools, goesTo, tag);
      return { cardId: await issueCard(trx, action, arrangementId, card) };
    },
  }),
};
