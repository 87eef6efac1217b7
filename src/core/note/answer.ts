import { countQuestion } from './line-counts';
import { agrees, type Meaning } from './meaning';
import { statusOf } from './read-line';
import type { NoteLine, UsualStems } from './types';
import { unlikelyCounts } from './unlikely';

const NO_STEMS = 'no count of stems a bunch';

/**
 * A line with the note's question answered: its counts as that meaning has them, and what is left to decide of
 * it. A line that never waited for the answer stays as it is.
 */
export function withAnswer<L extends NoteLine>(line: L, meaning: Meaning): L {
  const readings = line.readings ?? [];
  const answer = readings.find((r) => agrees(r.meaning, meaning));
  if (readings.length < 2 || !answer) return line;
  const question = countQuestion(readings);
  const isAsked = line.reasons.slice(0, line.decisions).includes(question);
  const left = line.reasons.filter((r) => r !== question);
  const lacks = answer.stems === null ? [NO_STEMS] : [];
  const decisions = line.decisions - (isAsked ? 1 : 0) + lacks.length;
  return {
    ...line,
    bunches: answer.bunches,
    stemsPerBunch: answer.stemsPerBunch,
    stems: answer.stems,
    reasons: [...lacks, ...left],
    decisions,
    status: statusOf(
      Array.from({ length: line.guesses }, () => ''),
      Array.from({ length: decisions }, () => ''),
    ),
  };
}

/** Whether a line has nothing to decide but the question asked of the whole note. */
export const waitsForAnswer = (line: NoteLine): boolean =>
  line.stems === null &&
  line.decisions === 1 &&
  line.readings !== undefined &&
  line.reasons[0] === countQuestion(line.readings);

/** All lines with the note's question answered; a count that is known by that is held against what is usual. */
export function linesAnswered<L extends NoteLine>(
  lines: readonly L[],
  meaning: Meaning,
  usual: UsualStems | null,
  isSettled: (line: L) => boolean,
): L[] {
  const answered = lines.map((line) => (isSettled(line) ? line : withAnswer(line, meaning)));
  const held = unlikelyCounts(answered, usual);
  // What was known before the answer was held against it as it was read.
  return answered.map((line, at) => (line === lines[at] ? line : (held[at] ?? line)));
}
