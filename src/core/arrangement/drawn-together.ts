/** An arrangement with no more stems than this is drawn stem by stem. */
export const DRAWN_SINGLY = 60;
/** A line is never drawn as fewer than this, unless it has fewer. */
const LEAST_DRAWN = 12;
/** More stems than this are no arrangement, and no forecast is made of them. */
export const MOST_STEMS = 5000;

/**
 * How many stems of each line are drawn: all of them in an arrangement of up to sixty; of a larger
 * one some sixty in all, each line by its share of the stems, each drawn one standing for its like.
 * What that costs in accuracy is held by a test: under a third of a day in each of the three dates.
 * @param stems stems of each line, 1 or more
 */
export function drawnOfLines(stems: readonly number[]): number[] {
  const total = stems.reduce((a, b) => a + b, 0);
  if (total <= DRAWN_SINGLY) return [...stems];
  return stems.map((n) => Math.min(n, Math.max(LEAST_DRAWN, Math.round((DRAWN_SINGLY * n) / total))));
}
