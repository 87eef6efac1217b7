import type { Overrides } from '../model/figures';
import type {
  Arrival,
  CareEvent,
  EndCause,
  Quantiles,
  Stay,
  SupplierLife,
  WaterOfDay,
  WaterPlan,
} from '../vase-life/types';

export type Care = 'careful' | 'usual' | 'careless' | 'mixed';

export interface ArrangementLine {
  readonly species: string;
  readonly stems: number;
  readonly arrival: Arrival;
  readonly leafShare: number;
  readonly events?: readonly CareEvent[];
  /** Of what bleeds mucilage: hours it stood in water alone before; none when left out. */
  readonly aloneHours?: number | undefined;
  /** Of what bleeds latex: it was sealed. */
  readonly sapSealed?: boolean | undefined;
  readonly supplierLife?: SupplierLife;
}

export interface Vessel {
  readonly kind: 'vase' | 'foam';
  /** What it holds; of a brick of foam about 1.7. */
  readonly litres: number;
  /** How deep a vase's water stands, cm; as its stems want it when left out. */
  readonly depthCm?: number | undefined;
}

export interface ArrangementInput {
  readonly seed: number;
  readonly draws: number;
  readonly lines: readonly ArrangementLine[];
  readonly vessel: Vessel;
  readonly stays: readonly Stay[];
  readonly startHourOfDay?: number;
  readonly countFromHour?: number;
  /** Chance with which the promise is to be kept, 0 to 1. */
  readonly confidence: number;
  readonly water?: WaterPlan | undefined;
  readonly care?: Care | undefined;
  /** Whether what has ended is pulled at once, and so gives off nothing. Not, when left out. */
  readonly pullsEnded?: boolean;
  readonly overrides?: Overrides | undefined;
}

export interface LineForecast {
  readonly species: string;
  readonly daysLeft: Quantiles;
  readonly daysLeftError: Quantiles;
  readonly presentableShareByDay: readonly number[];
  readonly endCauses: Readonly<Record<EndCause, number>>;
  readonly stageByDay: readonly (number | null)[];
  /** Days still-a-gift would gain, were the line's weight an average of the others'. */
  readonly gainIfReplacedDays: number;
}

/** The vessel as a day begins, a mean over the draws: its water, what stands in it, what was drunk the day before. */
export interface VesselOfDay extends WaterOfDay {
  readonly levelLitres: number;
  readonly drunkMl: number;
}

export interface ArrangementForecast {
  readonly modelVersion: string;
  readonly horizonDays: number;
  /** Draws it rests on: fewer than asked while it is still being worked out. */
  readonly draws: number;
  /** Days until a tenth of the weight is past it. */
  readonly firstFade: Quantiles;
  /** Days for which three quarters of the weight is presentable. */
  readonly stillAGift: Quantiles;
  /** Days until under half of the weight is presentable. */
  readonly lastStand: Quantiles;
  /** Standard errors of the three, days: what another seed would move them by. */
  readonly errors: {
    readonly firstFade: Quantiles;
    readonly stillAGift: Quantiles;
    readonly lastStand: Quantiles;
  };
  readonly promiseDays: number;
  /** Days of still-a-gift reached with the asked confidence, unrounded: what waiting in the shop comes off. */
  readonly giftDaysAtConfidence: number;
  /** Share of the weight presentable by day: mean over the draws, with its P10 and P90. */
  readonly presentableShareByDay: readonly number[];
  readonly presentableBandByDay: readonly { readonly p10: number; readonly p90: number }[];
  /** What its stems drink in the first day against what the vessel can give them, litres. */
  readonly firstDay: {
    readonly drinksLitres: number;
    readonly givesLitres: number;
    readonly isTooSmall: boolean;
  };
  readonly waterByDay: readonly (VesselOfDay | null)[];
  readonly lines: readonly LineForecast[];
  /** The line whose replacement by an average of the others would add most, as an index into `lines`. */
  readonly limitingLine: number;
}
