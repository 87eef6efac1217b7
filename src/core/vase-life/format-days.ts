import { HORIZON_DAYS } from '../model/constants';

/** A band of days as it is said: whole days, as a forecast deserves. */
export interface FormattedDays {
  /** `about` one day, `between` two, `long` from one to past the horizon, `past` the horizon altogether. */
  readonly shape: 'about' | 'between' | 'long' | 'past';
  readonly from: number;
  readonly to: number;
}

/** The band from p10 to p90 in whole days: the low end is never said longer than it is. */
export function formatDays({ p10, p90 }: { readonly p10: number; readonly p90: number }): FormattedDays {
  const from = Math.floor(p10);
  const to = Math.max(from, Math.round(p90));
  if (from >= HORIZON_DAYS) return { shape: 'past', from: HORIZON_DAYS, to: HORIZON_DAYS };
  if (to >= HORIZON_DAYS) return { shape: 'long', from, to: HORIZON_DAYS };
  return { shape: from === to ? 'about' : 'between', from, to };
}
