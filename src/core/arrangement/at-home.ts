import { drawnOfLines } from './drawn-together';
import type { ArrangementInput, Care, Vessel } from './types';
import type { Overrides } from '../model/figures';
import { TABLE } from '../vase-life/table';
import type { Arrival } from '../vase-life/types';

export interface ChosenLine {
  readonly speciesKey: string;
  readonly arrival: Arrival;
  readonly stems: number;
  /** Its sap still runs: it was not soaked alone or sealed. */
  readonly sapRuns: boolean;
}

const SEED = 7;
/** The same for the live screen and for what is issued, so that the two never disagree. */
const DRAWS = 300;
/** Reruns of one change share their luck, so that fewer draws tell them apart. */
const HABIT_DRAWS = 80;
const MOST_STEMS_DRAWN = 60_000;
/** Habits are some fifteen reruns: together they cost what the forecast does. */
const MOST_DRAWN_A_HABIT = 6000;

/** Draws that an arrangement of many kinds can have and still be answered in a second or so. */
function drawsFor(lines: readonly Pick<ChosenLine, 'stems'>[], draws: number, most: number): number {
  const drawn = drawnOfLines(lines.map((l) => l.stems)).reduce((a, b) => a + b, 0);
  return Math.max(24, Math.min(draws, Math.floor(most / Math.max(1, drawn))));
}

/** The forecast an arrangement gets: on a table at home, kept as this customer keeps flowers. */
export function arrangementInput(
  lines: readonly ChosenLine[],
  vessel: Vessel,
  confidence: number,
  care: Care,
  overrides: Overrides | null,
): ArrangementInput {
  return {
    seed: SEED,
    draws: drawsFor(lines, DRAWS, MOST_STEMS_DRAWN),
    lines: lines.map(({ speciesKey, stems, arrival, sapRuns }) => ({
      species: speciesKey,
      stems,
      arrival,
      leafShare: 0.6,
      sapSealed: !sapRuns,
    })),
    vessel,
    stays: [{ hours: null, ...TABLE, wet: true }],
    confidence,
    care,
    ...(overrides ? { overrides } : {}),
  };
}

/** What habits are reckoned against: the same, kept as its card will say. */
export function habitInput(input: ArrangementInput): ArrangementInput {
  const draws = drawsFor(input.lines, HABIT_DRAWS, MOST_DRAWN_A_HABIT);
  return { ...input, care: 'careful', draws: Math.min(input.draws, draws) };
}
