import { DAY_MS, HOUR_MS } from '../../core/calendar/spans';
import { draftClaim, draftShortClaim, USUAL_CLAIM_HOURS, type ClaimDraft } from '../../core/dock/claims';
import { flawInLot, type FlawKind } from '../../core/dock/flaws';
import type { Van } from '../../core/simulate/van';
import { manyFlaws, moveClaim, openClaim } from '../../data/claims';
import type { Trx } from '../../data/connection';
import { maybeLot } from '../../data/lots';
import type { TimedAction } from '../timed-actions';
import { VAN_HOUR, hourOfDay } from '../history';

/** What is claimed for: worse than this share of the stems looked at. */
const WORTH_CLAIMING = 0.1;
const ANSWERED_AFTER_DAYS = 4;
/** Of ten claims so many are refused, and of what is credited so much is paid. */
const REFUSED_OF_TEN = 2;
const PAID_SHARE = 0.8;

/** What of a lot is worth a claim: a flaw found in many of its stems, or stems that did not come. */
async function draftFor(
  trx: Trx,
  lotId: string,
): Promise<(Omit<ClaimDraft, 'kind'> & { kind: FlawKind | 'short' }) | null> {
  const lot = await maybeLot(trx, lotId);
  if (!lot) return null;
  const worst = (await manyFlaws(trx, [lotId])).find((f) => f.seen / f.sample >= WORTH_CLAIMING);
  if (worst) {
    const found = flawInLot({ ...worst, kind: worst.kind as FlawKind }, lot.stemsBooked);
    return draftClaim(found, lot.unitPrice);
  }
  return lot.stemsShort > 0
    ? { ...draftShortClaim(lot.stemsBooked, lot.stemsShort, lot.unitPrice), kind: 'short' }
    : null;
}

/** The claims of a van from its opening on: this week's are open or sent, older ones have their answer. */
export function claimsOf(
  van: Van,
  daysAgo: number,
  person: number,
  now: Date,
  lotIds: () => readonly string[],
): TimedAction[] {
  return van.lines.flatMap((line, i): TimedAction[] => {
    const opened = hourOfDay(now, daysAgo, VAN_HOUR + 1.2 + i * 0.1);
    let claim: { claimId: string; value: number | null } | null = null;
    const luck = (daysAgo * 7 + line.line * 3) % 10;
    const move = (at: Date, state: 'sent' | 'credited' | 'refused', share: number | null): TimedAction => ({
      at,
      person: 0,
      does: async (trx, action) => {
        if (!claim) return;
        const paid = share === null ? null : Math.round((claim.value ?? 0) * share * 100) / 100;
        await moveClaim(trx, action, claim.claimId, state, paid);
      },
    });
    const sent = new Date(opened.getTime() + 3 * HOUR_MS);
    const answered = new Date(opened.getTime() + ANSWERED_AFTER_DAYS * DAY_MS);
    const moves = [
      move(sent, 'sent', null),
      luck < REFUSED_OF_TEN ? move(answered, 'refused', null) : move(answered, 'credited', PAID_SHARE),
      // Yesterday's are still to be written to the supplier.
    ].filter((m) => m.at < now && daysAgo > 1);
    return [
      {
        at: opened,
        person,
        does: async (trx, action) => {
          const lotId = lotIds()[i];
          const draft = lotId && (await draftFor(trx, lotId));
          const lot = lotId && (await maybeLot(trx, lotId));
          if (!draft || !lot) return;
          const { claimId } = await openClaim(trx, action, {
            ...draft,
            lotId: lot.id,
            deliveryId: lot.deliveryId,
            currency: lot.currency,
            dueAt: new Date(lot.arrivedAt.getTime() + USUAL_CLAIM_HOURS * HOUR_MS),
          });
          claim = { claimId, value: draft.value };
        },
      },
      ...moves,
    ];
  });
}
