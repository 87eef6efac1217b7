import type { Arrival, CareEvent, EndCause, Quantiles, Stay, WaterPlan } from '../vase-life/types';

export type Care = 'careful' | 'usual' | 'careless' | 'mixed';

export interface ArrangementLine {
  readonly species: string;
  readonly stems: number;
  readonly arrival: Arrival;
  readonly leafShare: number;
  readonly events?: readonly CareEvent[];
}

export interface Vessel {
  readonly kind: 'vase' | 'foam';
  readonly litres: number;
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
}

export interface LineForecast {
  readonly species: string;
  readonly daysLeft: Quantiles;
  readonly presentableShareByDay: readonly number[];
  readonly endCauses: Readonly<Record<EndCause, number>>;
}

export interface ArrangementForecast {
  readonly modelVersion: string;
  readonly horizonDays: number;
  /** Days until a tenth of the weight is past it. */
  readonly firstFade: Quantiles;
  /** Days for which three quarters of the weight is presentable. */
  readonly stillAGift: Quantiles;
  /** Days until under half of the weight is presentable. */
  readonly lastStand: Quantiles;
  readonly promiseDays: number;
  /** Days of still-a-gift reached with the asked confidence, unrounded: what waiting in the shop comes off. */
  readonly giftDaysAtConfidence: number;
  /** Share of the weight presentable by day: mean over the draws, with its P10 and P90. */
  readonly presentableShareByDay: readonly number[];
  readonly presentableBandByDay: readonly { readonly p10: number; readonly p90: number }[];
  readonly lines: readonly LineForecast[];
  /** The line whose stems end first, as an index into `lines`. */
  readonly limitingLine: number;
}
