/** Which mark parts the whole from the fraction in a file's numbers. */
export type DecimalMark = ',' | '.';

/** A plain number, decimal point or comma; null when it is not one. */
export function readNumber(text: string): number | null {
  const plain = text.trim().replace(',', '.');
  return /^-?\d+(\.\d+)?$/.test(plain) ? Number(plain) : null;
}

/**
 * A number as a file writes it: with its decimal mark, and thousands in groups of three by the
 * other mark, a blank or an apostrophe. Null when it is not one.
 */
export function readAmount(text: string, mark: DecimalMark): number | null {
  const other = mark === ',' ? '.' : ',';
  const plain = text.trim();
  const grouped = new RegExp(`^-?\\d{1,3}([${other}'’ \\u00a0]\\d{3})+([${mark}]\\d+)?$`);
  if (grouped.test(plain))
    return Number(plain.replace(new RegExp(`[${other}'’ \\u00a0]`, 'g'), '').replace(mark, '.'));
  return readNumber(plain);
}

/** The same of what somebody types; no number where it is none, which nothing takes for one. */
export const typedNumber = (text: string): number => readNumber(text) ?? NaN;
