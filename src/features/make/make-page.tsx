import { byWhatGoesFirst } from '@/core/stock/goes-first';
import { wallClockMs } from '@/server/clock';
import { manyFlawsInStock } from '@/data/claims';
import { flawKindsIn } from '@/server/replan';
import { once } from '@/server/once';
import { inMyShop } from '@/server/session';
import { lotView, readStock, STOCK_READS, stockNow } from '@/server/stock';
import { tell } from '@/shell/told';
import { MakeBoard } from './make-board';
import { makeLot } from './make-lot';

/** What goes in, does it get along, how long will it last. */
export async function MakePage() {
  const { stock, mouldy, confidence, date, reader } = await inMyShop(
    async (from, me, at) => {
      const [stock, flaws] = await Promise.all([readStock(from, me, at), once(from, manyFlawsInStock)]);
      return {
        stock,
        mouldy: flaws.filter((f) => flawKindsIn([f]).includes('grey-mould')).map((f) => f.lotId),
        confidence: me.shop.promiseConfidence,
        reader: me,
        date: wallClockMs(at, me.shop.timeZone),
      };
    },
    [...STOCK_READS, manyFlawsInStock],
  );
  const lots = (await stockNow(stock)).map((s) => lotView(s, stock.at, reader));
  const byLife = lots.filter((l) => l.isReady).sort(byWhatGoesFirst);
  return (
    <MakeBoard
      told={tell(byLife.map(makeLot))}
      mouldy={mouldy}
      dry={lots.length - byLife.length}
      confidence={confidence}
      overrides={stock.overrides}
      now={date}
    />
  );
}
