/** Which mark parts the whole from the fraction in a file's numbers. */
export type DecimalMark = ',' | '.';

/** A plain number, decimal point or comma; null when it is not one. */
export function readNumber(text: string): number | null {
  const plain = text.trim().replace(',', '.');
  return /^-?\d+(\.\d+)?$/.test(plain) ? Number(plain) : null;
}

/** The same of what somebody types; no number where it is none, which nothing takes for one. */
export const typedNumber = (text: string): number => readNumber(text) ?? NaN;
