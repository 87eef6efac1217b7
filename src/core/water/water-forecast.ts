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

/** What is known of a count as it is told. */
export function bandOf(mean: number, sd: number): CountBand {
  const within = (log10: number): number =>
    Math.min(SHIPPED.constants.bacteriaCeilingLog10, Math.max(0, log10));
  return { p10: within(mean - TENTH * sd), p50: within(mean), p90: within(mean + TENTH * sd) };
}

/** What is left an hour later: what goes off leaves its food behind, what is drunk takes it along. */
function levelHours({ tempC, open }: WaterAsked): (litres: number) => { litres: number; undrunk: number } {
  if (!open) return (litres) => ({ litres, undrunk: litres });
  const { shape, humidityPct, drunkADay } = open;
  const gone = evaporation(shape, { tempC, humidityPct });
  return (litres) => {
    const undrunk = Math.max(DRY_L, litres - gone(litres));
    return { undrunk, litres: Math.max(DRY_L, undrunk - drunkADay / 24) };
  };
}

/** Water by the hour, from the fill (the first of each) to the end. */
export interface WaterHours {
  /** log10 CFU/mL: the middle of what is known, and its spread. */
  readonly log10: readonly number[];
  readonly sd: readonly number[];
  readonly litres: readonly number[];
  /** Share of a full dose. */
  readonly dose: readonly number[];
  /** The hour from which the middle stays over the limit for a change; null where it does not. */
  readonly passesLimitAtHour: number | null;
}

/**
 * Water by the hour, by the forecast's own law, with what was seen, read and done put together with it as it was.
 * It is asked for every pail of a shop: nothing is made for an hour but its water.
 */
export function waterHours(asked: WaterAsked): WaterHours {
  const { tempC, solution, start, leafBelow, hours, topUpLitresPerDay } = asked;
  const warmth = waterWarmth(tempC);
  const levelAfterHour = levelHours(asked);
  const kept = Math.max(0, 1 - topUpLitresPerDay / 24 / asked.litres);
  const events = [
    ...asked.looks.map(({ atHour, kind }): WaterEvent => ({ atHour, kind: 'look', look: kind })),
    ...(asked.events ?? []),
  ].sort((a, b) => a.atHour - b.atHour);
  let known: WaterKnown = {
    ...{ water: freshWater(start, solution), sd: startSd(start), doseSd: POURED },
    ...{ litres: asked.litres, leafBelow },
  };
  let { water, sd, litres } = known;
  let next = 0;
  const [log10, sds, left, dose]: [number[], number[], number[], number[]] = [[], [], [], []];
  for (let hour = 0; hour <= hours; hour++) {
    if (hour > 0) {
      const level = levelAfterHour(litres);
      water = thinnedWater(waterAfterHour(water, warmth, known.leafBelow), (kept * litres) / level.undrunk);
      sd = sdAfter(sd, 1);
      litres = level.litres;
    }
    for (let event = events[next]; event && event.atHour <= hour; event = events[++next]) {
      known = afterEvent({ ...known, water, sd, litres }, event);
      ({ water, sd, litres } = known);
    }
    log10.push(water.bacteriaLog10);
    sds.push(sd);
    left.push(litres);
    dose.push(water.dose);
  }
  const under = log10.findLastIndex((count) => count < DUE_FOR_CHANGE_LOG10);
  return {
    ...{ log10, sd: sds, litres: left, dose },
    passesLimitAtHour: under + 1 < log10.length ? under + 1 : null,
  };
}

/** The count of a pail's water as it is told, by the hour: see waterHours. */
export function forecastWater(asked: WaterAsked): WaterForecast {
  const { log10, sd, litres, dose, passesLimitAtHour } = waterHours(asked);
  return {
    log10ByHour: log10.map((mean, hour) => bandOf(mean, sd[hour] ?? 0)),
    ...{ passesLimitAtHour, litresByHour: litres, doseByHour: dose },
  };
}
