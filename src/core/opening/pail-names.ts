/**
 * What new pails are called: numbers that go on from the highest there ever was, a retired pail's
 * included, since its label may hang on it still.
 * @param taken every name a pail bears or bore
 */
export function nextPailNames(taken: readonly string[], count: number): string[] {
  const highest = Math.max(0, ...taken.filter((name) => /^\d{1,6}$/.test(name)).map(Number));
  return Array.from({ length: count }, (_, i) => String(highest + 1 + i));
}
