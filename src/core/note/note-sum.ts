import type { NoteLine } from './types';

function priceOf(line: NoteLine): number | null {
  if (line.unitPrice === null) return null;
  switch (line.priceUnit) {
    case 'kg':
      return line.weightG === null ? null : (line.unitPrice * line.weightG) / 1000;
    case 'bunch':
      return line.bunches === null ? null : line.unitPrice * line.bunches;
    case 'box':
      return null;
    case 'line':
      return line.unitPrice;
    default:
      return line.stems === null ? null : line.unitPrice * line.stems;
  }
}

/** What a note's lines come to: their own sums, or price by count; null where none has a price. */
export function computedTotal(
  lines: readonly NoteLine[],
  amounts: ReadonlyMap<number, number | null>,
): number | null {
  const prices = lines.map((l) => amounts.get(l.line) ?? priceOf(l)).filter((p) => p !== null);
  return prices.length === 0 ? null : Math.round(prices.reduce((a, b) => a + b, 0) * 100) / 100;
}
