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
  const { from, stock, mouldy, confidence, date, reader } = await inMyShop(
    async (from, me, at) => {
      const [stock, flaws] = await Promise.all([readStock(from, me, at), once(from, manyFlawsInStock)]);
      return {
        from,
        stock,
        mouldy: flaws.filter((f) => flawKindsIn([f]).includes('grey-mould')).map((f) => f.lotId),
        confidence: me.shop.promiseConfidence,
        reader: me,
        date: wallClockMs(at, me.shop.timeZone),
      };
    },
    [...STOCK_READS, manyFlawsInStock],
  );
  // Outside the transaction: what is not kept is worked out in workers.
  const { lots, dry } = await from.made('make', [reader.language], stock.at, async () => {
    const all = (await stockNow(stock)).map((s) => lotView(s, stock.at, reader));
    const ready = all.filter((l) => l.isReady).sort(byWhatGoesFirst);
    return { lots: ready.map(makeLot), dry: all.length - ready.length };
  });
  return (
    <MakeBoard
      told={tell(lots)}
      mouldy={mouldy}
      dry={dry}
      confidence={confidence}
      overrides={stock.overrides}
      now={date}
    />
  );
}
