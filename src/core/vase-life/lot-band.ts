import { EvenNormals } from '../even-normals';
import { normalQuantile } from '../normal-quantile';
import { SeededStream, type RandomStream } from '../random';
import { clamp, quantileOfSorted } from '../statistics';
import type { LineHours } from './line-hours';
import { daysLeftOf, hoursToStep, quantilesOf } from './results';
import { drawStem, lineStart, stemBlock } from './stem-block';
import { stepBlock } from './step-block';
import type { LotInput, Quantiles } from './types';

/** Stems of a lot whose size nobody tells. */
const USUAL_STEMS = 60;
/** Lots in a deal of evenly spread luck: each costs nine sums, no steps. */
const LOTS = 200;
/** Lots' luck in life and in their age at which stems are stepped; between them days go in straight lines. */
const LIFE_AT = [-1.6, 0, 1.6];
const AGE_AT = [-1.4, 1.4];
/** The stems stepped for each: the same ones, spread evenly over life, ease of plugging and wilting point. */
const STEMS = 9;
const STEM_LUCK = Array.from({ length: STEMS }, (_, i) =>
  [i, (4 * i + 3) % STEMS, (7 * i + 5) % STEMS].map((part) => normalQuantile((part + 0.5) / STEMS)),
);

/** Each lot's luck in life, in age and in which of its stems is the middle one: the same lots for every input. */
function lotLuck(seed: number) {
  const luck = new SeededStream();
  luck.begin(seed, LOTS);
  const dealt = [0, 1, 2].map(() => new EvenNormals(LOTS));
  for (const normals of dealt) normals.shuffle(luck);
  const next = (which: number): number => dealt[which]?.normal(luck) ?? 0;
  return Array.from({ length: LOTS }, () => ({ ofLife: next(0), ofAge: next(1), ofMiddle: next(2) }));
}
/** Two deals whose chance correlations outweigh one another. */
const LOT_LUCK = [...lotLuck(1), ...lotLuck(50)];

/** A stem's luck as it is given: its three normals one after the other. */
function givenLuck(normals: readonly number[]): RandomStream {
  let next = 0;
  return { uniform: () => 0.5, normal: () => normals[next++] ?? 0 };
}

/** Days left of the nine stems at each of the lots' lucks: by life, then age, then stem. */
function daysAtNodes(
  input: LotInput,
  line: LineHours,
  countFromHour: number,
  ageAt: readonly number[],
): Float64Array {
  const start = lineStart(line.species, input.arrival, line.constants, input.supplierLife);
  const nodes = LIFE_AT.flatMap((lotNormal) => ageAt.map((ageNormal) => ({ lotNormal, ageNormal })));
  const block = stemBlock(nodes.length * STEMS);
  nodes.forEach((lot, node) =>
    STEM_LUCK.forEach((normals, i) => drawStem(block, node * STEMS + i, start, givenLuck(normals), lot)),
  );
  const hours = hoursToStep(countFromHour);
  for (let hour = 0, standing = block.awakeCount; hour < hours && standing > 0; hour++)
    standing -= stepBlock(block, line, hour, 0, true);
  return block.endHour.map((end) => daysLeftOf(end, countFromHour));
}

/** Sorts a few values that are nearly in order already. */
function sortFew(values: Float64Array): void {
  for (let i = 1; i < values.length; i++) {
    const value = values[i] as number;
    let at = i;
    for (; at > 0 && (values[at - 1] as number) > value; at--) values[at] = values[at - 1] as number;
    values[at] = value;
  }
}

/** Where a value lies between nodes: the one before it, and how far on to the next (past the ends: on and on). */
function between(nodes: readonly number[], value: number): { at: number; share: number } {
  if (nodes.length === 1) return { at: 0, share: 0 };
  const [first = 0, second = 1] = nodes;
  const step = second - first;
  const at = clamp(Math.floor((value - first) / step), 0, nodes.length - 2);
  return { at, share: (value - first) / step - at };
}

/**
 * Days by which half of the lot has ended, P10 to P90. Few stems of few lots are stepped; in between, days go
 * in straight lines. A test holds it against whole lots drawn stem by stem.
 */
export function lotBand(input: LotInput, line: LineHours, countFromHour: number): Quantiles {
  const ageAt = (input.arrival.ageErrorSdDays ?? 0) > 0 ? AGE_AT : [0];
  const days = daysAtNodes(input, line, countFromHour, ageAt);
  const spread = 0.5 / Math.sqrt(input.stems ?? USUAL_STEMS);
  const ofLot = new Float64Array(STEMS);
  const ages = ageAt.length;
  const middles = Float64Array.from(LOT_LUCK, ({ ofLife, ofAge, ofMiddle }) => {
    const [life, age] = [between(LIFE_AT, ofLife), between(ageAt, ofAge)];
    const younger = (life.at * ages + age.at) * STEMS;
    const older = (life.at * ages + Math.min(age.at + 1, ages - 1)) * STEMS;
    const more = ages * STEMS;
    for (let i = 0; i < STEMS; i++) {
      const [a = 0, b = 0] = [days[younger + i], days[younger + more + i]];
      const [c = 0, d = 0] = [days[older + i], days[older + more + i]];
      const young = a + life.share * (b - a);
      ofLot[i] = Math.max(0, young + age.share * (c + life.share * (d - c) - young));
    }
    sortFew(ofLot);
    // The middle of so many stems lies near the middle of all there could be, not on it.
    const share = 0.5 + spread * ofMiddle;
    return quantileOfSorted(ofLot, clamp((share * STEMS - 0.5) / (STEMS - 1), 0, 1));
  });
  return quantilesOf(middles);
}
