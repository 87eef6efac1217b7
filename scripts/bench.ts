/** Measures the model's speed on this machine: medians of several runs after a warm-up. */
import { predictArrangement } from '../src/core/arrangement/predict-arrangement';
import type { ArrangementInput } from '../src/core/arrangement/types';
import { SPECIES } from '../src/core/species/species';
import { predictLot } from '../src/core/vase-life/predict-lot';
import type { LotInput, Stay } from '../src/core/vase-life/types';

const TABLE: Stay = { hours: null, tempC: 21, humidityPct: 60, ethylenePpm: 0, litHours: 14, wet: true };
const arrival = { agedDays: 0.8, stage: 0.2, droop: 'firm' } as const;

function lot(species: string, draws: number): LotInput {
  const water = {
    start: 'clean',
    solution: 'plain',
    changeEveryDays: 4,
    recutAtChange: true,
    leafBelow: 0,
  } as const;
  return { species, seed: 1, draws, leafShare: 1, arrival, stays: [TABLE], water };
}

const arrangement: ArrangementInput = {
  seed: 1,
  draws: 120,
  confidence: 0.9,
  care: 'mixed',
  vessel: { kind: 'vase', litres: 2 },
  stays: [TABLE],
  lines: ['rose', 'gerbera', 'lily-oriental', 'statice'].map((species) => ({
    species,
    stems: 10,
    arrival,
    leafShare: 0.6,
  })),
};

function medianMs(runs: number, work: () => unknown): number {
  work();
  const times = Array.from({ length: runs }, () => {
    const started = performance.now();
    work();
    return performance.now() - started;
  }).sort((a, b) => a - b);
  return times[Math.floor(runs / 2)] ?? NaN;
}

const oneLotMs = medianMs(7, () => predictLot(lot('rose', 1000)));
const meanDays = predictLot(lot('rose', 1000)).presentableShareByDay.reduce((a, b) => a + b, 0);
const listMs = medianMs(3, () => SPECIES.map((s) => predictLot(lot(s.key, 80))));
const arrangementMs = medianMs(3, () => predictArrangement(arrangement));
console.log(
  `one lot, 1000 draws          ${oneLotMs.toFixed(0)} ms, ${((1000 * meanDays * 24) / oneLotMs / 1000).toFixed(1)} million stem-hours a second`,
);
console.log(`a list of 66 lots, 80 draws  ${listMs.toFixed(0)} ms`);
console.log(`40 stems, 120 draws          ${arrangementMs.toFixed(0)} ms`);
