import { inZone } from '@/server/clock';
import { shopOverrides } from '@/server/own-figures';
import { inMyShop } from '@/server/session';
import { lotView, stockNow } from '@/server/stock';
import { MakeBoard } from './make-board';

/** What goes in, does it get along, how long will it last. */
export async function MakePage() {
  const { lots, confidence, overrides, date } = await inMyShop(async (trx, me, at) => ({
    lots: (await stockNow(trx, me, at)).map((s) => lotView(s, at)),
    confidence: me.shop.promiseConfidence,
    overrides: await shopOverrides(trx),
    date: Date.parse(`${inZone(at, me.shop.timeZone).date}T12:00:00Z`),
  }));
  const byLife = lots.filter((l) => l.isReady).sort((a, b) => a.daysLeft.p50 - b.daysLeft.p50);
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
