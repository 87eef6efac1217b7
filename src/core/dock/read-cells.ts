/** A plain number, decimal point or comma; null when it is not one. */
export function readNumber(text: string): number | null {
  const plain = text.trim().replace(',', '.');
  return /^-?\d+(\.\d+)?$/.test(plain) ? Number(plain) : null;
}

/** A whole number of things, 1 to 100 000; null for anything else, negative counts among them. */
export function readCount(text: string): number | null {
  const value = readNumber(text);
  return value !== null && Number.isInteger(value) && value > 0 && value <= 100_000 ? value : null;
}

/** A calendar date written 2026-11-18 that exists; null when it is not one. */
export function readIsoDate(text: string): string | null {
  const match = /^(\d{4})-(\d{2})-(\d{2})$/.exec(text.trim());
  if (!match) return null;
  const date = new Date(`${text.trim()}T00:00:00Z`);
  return !Number.isNaN(date.getTime()) && date.toISOString().slice(0, 10) === text.trim()
    ? text.trim()
    : null;
}
