import { staysAsBought } from '@/core/species/opening';
import type { SpeciesRegistry } from '@/core/species/registry';
import 'server-only';
import { DAY_MS } from '@/core/calendar/spans';
import type { Habit, Role } from '@/core/species/species';
import type { Overrides } from '@/core/model/figures';
import { standsNow, worstOf } from '@/core/protocol/stands-now';
import { speciesName } from '@/core/words/species-name';
import type { Arrival, Droop, LotForecast } from '@/core/vase-life/types';
import type { LotFacts, LotRow } from '@/data/lots';
import { lotLabel, manyPortionsInStock, type PortionRow } from '@/data/portions';
import { manyStays, manyStaysInStock, type StayRow } from '@/data/stays';
import { manyStepStates, type StepState } from '@/data/steps';
import { groupBy } from './group-by';
import { drawnShares, isForLater, lotInputNow, lotsNow } from './lot-forecasts';
import { once, type From } from './once';
import { shopOverrides } from './own-figures';
import type { SignedIn } from './session';

/** A portion in stock with its plan and how long it lasts from now. */
export interface StockLot {
  readonly lot: PortionRow;
  readonly steps: readonly StepState[];
  readonly forecast: LotForecast;
  readonly arrival: Arrival;
  readonly isReady: boolean;
  /** Set aside for a day that has not come. */
  readonly isForLater: boolean;
}

/** Portions with all that their forecasts are made from, as one transaction read it. */
export interface StockRead {
  readonly portions: readonly Known[];
  readonly overrides: Overrides | null;
  readonly at: Date;
  readonly timeZone: string;
  readonly species: SpeciesRegistry;
}

/** A portion with what its forecast is made from. */
export interface Known {
  readonly lot: PortionRow;
  readonly steps: readonly StepState[];
  readonly stays: readonly StayRow[];
}

/** What the whole stock is read from that does not hang on who looks. */
export const STOCK_READS = [manyPortionsInStock, manyStepStates, manyStaysInStock, shopOverrides];

/** Reads the stock: all of it, or some portions by their ids. What it means is worked out by `stockNow`, outside the transaction. */
export async function readStock(
  from: From,
  me: SignedIn,
  at: Date,
  ids?: readonly string[],
): Promise<StockRead> {
  const all = await once(from, manyPortionsInStock);
  const lots = ids ? all.filter((l) => ids.includes(l.id)) : all;
  const [steps, stays, overrides] = await Promise.all([
    once(from, manyStepStates),
    ids
      ? once(
          from,
          manyStays,
          lots.map((l) => l.id),
        )
      : once(from, manyStaysInStock),
    once(from, shopOverrides),
  ]);
  const [stepsOf, staysOf] = [groupBy(steps, (s) => s.portionId), groupBy(stays, (s) => s.subjectId)];
  return {
    portions: lots.map((lot) => ({
      lot,
      steps: stepsOf.get(lot.id) ?? [],
      stays: staysOf.get(lot.id) ?? [],
    })),
    overrides,
    at,
    timeZone: me.shop.timeZone,
    species: me.species,
  };
}

/** Each portion's days left from now. */
export async function stockNow({
  portions,
  overrides,
  at,
  timeZone,
  species,
}: StockRead): Promise<StockLot[]> {
  const made = await lotsNow(portions, (known) => lotInputNow(known, overrides, at, { timeZone, species }));
  return made.map(({ one: { lot, steps }, now }) => ({
    lot,
    steps,
    ...now,
    isForLater: isForLater(lot, at, timeZone),
    isReady: lot.fillId !== null && !steps.some((s) => s.kind === 'drink' && s.status === 'waiting'),
  }));
}

/** What a list shows of a lot that nobody has in hand. */
export interface LotBrief {
  readonly id: string;
  /** Its number, and the portion's where there are several. */
  readonly label: string;
  readonly number: number;
  readonly speciesKey: string;
  readonly name: string;
  readonly variety: string | null;
  readonly stemsLeft: number;
  readonly stemsBooked: number;
  readonly supplier: string;
  readonly deliveryId: string;
  readonly deliveryRef: string;
  /** How it came, and how it stands now. */
  readonly droop: Droop;
  readonly stands: Droop;
  readonly looked: boolean;
  readonly pail: string | null;
  readonly decision: LotRow['decision'];
  /** ISO date it is set aside for. */
  readonly forDay: string | null;
  /** Who has its box open, and since when. */
  readonly inHand: { readonly personId: string; readonly name: string; readonly sinceMs: number } | null;
}

