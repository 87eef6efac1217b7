import { inZone } from '@/server/clock';
import { shopOverrides } from '@/server/own-figures';
import { inMyShop } from '@/server/session';
import { lotView, stockNow, type LotView } from '@/server/stock';
import { MakeBoard } from './make-board';

/** Past any lot's days: what the dock said to use first stands before the rest, what is for another day behind. */
const APART_DAYS = 1000;

/** First to fade first, but for what was decided at the dock. */
function rank(lot: LotView): number {
  const decided = lot.decision === 'use first' ? -APART_DAYS : lot.forDay === null ? 0 : APART_DAYS;
  return decided + lot.daysLeft.p50;
}

/** What goes in, does it get along, how long will it last. */
export async function MakePage() {
  const { lots, confidence, overrides, date } = await inMyShop(async (trx, me, at) => ({
    lots: (await stockNow(trx, me, at)).map((s) => lotView(s, at)),
    confidence: me.shop.promiseConfidence,
    overrides: await shopOverrides(trx),
    date: Date.parse(`${inZone(at, me.shop.timeZone).date}T12:00:00Z`),
  }));
  const byLife = lots.filter((l) => l.isReady).sort((a, b) => rank(a) - rank(b));
  return (
    <MakeBoard
      lots={byLife}
      dry={lots.length - byLife.length}
      confidence={confidence}
      overrides={overrides}
      now={date}
    />
  );
}
