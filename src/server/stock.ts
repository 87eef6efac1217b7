import 'server-only';
import { setImmediate } from 'node:timers/promises';
import { speciesByKey, type Habit, type Role } from '@/core/species/species';
import type { Arrival, LotForecast } from '@/core/vase-life/types';
import type { Trx } from '@/data/connection';
import { manyLotsInStock, type LotRow } from '@/data/lots';
import { manyRooms } from '@/data/rooms';
import { manyStepsInForce, type StepRow } from '@/data/steps';
import { isForLater, lotInputNow, lotNow } from './lot-forecasts';
import { shopOverrides } from './own-figures';
import type { SignedIn } from './session';

/** A lot in stock with its plan and how long it lasts from now. */
export interface StockLot {
  readonly lot: LotRow;
  readonly steps: readonly StepRow[];
  readonly forecast: LotForecast;
  readonly arrival: Arrival;
  readonly isReady: boolean;
  /** Set aside for a day that has not come. */
  readonly isForLater: boolean;
}

/** The stock, with each lot's forecast from now. */
export async function stockNow(trx: Trx, me: SignedIn, at: Date): Promise<StockLot[]> {
  const [lots, steps, rooms] = [
    await manyLotsInStock(trx),
    await manyStepsInForce(trx),
    await manyRooms(trx),
  ];
  const overrides = await shopOverrides(trx);
  const byLot = groupByLot(steps);
  const stock: StockLot[] = [];
  for (const lot of lots) {
    const own = byLot.get(lot.id) ?? [];
    const input = lotInputNow(lot, own, rooms, at, me.shop.timeZone);
    // As the hour turns a long list is made anew: other requests are answered between its lots.
    if (stock.length % LOTS_AT_A_TIME === LOTS_AT_A_TIME - 1) await setImmediate();
    stock.push({
      lot,
      steps: own,
      ...lotNow(overrides ? { ...input, overrides } : input),
      isForLater: isForLater(lot, at, me.shop.timeZone),
      isReady: lot.fillId !== null && !own.some((s) => s.kind === 'drink' && s.status === 'waiting'),
    });
  }
  return stock;
}

const LOTS_AT_A_TIME = 8;

function groupByLot(steps: readonly StepRow[]): Map<string, StepRow[]> {
  const groups = new Map<string, StepRow[]>();
  for (const step of steps) groups.set(step.lotId, [...(groups.get(step.lotId) ?? []), step]);
  return groups;
}

/** What every screen shows of a lot, plain enough to send to a browser. */
export interface LotView {
  readonly id: string;
  readonly number: number;
  readonly speciesKey: string;
  readonly name: string;
  readonly variety: string | null;
  readonly colour: string | null;
  readonly habit: Habit;
  readonly role: Role;
  readonly stemsLeft: number;
  readonly stemsBooked: number;
  readonly supplier: string;
  readonly deliveryId: string;
  readonly deliveryRef: string;
  readonly origin: string | null;
  readonly stage: number;
  readonly droop: Arrival['droop'];
  readonly looked: boolean;
  readonly pail: string | null;
  readonly isReady: boolean;
  readonly daysSinceCut: number;
  readonly daysSinceArrival: number;
  readonly agedDays: number;
  readonly lifeDays: number;
  readonly daysLeft: LotForecast['daysLeft'];
  readonly shareByDay: readonly number[];
  readonly basis: 'trade' | 'practice';
  readonly arrival: Arrival;
  readonly unitPrice: number | null;
  readonly currency: string | null;
  readonly lengthCm: number | null;
  readonly headsMin: number | null;
  readonly stemsShort: number;
  readonly decision: LotRow['decision'];
  /** ISO date it is set aside for. */
  readonly forDay: string | null;
  readonly lookedAt: string | null;
  /** Who has its box open, and since when. */
  readonly inHand: { readonly personId: string; readonly name: string; readonly sinceMs: number } | null;
}

const DAY_MS = 86_400_000;

export function lotView({ lot, forecast, arrival, isReady, isForLater }: StockLot, at: Date): LotView {
  const species = speciesByKey(lot.speciesKey);
  return {
    id: lot.id,
    number: lot.number,
    speciesKey: lot.speciesKey,
    name: species.name,
    variety: lot.variety,
    colour: lot.colour,
    habit: species.habit,
    role: species.role,
    stemsLeft: lot.stemsLeft,
    stemsBooked: lot.stemsBooked,
    supplier: lot.supplier,
    deliveryId: lot.deliveryId,
    deliveryRef: lot.deliveryRef,
    origin: lot.origin,
    stage: lot.stage,
    droop: lot.droop,
    looked: lot.lookedAt !== null,
    pail: lot.pailName,
    isReady,
    daysSinceCut: Math.max(0, (at.getTime() - Date.parse(`${lot.cutDate}T08:00:00Z`)) / DAY_MS),
    daysSinceArrival: Math.max(0, (at.getTime() - lot.arrivedAt.getTime()) / DAY_MS),
    agedDays: arrival.agedDays,
    lifeDays: species.lifeDays20C,
    daysLeft: forecast.daysLeft,
    shareByDay: forecast.presentableShareByDay,
    basis: species.basis,
    arrival,
    unitPrice: lot.unitPrice,
    currency: lot.currency,
    lengthCm: lot.lengthCm,
    headsMin: lot.headsMin,
    stemsShort: lot.stemsShort,
    decision: lot.decision,
    forDay: isForLater ? lot.forDay : null,
    lookedAt: lot.lookedAt?.toISOString() ?? null,
    inHand:
      lot.inHandBy && lot.inHandByName && lot.inHandAt
        ? { personId: lot.inHandBy, name: lot.inHandByName, sinceMs: lot.inHandAt.getTime() }
        : null,
  };
}
