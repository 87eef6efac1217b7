import type { NoteLine } from './types';

const TIMES_THE_USUAL = 100;
const FEWEST_LINES = 3;
/** More stems than this on one line are no shop's order, whatever else is on the note. */
const MOST_STEMS = 20_000;

/** Asks about counts a hundred times the note's usual, and about those no shop could want. */
export function unlikelyCounts(lines: readonly NoteLine[]): NoteLine[] {
  const stems = lines.flatMap((l) => l.stems ?? []).sort((a, b) => a - b);
  const usual = stems[Math.floor((stems.length - 1) / 2)] ?? 0;
  const isOdd = (n: number): boolean =>
    n > MOST_STEMS || (stems.length >= FEWEST_LINES && n >= TIMES_THE_USUAL * usual);
  return lines.map((line) =>
    line.stems !== null && isOdd(line.stems)
      ? {
          ...line,
          status: 'needs-decision',
          decisions: line.decisions + 1,
          reasons: [
            `${line.stems} stems, where ${usual} is usual on this note: is that so?`,
            ...line.reasons,
          ],
        }
      : line,
  );
}
