import { bringUpToDate } from './rest';
import { lotHours } from './predict-lot';
import { drawStem, lineStart, stemBlock, type StemBlock } from './stem-block';
import { stepBlock } from './step-block';
import { END_CAUSES, type EndCause, type LotInput } from './types';

const NO_LUCK = { uniform: () => 0.5, normal: () => 0 };

/** A stem as it stands. Ages in reference days; shares 0 to 1. */
export interface StemState {
  readonly agedDays: number;
  readonly stage: number;
  readonly airShare: number;
  readonly waterContent: number;
  readonly cause: EndCause;
}

function stateOf(block: StemBlock): StemState {
  const { stems } = block;
  return {
    agedDays: stems.agedDays[0] ?? 0,
    stage: stems.stage[0] ?? 0,
    airShare: stems.airShare[0] ?? 0,
    waterContent: stems.waterContent[0] ?? 0,
    cause: END_CAUSES[block.cause[0] ?? 0] ?? 'still standing',
  };
}

/**
 * A stem with middling luck in everything, stepped that many hours through an input's stays:
 * where a lot stands now, as the start of whatever comes next.
 */
export function middlingStemAfter(input: Omit<LotInput, 'seed' | 'draws'>, hours: number): StemState {
  const steps = Math.floor(hours);
  // One hour more than is stepped, so that what rests can be read at the end of the last.
  const { line } = lotHours(input, steps + 1);
  const block = stemBlock(1);
  const start = lineStart(line.species, input.arrival, line.constants, input.supplierLife);
  drawStem(block, 0, start, NO_LUCK, { lotNormal: 0, ageNormal: 0 });
  for (let hour = 0; hour < steps && block.awakeCount + block.restingCount > 0; hour++)
    stepBlock(block, line, hour, 0, true);
  if (block.restingCount > 0) bringUpToDate(block, 0, line, steps);
  return stateOf(block);
}
