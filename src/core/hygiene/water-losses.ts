import { DAY_MS, HOUR_MS } from '../calendar/spans';
import { MORE_CARE, WATER_CAUSES, type MoreCare, type WaterCause, type WaterWorth } from './water-worth';

/** A lot's stems with what water meant for each of them. */
export interface StemsAsStood {
  readonly lotNumber: number;
  readonly lotId: string;
  /** What it is called. */
  readonly product: string;
  /** Stems that were used or are still here. */
  readonly stems: number;
  /** Price of a stem; null where none is known. */
  readonly unitPrice: number | null;
  /** Days that a stem of it lasts at 20 °C: what its price buys. */
  readonly lifeDays: number;
  readonly arrivedAt: number;
  readonly worth: WaterWorth;
  /** The pail of each water. */
  readonly pailOf: Readonly<Record<string, string>>;
  /** Whoever filled each water, where the record tells. */
  readonly filledBy: Readonly<Record<string, string>>;
}

/** Stem-days, and what they cost at the price of a stem for its usual life; stems without a price count as nothing. */
export interface Loss {
  readonly stemDays: number;
  readonly money: number;
}

export interface LossOf<K> extends Loss {
  readonly of: K;
}

/** What water and pails cost over some weeks. */
export interface WaterLosses {
  readonly total: Loss;
  /** Each cause; of a week the oldest first; of pails and lots the dearest first. */
  readonly byCause: readonly LossOf<WaterCause>[];
  readonly byWeek: readonly (LossOf<number> & { readonly byCause: Readonly<Record<WaterCause, number>> })[];
  readonly byPail: readonly LossOf<string>[];
  /** What was filled unsanitised, by whoever did; water that stood too long is nobody's alone. */
  readonly byPerson: readonly LossOf<string>[];
  readonly byLot: readonly LossOf<Pick<StemsAsStood, 'lotNumber' | 'lotId' | 'product'>>[];
  /** What more care would have brought, the most first. */
  readonly gains: readonly LossOf<MoreCare>[];
  /** Lots and stems looked at. */
  readonly lots: number;
  readonly stems: number;
  /** Whether some stems have no price. */
  readonly somePriceless: boolean;
}

const WEEK_MS = 7 * DAY_MS;
const NONE: Loss = { stemDays: 0, money: 0 };
const plus = (a: Loss, b: Loss): Loss => ({ stemDays: a.stemDays + b.stemDays, money: a.money + b.money });

function lossOf({ stems, unitPrice, lifeDays }: StemsAsStood, days: number): Loss {
  return { stemDays: days * stems, money: ((unitPrice ?? 0) * stems * days) / lifeDays };
}

/** Adds a loss to what it is of; to nothing where that is not known. */
function addTo<K>(sums: Map<K, Loss>, of: K | undefined, loss: Loss): void {
  if (of !== undefined) sums.set(of, plus(sums.get(of) ?? NONE, loss));
}

const dearestFirst = <K>(losses: ReadonlyMap<K, Loss>): LossOf<K>[] =>
  [...losses].map(([of, loss]) => ({ of, ...loss })).sort((a, b) => b.stemDays - a.stemDays);

/**
 * Adds up what water cost, by cause, week, pail and lot.
 * @param now end of the last week; a fault counts in the week it began in, those before the first in none
 * @param weeks how many weeks are told, the last of them ending now
 */
export function waterLosses(kept: readonly StemsAsStood[], now: number, weeks: number): WaterLosses {
  const byCause = new Map<WaterCause, Loss>(WATER_CAUSES.map((cause) => [cause, NONE]));
  const byPail = new Map<string, Loss>();
  const byPerson = new Map<string, Loss>();
  const byLot = new Map<StemsAsStood, Loss>();
  const gains = new Map<MoreCare, Loss>(MORE_CARE.map((care) => [care, NONE]));
  const inWeek = Array.from({ length: weeks }, () => new Map<WaterCause, Loss>());
  let total = NONE;
  for (const stems of kept) {
    for (const care of MORE_CARE) addTo(gains, care, lossOf(stems, stems.worth.gains[care]));
    for (const { cause, days, fromHour, water } of stems.worth.lost) {
      const ago = Math.floor((now - stems.arrivedAt - fromHour * HOUR_MS) / WEEK_MS);
      const week = inWeek[weeks - 1 - Math.max(0, ago)];
      if (!week) continue;
      const loss = lossOf(stems, days);
      total = plus(total, loss);
      addTo(week, cause, loss);
      addTo(byCause, cause, loss);
      addTo(byLot, stems, loss);
      addTo(byPail, stems.pailOf[water], loss);
      if (cause === 'pail not sanitised') addTo(byPerson, stems.filledBy[water], loss);
    }
  }
  return {
    total,
    byCause: dearestFirst(byCause),
    byWeek: inWeek.map((causes, week) => ({
      of: now - (weeks - week) * WEEK_MS,
      ...[...causes.values()].reduce(plus, NONE),
      byCause: Object.fromEntries(
        WATER_CAUSES.map((cause) => [cause, causes.get(cause)?.stemDays ?? 0]),
      ) as Record<WaterCause, number>,
    })),
    byPail: dearestFirst(byPail),
    byPerson: dearestFirst(byPerson),
    byLot: dearestFirst(byLot),
    gains: dearestFirst(gains),
    lots: kept.length,
    stems: kept.reduce((sum, k) => sum + k.stems, 0),
    somePriceless: kept.some((k) => k.unitPrice === null && k.worth.lost.length > 0),
  };
}
