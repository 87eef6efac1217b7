import { instantOf, momentIn } from '../calendar/zones';

/** How a logger's clock readings are to be taken where they leave room. */
export interface TimeReading {
  /** Day before month in dates written with slashes or dots. */
  readonly dayFirst: boolean;
  /** The zone of clocks that do not say. */
  readonly timeZone: string;
  /** The reading before, ms: an hour that comes twice as the clocks go back is read on from it. */
  readonly notBeforeMs?: number;
}

const ISO =
  /^(\d{4})-(\d{1,2})-(\d{1,2})[T ](\d{1,2}):(\d{2})(?::(\d{2})(?:[.,]\d+)?)?\s*(Z|UTC|[+-]\d{2}:?\d{2})?$/i;
const SLASHED =
  /^(\d{1,2})[/.-](\d{1,2})[/.-](\d{2}|\d{4})[ ,T]+(\d{1,2}):(\d{2})(?::(\d{2}))?\s*([ap]\.?m\.?)?$/i;

/** A zone as it is named beside a time: "Z" and "+0100" as their offsets; undefined where none is. */
function zoneOf(zone: string | undefined): string | undefined {
  if (zone === undefined) return undefined;
  const match = /^([+-]\d{2}):?(\d{2})$/.exec(zone);
  return match ? `${match[1]}:${match[2]}` : 'UTC';
}

/** The zone a file names for its clocks, in words such as "UTC", "GMT+1", "+01:00" or "Europe/Berlin"; null where it names none. */
export function zoneNamed(text: string): string | null {
  const region = /\b[A-Z][A-Za-z]+\/[A-Z][A-Za-z_]+(?:\/[A-Z][A-Za-z_]+)?\b/.exec(text)?.[0];
  if (region && isZone(region)) return region;
  const match = /(?:\b(?:UTC|GMT)\b)?\s*(?:([+-])(\d{1,2})(?::?(\d{2}))?)?/.exec(
    /\b(?:UTC|GMT)\b\s*(?:[+-]\d{1,2}(?::?\d{2})?)?|(?<![\d-])[+-]\d{2}:?\d{2}\b/.exec(text)?.[0] ?? '',
  );
  if (!match || match[0] === '') return null;
  return match[1] ? `${match[1]}${(match[2] ?? '').padStart(2, '0')}:${match[3] ?? '00'}` : 'UTC';
}

/** Whether a zone is one that clocks can be read in: a region, UTC, or an offset. */
export function isZone(name: string): boolean {
  try {
    momentIn(0, name);
    return true;
  } catch {
    return false;
  }
}

function instant(parts: readonly number[], timeZone: string, notBeforeMs: number | undefined): number | null {
  const [year = 0, month = 0, day = 0, hour = 0, minute = 0, second = 0] = parts;
  return instantOf({ year, month, day, hour, minute, second }, timeZone, notBeforeMs);
}

/** The hour of a clock, by its half of the day where it tells one; null where there is no such hour. */
function hourOf(hour: number, half: string | undefined): number | null {
  if (half === undefined) return hour;
  if (hour < 1 || hour > 12) return null;
  return (hour % 12) + (half.toLowerCase().startsWith('p') ? 12 : 0);
}

/** Milliseconds since 1970 of a clock reading, or null when it is not one or does not exist. */
export function readTime(text: string, { dayFirst, timeZone, notBeforeMs }: TimeReading): number | null {
  const iso = ISO.exec(text.trim());
  if (iso)
    return instant(
      iso.slice(1, 7).map((n) => Number(n) || 0),
      zoneOf(iso[7]) ?? timeZone,
      notBeforeMs,
    );
  const slashed = SLASHED.exec(text.trim());
  if (!slashed) return null;
  const [first, second, written, hourWritten, minute, seconds] = slashed
    .slice(1, 7)
    .map((n) => Number(n) || 0);
  const year = (written as number) + (slashed[3]?.length === 2 ? 2000 : 0);
  const [day, month] = dayFirst ? [first, second] : [second, first];
  const hour = hourOf(hourWritten as number, slashed[7]);
  if (hour === null) return null;
  return instant([year, month, day, hour, minute, seconds] as number[], timeZone, notBeforeMs);
}

/**
 * Whether slashed dates put the day first: any first part past twelve says so, any second part
 * past twelve says not; undecided, the day.
 */
export function isDayFirst(texts: readonly string[]): boolean {
  for (const text of texts) {
    const slashed = SLASHED.exec(text.trim());
    if (slashed && Number(slashed[1]) > 12) return true;
    if (slashed && Number(slashed[2]) > 12) return false;
  }
  return true;
}
