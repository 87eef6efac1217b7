/** What of stems says when they are to be used. */
export interface InStock {
  readonly decision: string | null;
  /** ISO date it is set aside for; null once that day has come, or where there is none. */
  readonly forDay: string | null;
  /** Days a stem of it has left, in the middle. */
  readonly daysLeft: { readonly p50: number };
}

/** Past any lot's days. */
const APART_DAYS = 1000;

function rank({ decision, forDay, daysLeft }: InStock): number {
  if (decision === 'use first') return daysLeft.p50 - APART_DAYS;
  return forDay === null ? daysLeft.p50 : daysLeft.p50 + APART_DAYS;
}

/**
 * The order in which stems are to be used, on every place that says it: what the dock decided to use first,
 * then what fades first, and what is set aside for another day last.
 */
export const byWhatGoesFirst = (a: InStock, b: InStock): number => rank(a) - rank(b);
