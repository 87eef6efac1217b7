import type { Overrides } from '../model/figures';
import type { SolutionKey } from '../water/solutions';
import type { VesselStart } from '../water/vessel-water';

export type Droop = 'firm' | 'soft' | 'hanging';

/** A stem's state as it is seen at the start of the forecast. */
export interface Arrival {
  /** Thermal age in reference days (a day at 20 °C). */
  readonly agedDays: number;
  /** Stage of opening: 0 tight, 1 fully open, past 1 blown. */
  readonly stage: number;
  readonly droop: Droop;
  /** SD of the age where it rests on a stated cut date; 0 when left out. */
  readonly ageErrorSdDays?: number;
  /** Share of uptake already lost to air (0 to 1), beyond what the droop shows. */
  readonly airShare?: number;
}

/** Air that overrides a stay's own between two clock hours. */
export interface Night {
  readonly fromHour: number;
  readonly toHour: number;
  readonly tempC: number;
  readonly humidityPct: number;
}

/** A while in one place. The last stay has `hours: null` and lasts. */
export interface Stay {
  readonly hours: number | null;
  readonly tempC: number;
  readonly humidityPct: number;
  readonly ethylenePpm: number;
  readonly litHours: number;
  readonly wet: boolean;
  /** False: put back in water after a dry stay without a cut. */
  readonly cutOnReturn?: boolean;
  /** Temperature of the water given on coming back from dry, when not the room's. */
  readonly drinkTempC?: number;
  readonly night?: Night;
}

/** How a vessel is filled up between changes. */
export interface TopUp {
  /** Null: never. */
  readonly everyHours: number | null;
  /** `same` keeps the dose; `plain` thins it by what was drunk. */
  readonly with: 'same' | 'plain';
  /** Of so many toppings up the first so many are forgotten, over and over. */
  readonly missed?: { readonly first: number; readonly of: number };
}

export interface WaterPlan {
  readonly start: VesselStart;
  readonly solution: SolutionKey;
  /** Null: never changed. */
  readonly changeEveryDays: number | null;
  readonly recutAtChange: boolean;
  readonly leafBelow: number;
  /** Daily with plain water when left out. It bears on a vessel of so many litres, not on a lot. */
  readonly topUp?: TopUp;
  /** How deep the water stands, cm; as its stems want it when left out. */
  readonly depthCm?: number | undefined;
}

/** Care given at a whole or part hour from the start; it takes effect as that hour begins. */
export type CareEvent =
  | { readonly atHour: number; readonly type: 'cut'; readonly cm: number }
  | { readonly atHour: number; readonly type: 'hot-dip' }
  /** `start`: how clean the vessel is that the fresh water goes into; a clean one when left out. */
  | {
      readonly atHour: number;
      readonly type: 'change';
      readonly solution?: SolutionKey;
      readonly start?: VesselStart;
    }
  | { readonly atHour: number; readonly type: 'strip'; readonly leafShare: number };

/** What a supplier's lots have been found to be worth, as a factor on life. */
export interface SupplierLife {
  /** Median factor; 1 is the table. */
  readonly factor: number;
  /** Sigma of its logarithm between lots. */
  readonly spread: number;
}

export interface LotInput {
  readonly species: string;
  readonly seed: number;
  readonly draws: number;
  readonly startHourOfDay?: number;
  /** How many stems the lot has, for the lot's own band; a usual lot when left out. */
  readonly stems?: number;
  readonly leafShare: number;
  readonly arrival: Arrival;
  readonly stays: readonly Stay[];
  readonly countFromHour?: number;
  readonly water: WaterPlan;
  readonly events?: readonly CareEvent[];
  readonly supplierLife?: SupplierLife;
  readonly overrides?: Overrides;
}

export const END_CAUSES = ['worn out', 'wilted', 'chilled', 'gassed', 'still standing'] as const;
export type EndCause = (typeof END_CAUSES)[number];

export interface Quantiles {
  readonly p10: number;
  readonly p50: number;
  readonly p90: number;
}

/** A vessel's water as a day begins; null while the stems are dry. */
export interface WaterOfDay {
  readonly bacteriaLog10: number;
  /** Share of a full dose's biocide still working. */
  readonly biocide: number;
}

export interface LotForecast {
  readonly modelVersion: string;
  readonly horizonDays: number;
  /** A stem's: how one stem of the lot may fare, with all that varies. */
  readonly daysLeft: Quantiles;
  /** The lot's: the day by which half of it has ended. */
  readonly lotDaysLeft: Quantiles;
  /** Standard error of each of `daysLeft`, days: what another seed would move it by. */
  readonly daysLeftError: Quantiles;
  readonly presentableShareByDay: readonly number[];
  readonly endCauses: Readonly<Record<EndCause, number>>;
  /** Median stage of what is presentable on that day, to a thousandth; null when nothing is. */
  readonly stageByDay: readonly (number | null)[];
  readonly waterByDay: readonly (WaterOfDay | null)[];
}
