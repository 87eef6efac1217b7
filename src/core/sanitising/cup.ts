/** What a shop doses with, weighed once: a cap, a squeeze, a stroke of a pump. */
export interface Cup {
  readonly name: string;
  /** What it holds, mL. */
  readonly ml: number;
}

const QUARTERS = ['', '¼', '½', '¾'] as const;
/** Of so little no cup is a measure: it is weighed out. */
const LEAST_QUARTERS = 1;

/**
 * A dose in the shop's own measure, to a quarter of it: "3¾ × cap"; null where the shop has none, or
 * where it is less than a quarter.
 * @param doseMl mL, 0 and up
 */
export function inCups(doseMl: number, cup: Cup | null): string | null {
  if (cup === null || !(cup.ml > 0)) return null;
  const quarters = Math.round((4 * doseMl) / cup.ml);
  if (quarters < LEAST_QUARTERS) return null;
  const whole = Math.floor(quarters / 4);
  return `${whole > 0 ? whole : ''}${QUARTERS[quarters % 4] ?? ''} × ${cup.name}`;
}

/** A dose as it is told, with the shop's own measure behind it where it has one: "44 mL (3¾ × cap)". */
export function withCups(told: string, doseMl: number, cup: Cup | null): string {
  const cups = inCups(doseMl, cup);
  return cups === null ? told : `${told} (${cups})`;
}
