/**
 * Quantile of ascending values by linear interpolation between order statistics
 * (Hyndman and Fan's type 7). NaN when there are none.
 * @param share 0 to 1
 */
export function quantileOfSorted(ascending: ArrayLike<number>, share: number): number {
  const n = ascending.length;
  if (n === 0) return NaN;
  const at = (n - 1) * share;
  const low = Math.floor(at);
  const lowValue = ascending[low] ?? NaN;
  const highValue = ascending[Math.min(n - 1, low + 1)] ?? NaN;
  return lowValue + (highValue - lowValue) * (at - low);
}

/** A value held between two bounds. */
export function clamp(value: number, low: number, high: number): number {
  return Math.min(high, Math.max(low, value));
}
