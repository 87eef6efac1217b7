import type { LotView } from '@/server/stock';

/** A portion as its row on a shelf shows it. */
export interface ShelfRow extends Pick<
  LotView,
  | 'id'
  | 'portionId'
  | 'label'
  | 'name'
  | 'variety'
  | 'pail'
  | 'stemsLeft'
  | 'decision'
  | 'daysSinceCut'
  | 'daysSinceArrival'
  | 'daysLeft'
  | 'shareByDay'
> {
  /** Days of life at 20 °C it spends in a day there. */
  readonly daysADay: number;
  readonly isTooCold: boolean;
}

/** From so few days on a lot is for today. */
export const SOON_DAYS = 2;

export const aDay = (days: number): string =>
  `${days.toFixed(1)} ${days.toFixed(1) === '1.0' ? 'day' : 'days'} a day`;
