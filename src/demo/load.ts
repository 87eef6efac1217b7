import { DAY_MS, HOUR_MS } from '../core/calendar/spans';
import type { Knex } from 'knex';
import { firstGuess, hoursSinceCut } from '../core/dock/first-guess';
import { SHIPPED_SPECIES } from '../core/species/registry';
import { isWetPacked } from '../core/vase-life/journey';
import { setAtBench } from '../data/bench';
import { inShop } from '../data/connection';
import { bookDelivery } from '../data/deliveries';
import { newId } from '../data/ids';
import { lastDays } from './at-work/last-days';
import { condition } from './conditioned';
import { doInOrder, type TimedAction } from './timed-actions';
import { firstWashes } from './first-wash';
import { furnish, showSkills, type Furnished } from './furnish';
import { orders, pastVans } from './history';
import { DEMO_EARLIER_LINES, DEMO_PAILS, DEMO_SHOP, DEMO_SUPPLIER, MORE_PAILS, dayBefore } from './world';

/**
 * How much goes on in the demo shop: `at work`, with a week's stock, arrangements, claims and washing
 * behind it, or `quiet`, with one delivery in its pails, which is what tests begin from.
 */
export type DemoKind = 'at work' | 'quiet';

/** In a quiet shop the last van that is used up came longer ago than this. */
const QUIET_DAYS = 3;

/** What came in two days before the demo starts, processed and standing in its pails. */
function earlierDelivery(at: Date, { rooms, pails }: Furnished): TimedAction[] {
  const came = new Date(at.getTime() - 2 * DAY_MS);
  let booked: readonly string[] = [];
  const booking: TimedAction = {
    at: came,
    person: 0,
    does: async (trx, action) => {
      const { lotIds } = await bookDelivery(trx, action, {
        supplier: DEMO_SUPPLIER,
        deliveryRef: `QN-${dayBefore(came, 0).slice(5).replace('-', '')}`,
        roomId: rooms.get('bench') ?? '',
        arrivedAt: came,
        lots: DEMO_EARLIER_LINES.map((l, i) => {
          const cutDate = dayBefore(at, l.cutDaysBefore);
          const { speciesKey, variety, colour, origin, packing, unitPrice } = l;
          const species = SHIPPED_SPECIES.byKey(speciesKey);
          return {
            ...{ line: i + 1, speciesKey, variety, colour, lengthCm: 60, headsMin: null },
            ...{ stems: l.bunches * l.stemsPerBunch, cutDate, origin, packing, unitPrice, currency: 'EUR' },
            isWetPacked: isWetPacked(packing),
            ...firstGuess({ species, origin, packing, hoursSinceCut: hoursSinceCut(cutDate, came) }),
          };
        }),
      });
      booked = lotIds;
    },
  };
  const worked = DEMO_EARLIER_LINES.map(({ speciesKey }, i): TimedAction => ({
    at: new Date(came.getTime() + HOUR_MS),
    person: 1 + (i % 3),
    fills: pails[i] ?? '',
    does: (trx, action) =>
      condition(trx, action, { lotId: booked[i] ?? '', speciesKey, pailId: pails[i] ?? '', rooms }, at),
  }));
  return [booking, ...worked];
}

/**
 * Loads the demo world once, dated to `at`; false when it is there already.
 */
export async function loadDemo(db: Knex, at: Date, kind: DemoKind): Promise<boolean> {
  if (await db('shop').where({ slug: DEMO_SHOP.slug }).first('id')) return false;
  const shopId = newId();
  const isAtWork = kind === 'at work';
  await inShop(db, shopId, async (trx) => {
    const demoPails = isAtWork ? [...DEMO_PAILS, ...MORE_PAILS] : DEMO_PAILS;
    const made = await furnish(trx, shopId, at, demoPails);
    const { people, rooms } = made;
    const shown: TimedAction = {
      at: new Date(at.getTime() - 60 * DAY_MS),
      person: 0,
      does: (trx, action) => showSkills(trx, action, people),
    };
    const bench = rooms.get('bench') ?? '';
    const atBench = [1, 2].map((hand): TimedAction => ({
      at: new Date(at.getTime() - HOUR_MS / 2),
      person: hand,
      does: (trx, action) => setAtBench(trx, action, people[hand] ?? '', true),
    }));
    const rest = isAtWork ? lastDays(at, made) : pastVans(at, QUIET_DAYS, bench);
    const timedActions = [shown, ...rest, ...earlierDelivery(at, made), ...orders(at), ...atBench];
    const pails = made.pails.flatMap((id, i) => (demoPails[i] ? [{ id, is: demoPails[i].state }] : []));
    await doInOrder(trx, shopId, people, [...firstWashes(timedActions, pails, at), ...timedActions]);
  });
  return true;
}
