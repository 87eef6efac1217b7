/** How a logger's clock readings are to be taken where they leave room. */
export interface TimeReading {
  /** Day before month in dates written with slashes or dots. */
  readonly dayFirst: boolean;
  /** Minutes ahead of UTC of clocks that do not say; 0: they are UTC. */
  readonly offsetMin: number;
}

const ISO =
  /^(\d{4})-(\d{1,2})-(\d{1,2})[T ](\d{1,2}):(\d{2})(?::(\d{2})(?:[.,]\d+)?)?\s*(Z|UTC|[+-]\d{2}:?\d{2})?$/i;
const SLASHED =
  /^(\d{1,2})[/.-](\d{1,2})[/.-](\d{2}|\d{4})[ ,T]+(\d{1,2}):(\d{2})(?::(\d{2}))?\s*([ap]\.?m\.?)?$/i;

/** Minutes ahead of UTC that a zone such as "+01:00" or "Z" names; null when it names none. */
function zoneMinutes(zone: string | undefined): number | null {
  if (zone === undefined) return null;
  const match = /^([+-])(\d{2}):?(\d{2})$/.exec(zone);
  if (!match) return 0;
  return (match[1] === '-' ? -1 : 1) * (Number(match[2]) * 60 + Number(match[3]));
}

function instant(parts: readonly number[], offsetMin: number): number | null {
  const [year = 0, month = 0, day = 0, hour = 0, minute = 0, second = 0] = parts;
  const at = new Date(Date.UTC(year, month - 1, day, hour, minute, second));
  const isReal =
    at.getUTCMonth() === month - 1 && at.getUTCDate() === day && hour < 24 && minute < 60 && second < 60;
  return isReal ? at.getTime() - offsetMin * 60_000 : null;
}

/** Milliseconds since 1970 of a clock reading, or null when it is not one or does not exist. */
export function readTime(text: string, { dayFirst, offsetMin }: TimeReading): number | null {
  const iso = ISO.exec(text.trim());
  if (iso)
    return instant(
      iso.slice(1, 7).map((n) => Number(n) || 0),
      zoneMinutes(iso[7]) ?? offsetMin,
    );
  const slashed = SLASHED.exec(text.trim());
  if (!slashed) return null;
  const [, first = '', second = '', yearText = '', hourText = '', minute = '', secondText, half] = slashed;
  const year = Number(yearText) + (yearText.length === 2 ? 2000 : 0);
  const [day, month] = dayFirst ? [first, second] : [second, first];
  let hour = Number(hourText);
  if (half !== undefined) {
    if (hour < 1 || hour > 12) return null;
    hour = (hour % 12) + (half.toLowerCase().startsWith('p') ? 12 : 0);
  }
  return instant(
    [year, Number(month), Number(day), hour, Number(minute), Number(secondText ?? 0)],
    offsetMin,
  );
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
