import { luckOfLines } from '../arrangement/luck-of-lines';
import { advance, startArrangement } from '../arrangement/run';
import type { ArrangementInput } from '../arrangement/types';
import { figuresWith } from '../model/figures';
import { daysLeftOfAll } from '../vase-life/results';
import { sapLeft } from '../vase-life/shared-water';
import { medianOf } from './paired';

/** What the sap of others costs a line, median days. */
export interface SapCost {
  /** Index into the arrangement's lines. */
  readonly line: number;
  readonly days: number;
}

/** Less than this nobody sees. */
const WORTH_TELLING_DAYS = 0.1;

/**
 * What unsoaked mucilage and unsealed latex cost the lines that stand in it: the same draws, all sap shut in.
 * Most first; empty where none runs.
 */
export function sapCosts(input: ArrangementInput): SapCost[] {
  const figures = figuresWith(input.overrides);
  const runs = input.lines.some(
    (line) => sapLeft({ ...line, species: figures.speciesOf(line.species) }, figures.constants) > 0,
  );
  if (!runs || input.lines.length < 2) return [];
  const luck = luckOfLines(input.lines);
  const medians = (of: ArrangementInput): number[] => {
    const run = startArrangement(of, luck);
    advance(run, of.draws);
    return run.lines.map((l) => medianOf(daysLeftOfAll(l.ends, run.countFromHour)));
  };
  const clean = medians({ ...input, lines: input.lines.map((l) => ({ ...l, sapSealed: true })) });
  return medians(input)
    .map((days, line) => ({ line, days: (clean[line] ?? days) - days }))
    .filter((cost) => cost.days >= WORTH_TELLING_DAYS)
    .sort((a, b) => b.days - a.days);
}
