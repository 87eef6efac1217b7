/** Which mark parts the whole from the fraction in a file's numbers. */
export type DecimalMark = ',' | '.';

/** A plain number, decimal point or comma; null when it is not one. */
export function readNumber(text: string): number | null {
  const plain = text.trim().replace(',', '.');
  return /^-?\d+(\.\d+)?$/.test(plain) ? Number(plain) : null;
}

/** The same of what somebody types; no number where it is none, which nothing takes for one. */
export const typedNumber = (text: string): number => readNumber(text) ?? NaN;

/**
 * A number as it stands in a field with its unit behind it: "6,5 L", "6.5", "40 roses" for the unit "roses".
 * @param unit what stands behind it; nothing where there is none
 * @param digits behind the point, at most; what is finer is rounded
 * @returns null where it is no number
 */
export function numberInField(text: string, unit: string, digits: number): number | null {
  const bare = text.trim();
  const read = readNumber(unit !== '' && bare.endsWith(unit) ? bare.slice(0, -unit.length) : bare);
  return read === null ? null : Number(read.toFixed(digits));
}
