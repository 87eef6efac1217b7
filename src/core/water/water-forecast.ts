import { SHIPPED } from '../model/figures';
import { afterLook, sdAfter, startSd, type Look } from './count-filter';
import type { SolutionKey } from './solutions';
import {
  DUE_FOR_CHANGE_LOG10,
  freshWater,
  thinnedWater,
  waterAfterHour,
  waterWarmth,
  type VesselStart,
} from './vessel-water';

/** Water whose count is to be told by the hour. */
export interface WaterAsked {
  /** Of the water, °C. */
  readonly tempC: number;
  readonly solution: SolutionKey;
  readonly start: VesselStart;
  /** Green matter under the waterline, 0 to 1. */
  readonly leafBelow: number;
  readonly hours: number;
  /** Looks at it, by the hour since it was filled. */
  readonly looks: readonly { readonly atHour: number; readonly kind: Look }[];
  /** Plain water a day that is put to it, and what it holds: together they thin the food. */
  readonly topUpLitresPerDay: number;
  readonly litres: number;
}

/** A count as it is told, log10 CFU/mL. */
export interface CountBand {
  readonly p10: number;
  readonly p50: number;
  readonly p90: number;
}

export interface WaterForecast {
  /** By the hour, from the fill (its first) to the end. */
  readonly log10ByHour: readonly CountBand[];
  /** The hour from which the middle of it stays over the limit for a change; null where it does not. */
  readonly passesLimitAtHour: number | null;
}

/** Of a normal, a tenth lies further than this many spreads under its mean. */
const TENTH = 1.2815515655446004;

function bandOf(mean: number, sd: number): CountBand {
  const within = (log10: number): number =>
    Math.min(SHIPPED.constants.bacteriaCeilingLog10, Math.max(0, log10));
  return { p10: within(mean - TENTH * sd), p50: within(mean), p90: within(mean + TENTH * sd) };
}

/**
 * The count of a pail's water by the hour, by the forecast's own law, looks put together with it as they
 * were made.
 */
export function forecastWater(asked: WaterAsked): WaterForecast {
  const { tempC, solution, start, leafBelow, hours, topUpLitresPerDay, litres } = asked;
  const warmth = waterWarmth(tempC);
  const kept = Math.max(0, 1 - topUpLitresPerDay / 24 / litres);
  const looks = [...asked.looks].sort((a, b) => a.atHour - b.atHour);
  let water = freshWater(start, solution);
  let sd = startSd(start);
  let next = 0;
  const bands: CountBand[] = [];
  for (let hour = 0; hour <= hours; hour++) {
    if (hour > 0) {
      water = thinnedWater(waterAfterHour(water, warmth, leafBelow), kept);
      sd = sdAfter(sd, 1);
    }
    for (let look = looks[next]; look && look.atHour <= hour; look = looks[++next]) {
      const known = afterLook({ mean: water.bacteriaLog10, sd }, look.kind);
      const ceiling = SHIPPED.constants.bacteriaCeilingLog10;
      water = { ...water, bacteriaLog10: Math.min(ceiling, Math.max(0, known.mean)) };
      sd = known.sd;
    }
    bands.push(bandOf(water.bacteriaLog10, sd));
  }
  const under = bands.findLastIndex((b) => b.p50 < DUE_FOR_CHANGE_LOG10);
  return { log10ByHour: bands, passesLimitAtHour: under + 1 < bands.length ? under + 1 : null };
}
