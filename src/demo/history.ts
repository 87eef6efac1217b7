import { SHIPPED_SPECIES } from '../core/species/registry';
import { DAY_MS, HOUR_MS } from '../core/calendar/spans';
import { firstGuess, hoursSinceCut, type FirstGuess } from '../core/dock/first-guess';
import { daysUsedPerDay } from '../core/dock/temperatures';
import { composeProtocol } from '../core/protocol/compose';
import { MADE_UP_SUPPLIERS } from '../core/simulate/suppliers';
import { openBox, orderOf, type Van, type VanLine } from '../core/simulate/van';
import { isWetPacked } from '../core/vase-life/journey';
import { insertFlaw } from '../data/claims';
import type { Trx } from '../data/connection';
import { bookDelivery } from '../data/deliveries';
import { placeOrder } from '../data/expected';
import { changeLot } from '../data/lots';
import { changePortion, manyPortionsOfLot } from '../data/portions';
import { endLine } from '../data/stays';
import type { Action } from '../data/record';
import type { TimedAction } from './timed-actions';
import { demoVan } from './world';

/** Weeks of vans behind the demo. */
export const WEEKS = 8;
/** A van that stood warm stood so for half a day, at this. */
const WARM_HOURS = 12;
const WARM_C = 18;
const SAMPLE = 20;
const SOLD_WITHIN_DAYS = 3;
/** Half past six. */
export const VAN_HOUR = 6.5;

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
    await endLine(trx, portion.id, at);
  }
}

/** What was found to be true of a box, with the protocol that goes with it where it is still to be worked. */
function planned(truth: FirstGuess, { speciesKey, packing }: VanLine, withPlan: boolean): FirstGuess {
  if (!withPlan) return truth;
  const { stage, droop } = truth;
  const species = SHIPPED_SPECIES.byKey(speciesKey);
  return { ...truth, plan: composeProtocol({ species, stage, droop, packing, hoursDry: 0 }) };
}

/** What is known of vans while they are booked: the bench they come to, and guesses that serve again. */
export interface VanBooking {
  readonly roomId: string;
  readonly guesses: Map<string, FirstGuess>;
  /** Whether its lots are still to be worked: then each has its protocol. */
  readonly withPlans: boolean;
}

/** Books a van in as it truly came, with what was found in its boxes; tells its lots. */
export async function bookVan(
  trx: Trx,
  action: Action,
  van: Van,
  { roomId, guesses, withPlans }: VanBooking,
): Promise<string[]> {
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
      ...planned(truthOf(van, l, action.at, guesses), l, withPlans),
    })),
  });
  for (const [i, lotId] of lotIds.entries()) {
    const line = van.lines[i];
    if (!line) continue;
    const found = openBox(line, SAMPLE, action.at.getTime() / DAY_MS);
    for (const { kind, seen } of found.counted)
      await insertFlaw(trx, action, { lotId, kind, seen, sample: found.sample });
    await changeLot(trx, lotId, {
      looked_at: action.at,
      stems_short: line.bunches * line.stemsPerBunch - line.inBox.stems,
    });
  }
  return lotIds;
}

/** The morning of a day that long ago, at that hour. */
export const hourOfDay = (now: Date, daysAgo: number, hour: number): Date =>
  new Date(Math.floor(now.getTime() / DAY_MS) * DAY_MS - daysAgo * DAY_MS + hour * HOUR_MS);

/** Days ago that a van of weeks gone came: Mondays, Wednesdays and Fridays, but for the last `within` days. */
export const pastVanDays = (now: Date, within: number): number[] =>
  Array.from({ length: WEEKS * 7 }, (_, i) => WEEKS * 7 - i).filter(
    (days) => days > within && [1, 3, 5].includes(hourOfDay(now, days, 0).getUTCDay()),
  );

/** Eight weeks of vans, all used up by now, with what was found in them. */
export function pastVans(
  now: Date,
  within: number,
  roomId: string,
  onBooked: (daysAgo: number, lotIds: readonly string[]) => void = () => {},
): TimedAction[] {
  const booking = { roomId, guesses: new Map<string, FirstGuess>(), withPlans: false };
  return pastVanDays(now, within).flatMap((days): TimedAction[] => {
    const at = hourOfDay(now, days, VAN_HOUR);
    let booked: readonly string[] = [];
    return [
      {
        at,
        person: 1,
        does: async (trx, action) => {
          booked = await bookVan(trx, action, demoVan(at), booking);
          onBooked(days, booked);
        },
      },
      {
        at: new Date(at.getTime() + SOLD_WITHIN_DAYS * DAY_MS),
        person: 1,
        does: async (trx, action) => {
          for (const lotId of booked) await sellOut(trx, lotId, action.at);
        },
      },
    ];
  });
}

/** What is ordered for today and tomorrow. */
export const orders = (now: Date): TimedAction[] =>
  [0, 1].map((ahead) => ({
    at: new Date(now.getTime() - 2 * DAY_MS),
    person: 0,
    does: async (trx, action) => {
      const van = demoVan(new Date(now.getTime() + ahead * DAY_MS));
      await placeOrder(trx, action, {
        supplier: van.supplier,
        orderRef: `ST-${van.day.slice(5).replace('-', '')}`,
        dueOn: van.day,
        lines: orderOf(van),
      });
    },
  }));
