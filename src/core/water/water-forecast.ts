import { SHIPPED } from '../model/figures';
import { sdAfter, startSd, type Look } from './count-filter';
import type { PailShape } from './pail-shape';
import type { SolutionKey } from './solutions';
import {
  DUE_FOR_CHANGE_LOG10,
  freshWater,
  thinnedWater,
  waterAfterHour,
  waterWarmth,
  type VesselStart,
} from './vessel-water';
import { afterEvent, POURED, type WaterEvent, type WaterKnown } from './water-events';
import { DRY_L, evaporation } from './water-level';

/** A pail that stands open, and who drinks from it. */
export interface OpenPail {
  readonly shape: PailShape;
  readonly humidityPct: number;
  /** What its stems drink, litres a day. */
  readonly drunkADay: number;
}

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
  /** What else happened to it or was read in it. */
  readonly events?: readonly WaterEvent[];
  /** Where it stands open: it goes off and is drunk. Its litres stay as they are where it is not told. */
  readonly open?: OpenPail;
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
  /** Litres that are left, and the share of a full dose in them, by the hour. */
  readonly litresByHour: readonly number[];
  readonly doseByHour: readonly number[];
}

/** Of a normal, a tenth lies further than this many spreads under its mean. */
const TENTH = 1.2815515655446004;

function bandOf({ water, sd }: WaterKnown): CountBand {
  const mean = water.bacteriaLog10;
  const within = (log10: number): number =>
    Math.min(SHIPPED.constants.bacteriaCeilingLog10, Math.max(0, log10));
  return { p10: within(mean - TENTH * sd), p50: within(mean), p90: within(mean + TENTH * sd) };
}

/** What goes off leaves its food behind, which grows stronger; what is drunk takes its food along. */
function levelHours({ tempC, open }: WaterAsked): (known: WaterKnown) => WaterKnown {
  if (!open) return (known) => known;
  const { shape, humidityPct, drunkADay } = open;
  const gone = evaporation(shape, { tempC, humidityPct });
  return (known) => {
    const left = Math.max(DRY_L, known.litres - gone(known.litres));
    const litres = Math.max(DRY_L, left - drunkADay / 24);
    return { ...known, litres, water: thinnedWater(known.water, known.litres / left) };
  };
}

/**
 * The count of a pail's water by the hour, by the forecast's own law, with what was seen, read and done put
 * together with it as it was.
 */
export function forecastWater(asked: WaterAsked): WaterForecast {
  const { tempC, solution, start, leafBelow, hours, topUpLitresPerDay, litres } = asked;
  const warmth = waterWarmth(tempC);
  const levelAfterHour = levelHours(asked);
  const kept = Math.max(0, 1 - topUpLitresPerDay / 24 / litres);
  const events = [
    ...asked.looks.map(({ atHour, kind }): WaterEvent => ({ atHour, kind: 'look', look: kind })),
    ...(asked.events ?? []),
  ].sort((a, b) => a.atHour - b.atHour);
  let known: WaterKnown = {
    ...{ water: freshWater(start, solution), sd: startSd(start), doseSd: POURED },
    ...{ litres, leafBelow },
  };
  let next = 0;
  const [log10ByHour, litresByHour, doseByHour]: [CountBand[], number[], number[]] = [[], [], []];
  for (let hour = 0; hour <= hours; hour++) {
    if (hour > 0) {
      const water = thinnedWater(waterAfterHour(known.water, warmth, known.leafBelow), kept);
      known = levelAfterHour({ ...known, water, sd: sdAfter(known.sd, 1) });
    }
    for (let event = events[next]; event && event.atHour <= hour; event = events[++next])
      known = afterEvent(known, event);
    log10ByHour.push(bandOf(known));
    litresByHour.push(known.litres);
    doseByHour.push(known.water.dose);
  }
  const under = log10ByHour.findLastIndex((b) => b.p50 < DUE_FOR_CHANGE_LOG10);
  const passesLimitAtHour = under + 1 < log10ByHour.length ? under + 1 : null;
  return { log10ByHour, passesLimitAtHour, litresByHour, doseByHour };
}
