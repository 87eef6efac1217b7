import { HOUR_MS, MINUTE_MS } from '../../core/calendar/spans';
import type { Depth } from '../../core/species/species';
import { solutionOf } from '../../core/water/solutions';
import type { Trx } from '../../data/connection';
import { onePailForUpdate } from '../../data/pails';
import { changePortion, manyPortionsOfLot } from '../../data/portions';
import type { Action } from '../../data/record';
import { moveStay } from '../../data/stays';
import { condition } from '../conditioned';
import type { TimedAction } from '../timed-actions';
import type { Furnished } from '../furnish';
import { bookVan, hourOfDay, VAN_HOUR } from '../history';
import { DEMO_PAILS, demoVan } from '../world';
import { washing } from '../first-wash';
import { fill, tipOut } from '../pail-steps';

/** Vans of so many days still have stems here. */
export const STOCK_DAYS = 8;
/** Of a lot's stems so much is sold a day (estimate). */
const SOLD_A_DAY = 0.22;
const FRESH_C = 12;
const MINUTES_A_LOT = 14;
const CHANGES_FROM_H = 13;
const CHANGE_EVERY_MS = 8 * MINUTE_MS;
/** The pails, by place, that stand clean when the changing begins. */
const RELAY = [10, 14] as const;
/** Water is changed once it has stood so long, but for every fourth pail: nobody got to those. */
const CHANGED_AFTER_DAYS = 3;
const FORGOTTEN_EVERY = 4;
/** From here on stems stand on the shop floor rather than in the cold. */
const FLOOR_FROM_DAYS = 4;
/** Of yesterday's van so many lots drink the night through. */
const STILL_DRINKING = 2;

interface Placed {
  readonly lotId: string;
  readonly pailId: string;
}

/**
 * Fresh water in a clean pail: what stood in the old one stands in that, and the old one is tipped out.
 * @returns false where nothing stands in the old one any more; then nothing is done
 */
async function turnOver(
  trx: Trx,
  action: Action,
  { lotId, pailId }: Placed,
  intoId: string,
): Promise<boolean> {
  const from = await onePailForUpdate(trx, pailId);
  const [portion] = await manyPortionsOfLot(trx, lotId);
  if (!portion || !from.fillId || !from.solution || !from.depth || from.litres === null) return false;
  const { solution, depth, litres, alone, fillTempC } = from;
  const fillId = await fill(trx, action, await onePailForUpdate(trx, intoId), {
    solution: solutionOf(solution),
    depth: depth as Depth,
    litres,
    alone: alone ?? false,
    tempC: fillTempC ?? FRESH_C,
  });
  await moveStay(trx, action.shopId, 'portion_id', portion.id, { fillId }, action.at);
  await moveStay(trx, action.shopId, 'pail_id', intoId, { roomId: portion.roomId }, action.at);
  await tipOut(trx, action, from);
  return true;
}

/** The afternoons on which water is changed: from one pail into the next that is clean, the old one washed for the next. */
function changesOfWater(
  now: Date,
  changes: readonly (() => Placed)[],
  pails: readonly string[],
): TimedAction[] {
  const clean = pails.slice(...RELAY);
  const first = clean.length;
  const half = Math.ceil(changes.length / 2);
  return changes.flatMap((placed, k): TimedAction[] => {
    const [daysAgo, nth] = k < half ? [2, k] : [1, k - half];
    const at = new Date(hourOfDay(now, daysAgo, CHANGES_FROM_H).getTime() + nth * CHANGE_EVERY_MS);
    const { pailId } = placed();
    let isTurned = false;
    const washed = washing(pailId, new Date(at.getTime() + 2 * MINUTE_MS), 3, () => clean.push(pailId));
    return [
      {
        at,
        person: 1 + (k % 3),
        ...(k < first ? { fills: clean[k] ?? '' } : {}),
        does: async (trx, action) => {
          const [into] = clean;
          isTurned = into !== undefined && (await turnOver(trx, action, placed(), into));
          if (isTurned) clean.shift();
        },
      },
      ...washed.map((timed): TimedAction => ({
        ...timed,
        does: (trx, action) => (isTurned ? timed.does(trx, action) : Promise.resolve()),
      })),
    ];
  });
}

/** What was sold over the counter since: at least a few stems stay of each. */
async function sellSome(trx: Trx, lotId: string, days: number): Promise<void> {
  for (const portion of await manyPortionsOfLot(trx, lotId)) {
    const left = Math.max(3, Math.round(portion.stemsLeft * (1 - SOLD_A_DAY) ** days));
    await changePortion(trx, portion.id, { stems: Math.min(left, portion.stemsLeft) });
  }
}

/** The vans of the last days, worked through and partly sold, each lot in a pail of its own. */
export function stockActions(
  now: Date,
  { rooms, pails }: Furnished,
  onBooked: (daysAgo: number, lotIds: readonly string[]) => void,
): TimedAction[] {
  const booking = { roomId: rooms.get('bench') ?? '', guesses: new Map(), withPlans: true };
  let nextPail = DEMO_PAILS.length;
  const changed: (() => Placed)[] = [];
  /** Changed once it has stood for some days, but for one in so many that is forgotten. */
  const noteChange = (daysAgo: number, lot: () => Placed): void => {
    if (daysAgo >= CHANGED_AFTER_DAYS && nextPail % FORGOTTEN_EVERY > 0) changed.push(lot);
  };
  const ofDay = (daysAgo: number): TimedAction[] => {
    const came = hourOfDay(now, daysAgo, VAN_HOUR);
    const van = demoVan(came);
    let booked: readonly string[] = [];
    const worked = van.lines.flatMap((line, i): TimedAction[] => {
      const pailId = pails[nextPail++] ?? '';
      const at = new Date(came.getTime() + HOUR_MS / 2 + i * MINUTES_A_LOT * MINUTE_MS);
      const drinks = daysAgo === 1 && i >= van.lines.length - STILL_DRINKING;
      const person = 1 + (i % 3);
      const isFloor = daysAgo >= FLOOR_FROM_DAYS && i % 2 === 0;
      const lot = () => ({ lotId: booked[i] ?? '', pailId });
      noteChange(daysAgo, lot);
      const how = {
        speciesKey: line.speciesKey,
        rooms,
        ...(isFloor ? { roomKind: 'floor' as const } : {}),
        ...(drinks ? { drinksUntil: new Date(now.getTime() + (20 + 25 * (i % 2)) * MINUTE_MS) } : {}),
      };
      return [
        {
          at: drinks ? hourOfDay(now, 1, 18) : at,
          person,
          fills: pailId,
          does: (trx, action) => condition(trx, action, { ...lot(), ...how }, now),
        },
        {
          at: hourOfDay(now, 1, 18.5),
          person,
          does: (trx) => sellSome(trx, lot().lotId, daysAgo),
        },
      ];
    });
    return [
      {
        at: came,
        person: 1,
        does: async (trx, action) => {
          booked = await bookVan(trx, action, van, booking);
          onBooked(daysAgo, booked);
        },
      },
      ...worked,
    ];
  };
  const days = Array.from({ length: STOCK_DAYS }, (_, i) => STOCK_DAYS - i);
  const SUNDAY = 0;
  const worked = days.filter((d) => hourOfDay(now, d, 0).getUTCDay() !== SUNDAY).flatMap(ofDay);
  return [...worked, ...changesOfWater(now, changed, pails)];
}
