/** Spans of time in milliseconds, as moments are counted in; a day is one of 24 hours. */
export const MINUTE_MS = 60_000;
export const HOUR_MS = 3_600_000;
export const DAY_MS = 86_400_000;