/** What every screen shows of a lot, plain enough to send to a browser. */
export interface LotView extends LotBrief {
  /** The stems that stand together of it. */
  readonly portionId: string;
  readonly sapOpen: boolean;
  readonly colour: string | null;
  readonly habit: Habit;
  /** It does not go on opening. */
  readonly staysAsBought: boolean;
  readonly role: Role;
  readonly origin: string | null;
  readonly stage: number;
  readonly isReady: boolean;
  readonly daysSinceCut: number;
  readonly daysSinceArrival: number;
  readonly agedDays: number;
  readonly lifeDays: number;
  readonly daysLeft: LotForecast['daysLeft'];
  readonly shareByDay: readonly number[];
  readonly basis: 'trade' | 'practice';
  readonly arrival: Arrival;
  /** ISO date. */
  readonly cutDate: string;
  /** Row of its note, and the supplier's own number of that line. */
  readonly line: number;
  readonly supplierLine: string | null;
  /** As it was sold, and what the note remarked. */
  readonly bunches: number | null;
  readonly stemsPerBunch: number | null;
  readonly remark: string | null;
  readonly unitPrice: number | null;
  readonly currency: string | null;
  readonly lengthCm: number | null;
  readonly headsMin: number | null;
  readonly stemsShort: number;
  readonly lookedAt: string | null;
}

/** Who reads, and of which species there may be word. */
export type Reader = Pick<SignedIn, 'language' | 'species'>;

function briefOf(lot: LotFacts, stands: Droop, isLater: boolean, { language, species }: Reader) {
  return {
    number: lot.number,
    speciesKey: lot.speciesKey,
    name: speciesName(species.byKey(lot.speciesKey), language),
    variety: lot.variety,
    stemsBooked: lot.stemsBooked,
    supplier: lot.supplier,
    deliveryId: lot.deliveryId,
    deliveryRef: lot.deliveryRef,
    droop: lot.droop,
    stands,
    looked: lot.lookedAt !== null,
    decision: lot.decision,
    forDay: isLater ? lot.forDay : null,
    inHand:
      lot.inHandBy && lot.inHandByName && lot.inHandAt
        ? { personId: lot.inHandBy, name: lot.inHandByName, sinceMs: lot.inHandAt.getTime() }
        : null,
  };
}

/** A lot over all its portions that have stems. */
export type LotInStock = LotFacts & { readonly stands: Droop } & Pick<
    LotRow,
    'id' | 'stemsLeft' | 'pailName'
  >;

/** The lots whose portions these are, in their order. */
export function lotsOf(portions: readonly PortionRow[]): LotInStock[] {
  const byLot = new Map<string, PortionRow[]>();
  for (const p of portions) byLot.set(p.lotId, [...(byLot.get(p.lotId) ?? []), p]);
  return [...byLot].map(([id, mine]) => {
    const pails = [...new Set(mine.flatMap((p) => p.pailName ?? []))].sort();
    const [first] = mine as [PortionRow, ...PortionRow[]];
    return {
      ...first,
      id,
      droop: first.droopCame,
      stands: worstOf(mine.map(standsNow)),
      stemsLeft: mine.reduce((sum, p) => sum + p.stemsLeft, 0),
      pailName: pails.length > 0 ? pails.join(', ') : null,
    };
  });
}

export function lotBrief(lot: LotInStock, isLater: boolean, reader: Reader): LotBrief {
  return {
    ...briefOf(lot, lot.stands, isLater, reader),
    id: lot.id,
    label: String(lot.number),
    stemsLeft: lot.stemsLeft,
    pail: lot.pailName,
  };
}

export function lotView(
  { lot, forecast, arrival, isReady, isForLater }: StockLot,
  at: Date,
  reader: Reader,
): LotView {
  const species = reader.species.byKey(lot.speciesKey);
  const mine = {
    id: lot.lotId,
    portionId: lot.id,
    sapOpen: lot.sapOpen,
    label: lotLabel(lot),
    stemsLeft: lot.stemsLeft,
    pail: lot.pailName,
    colour: lot.colour,
    habit: species.habit,
    staysAsBought: staysAsBought(species),
    role: species.role,
    origin: lot.origin,
    stage: lot.stage,
    isReady,
    daysSinceCut: Math.max(0, (at.getTime() - Date.parse(`${lot.cutDate}T08:00:00Z`)) / DAY_MS),
    daysSinceArrival: Math.max(0, (at.getTime() - lot.arrivedAt.getTime()) / DAY_MS),
    agedDays: arrival.agedDays,
    lifeDays: species.lifeDays20C,
    daysLeft: forecast.daysLeft,
    shareByDay: drawnShares(forecast.presentableShareByDay),
    basis: species.basis,
    arrival,
    cutDate: lot.cutDate,
    line: lot.line,
    supplierLine: lot.supplierLine,
    bunches: lot.bunches,
    stemsPerBunch: lot.stemsPerBunch,
    remark: lot.remark,
    unitPrice: lot.unitPrice,
    currency: lot.currency,
    lengthCm: lot.lengthCm,
    headsMin: lot.headsMin,
    stemsShort: lot.stemsShort,
    lookedAt: lot.lookedAt?.toISOString() ?? null,
  };
  // Put together so because a spread before so many others takes a hundred times as long.
  return Object.assign(mine, briefOf(lot, standsNow(lot), isForLater, reader));
}
