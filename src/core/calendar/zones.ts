import { Temporal } from 'temporal-polyfill';

/** Calendar date, hour of day and clock of a moment in a zone. */
export interface ZonedMoment {
  /** ISO date. */
  readonly date: string;
  readonly hour: number;
  /** 24 hours: 06:50. */
  readonly clock: string;
}

const zoned = (atMs: number, timeZone: string): Temporal.ZonedDateTime =>
  Temporal.Instant.fromEpochMilliseconds(Math.floor(atMs)).toZonedDateTimeISO(timeZone);

/** @param atMs milliseconds since 1970 @throws RangeError for a zone nobody knows */
export function momentIn(atMs: number, timeZone: string): ZonedMoment {
  const at = zoned(atMs, timeZone);
  return {
    date: at.toPlainDate().toString(),
    hour: at.hour,
    clock: at.toPlainTime().toString({ smallestUnit: 'minute' }),
  };
}

/** When the day of a moment began in a zone, ms: its first instant, whatever the clocks did that night. */
export function dayBeganMs(atMs: number, timeZone: string): number {
  return zoned(atMs, timeZone).startOfDay().epochMilliseconds;
}

/** When a day of the calendar begins in a zone, ms. @param isoDate a real date @throws RangeError for an unknown zone */
export function dayBeginsMs(isoDate: string, timeZone: string): number {
  return Temporal.PlainDate.from(isoDate).toZonedDateTime(timeZone).epochMilliseconds;
}

/** What a clock on the wall showed: no zone is told with it. */
export interface WallClock {
  readonly year: number;
  /** 1 to 12. */
  readonly month: number;
  readonly day: number;
  readonly hour: number;
  readonly minute: number;
  readonly second: number;
}

/**
 * The instant, ms, at which a clock in a zone showed that. An hour that comes twice as the clocks go
 * back is the first unless that lies before `notBeforeMs`; one that is left out as they go on is
 * read as far past the gap as it lies in it. Null for what is no time of the calendar.
 */
export function instantOf(wall: WallClock, timeZone: string, notBeforeMs = -Infinity): number | null {
  try {
    const at = Temporal.PlainDateTime.from(wall, { overflow: 'reject' });
    const first = at.toZonedDateTime(timeZone, { disambiguation: 'compatible' }).epochMilliseconds;
    if (first >= notBeforeMs) return first;
    const second = at.toZonedDateTime(timeZone, { disambiguation: 'later' }).epochMilliseconds;
    return second >= notBeforeMs ? second : first;
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}
