import { SHIPPED_SPECIES } from '../core/species/registry';
import { DAY_MS, HOUR_MS } from '../core/calendar/spans';
import { firstGuess, hoursSinceCut, type FirstGuess } from '../core/dock/first-guess';
import { daysUsedPerDay } from '../core/dock/temperatures';
import { MADE_UP_SUPPLIERS } from '../core/simulate/suppliers';
import { openBox, orderOf, type Van, type VanLine } from '../core/simulate/van';
import { isWetPacked } from '../core/vase-life/journey';
import { insertFlaw } from '../data/claims';
import type { Trx } from '../data/connection';
import { bookDelivery } from '../data/deliveries';
import { placeOrder } from '../data/expected';
import { newId } from '../data/ids';
import { changeLot } from '../data/lots';
import { changePortion, manyPortionsOfLot } from '../data/portions';
import { endLine } from '../data/stays';
import type { Action } from '../data/record';
import { demoVan } from './world';

const WEEKS = 8;
/** A van that stood warm stood so for half a day, at this. */
const WARM_HOURS = 12;
const WARM_C = 18;
const SAMPLE = 20;
const SOLD_WITHIN_DAYS = 3;

/** How a box truly came: older than its note says where its supplier's flowers are, aged where its van stood warm. */
function truthOf(van: Van, line: VanLine, arrivedAt: Date, guesses: Map<string, FirstGuess>): FirstGuess {
  const older = MADE_UP_SUPPLIERS.find((s) => s.name === van.supplier)?.hidden.olderDays ?? 0;
  const { speciesKey, origin, packing } = line;
  const hours = hoursSinceCut(line.cutDate, arrivedAt) + older * 24;
  const key = JSON.stringify([speciesKey, hours]);
  const guess =
    guesses.get(key) ??
    firstGuess({ species: SHIPPED_SPECIES.byKey(speciesKey), origin, packing, hoursSinceCut: hours });
  guesses.set(key, guess);
  const warm = van.stoodWarm
    ? (WARM_HOURS / 24) * daysUsedPerDay(SHIPPED_SPECIES.byKey(speciesKey), WARM_C)
    : 0;
  const { droop, isOpenEarly } = line.inBox;
  return {
    ...guess,
    agedDays: guess.agedDays + warm,
    droop,
    stage: isOpenEarly ? Math.min(1, guess.stage + 0.3) : guess.stage,
    plan: [],
  };
}

/** Sold within days, weeks ago: nothing of it is here. */
async function sellOut(trx: Trx, lotId: string, at: Date): Promise<void> {
  for (const portion of await manyPortionsOfLot(trx, lotId)) {
    await changePortion(trx, portion.id, { stems: 0 });
    await endLine(trx, portion.id, new Date(at.getTime() + SOLD_WITHIN_DAYS * DAY_MS));
  }
}

async function bookPastVan(
  trx: Trx,
  action: Action,
  van: Van,
  roomId: string,
  guesses: Map<string, FirstGuess>,
): Promise<void> {
  const { lotIds } = await bookDelivery(trx, action, {
    supplier: van.supplier,
    deliveryRef: van.deliveryRef,
    roomId,
    arrivedAt: action.at,
    lots: van.lines.map((l) => ({
      ...l,
      headsMin: null,
      isWetPacked: isWetPacked(l.packing),
      currency: 'EUR',
      stems: l.inBox.stems,
      ...truthOf(van, l, action.at, guesses),
    })),
  });
  for (const [i, lotId] of lotIds.entries()) {
    const line = van.lines[i];
    if (!line) continue;
    const found = openBox(line, SAMPLE, action.at.getTime() / DAY_MS);
    for (const { kind, seen } of found.counted)
      await insertFlaw(trx, action, { lotId, kind, seen, sample: found.sample });
    await sellOut(trx, lotId, action.at);
    await changeLot(trx, lotId, {
      looked_at: action.at,
      stems_short: line.bunches * line.stemsPerBunch - line.inBox.stems,
    });
  }
}

/** Eight weeks of vans on Mondays, Wednesdays and Fridays, all used up by now, with what was found in them. */
export async function loadPastVans(
  trx: Trx,
  deedAt: (at: Date) => Action,
  roomId: string,
  now: Date,
): Promise<void> {
  const guesses = new Map<string, FirstGuess>();
  for (let days = WEEKS * 7; days > 3; days--) {
    const day = new Date(Math.floor(now.getTime() / DAY_MS) * DAY_MS - days * DAY_MS);
    if (![1, 3, 5].includes(day.getUTCDay())) continue;
    const arrivedAt = new Date(day.getTime() + 6.5 * HOUR_MS);
    await bookPastVan(trx, deedAt(arrivedAt), demoVan(day), roomId, guesses);
  }
}

/** What is ordered for today and tomorrow. */
export async function loadOrders(trx: Trx, deedAt: (at: Date) => Action, now: Date): Promise<void> {
  for (const ahead of [0, 1]) {
    const van = demoVan(new Date(now.getTime() + ahead * DAY_MS));
    await placeOrder(
      trx,
      { ...deedAt(new Date(now.getTime() - 2 * DAY_MS)), actionKey: newId() },
      {
        supplier: van.supplier,
        orderRef: `ST-${van.day.slice(5).replace('-', '')}`,
        dueOn: van.day,
        lines: orderOf(van),
      },
    );
  }
}
