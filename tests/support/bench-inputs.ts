import type { ArrangementInput, Care } from '@/core/arrangement/types';
import type { LotInput, Stay, WaterPlan } from '@/core/vase-life/types';
import type { SolutionKey } from '@/core/water/solutions';

export const TABLE_STAY: Stay = {
  hours: null,
  tempC: 21,
  humidityPct: 60,
  ethylenePpm: 0,
  litHours: 14,
  wet: true,
};
const arrival = { agedDays: 0.8, stage: 0.2, droop: 'firm' } as const;
const kept = (solution: SolutionKey): WaterPlan => ({
  start: 'clean',
  solution,
  changeEveryDays: 4,
  recutAtChange: true,
  leafBelow: 0,
});

/** A lot on a table at home, changed and recut every four days. */
export function lotOf(species: string, draws: number, solution: SolutionKey, seed = 1): LotInput {
  return { species, seed, draws, leafShare: 1, arrival, stays: [TABLE_STAY], water: kept(solution) };
}

/** Forty stems of four kinds in one vase, by a plan of water or by how customers keep it. */
export function arrangementOf(draws: number, care?: Care): ArrangementInput {
  return {
    seed: 1,
    draws,
    confidence: 0.9,
    vessel: { kind: 'vase', litres: 2 },
    stays: [TABLE_STAY],
    lines: ['rose', 'gerbera', 'lily-oriental', 'statice'].map((species) => ({
      species,
      stems: 10,
      arrival,
      leafShare: 0.6,
    })),
    ...(care ? { care } : { water: kept('flower-food') }),
  };
}
