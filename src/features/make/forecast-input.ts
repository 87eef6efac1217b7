import type { ArrangementInput, Vessel } from '@/core/arrangement/types';
import { TABLE } from '@/core/vase-life/lot-history';
import type { Arrival } from '@/core/vase-life/types';

export interface ChosenLine {
  readonly speciesKey: string;
  readonly arrival: Arrival;
  readonly stems: number;
}

const SEED = 7;
/** The same for the live screen and for what is issued, so that the two never disagree. */
const DRAWS = 120;

/** The forecast an arrangement gets: on a table at home, kept as customers keep flowers. */
export function arrangementInput(
  lines: readonly ChosenLine[],
  vessel: Vessel,
  confidence: number,
): ArrangementInput {
  return {
    seed: SEED,
    draws: DRAWS,
    lines: lines.map((l) => ({ species: l.speciesKey, stems: l.stems, arrival: l.arrival, leafShare: 0.6 })),
    vessel,
    stays: [{ hours: null, ...TABLE, wet: true }],
    confidence,
    care: 'mixed',
  };
}
