import { idealArrivalStage, type Species } from '../species/species';
import type { Overrides } from '../model/figures';
import { MODEL } from '../model/constants';
import { middlingStemAfter } from './middling-stem';
import { lifeUsedByStage } from './stem-block';
import type { Arrival, Droop, Stay } from './types';

export const ROUTES = [
  'highland farms by air',
  'glasshouse by road',
  'coast farms by road',
  'island farms by sea and air',
  'local field',
] as const;
export type Route = (typeof ROUTES)[number];

/** Legs of a route in order, hours and °C; the last one takes what is left of the time. */
const LEGS: Readonly<Record<Route, readonly (readonly [hours: number, tempC: number])[]>> = {
  'highland farms by air': [
    [12, 4],
    [6, 16],
    [10, 6],
    [Infinity, 4],
  ],
  'glasshouse by road': [[Infinity, 5]],
  'coast farms by road': [[Infinity, 6]],
  'island farms by sea and air': [
    [6, 16],
    [Infinity, 8],
  ],
  'local field': [
    [6, 12],
    [Infinity, 8],
  ],
};
const IN_A_BOX_PCT = 95;

/** What a supplier's word for packing means for the stems' feet: in water or not. */
export function isWetPacked(packing: string): boolean {
  return /wet|capped|caps|water/i.test(packing);
}

/** The route whose name the note gives, or null when it is one we do not know. */
export function routeNamed(origin: string): Route | null {
  const wanted = origin.trim().toLowerCase();
  return ROUTES.find((r) => r === wanted) ?? null;
}

/** The stays of a journey of that many hours, in the dark, boxed; short journeys keep the first legs. */
export function journeyStays(route: Route, hours: number, wet: boolean): Stay[] {
  const stays: Stay[] = [];
  let left = Math.max(1, Math.round(hours));
  for (const [legHours, tempC] of LEGS[route]) {
    if (left <= 0) break;
    const taken = Math.min(legHours, left);
    left -= taken;
    stays.push({ hours: taken, tempC, humidityPct: IN_A_BOX_PCT, ethylenePpm: 0, litHours: 0, wet });
  }
  return stays;
}

/** What the journey has left behind in a middling stem of the species. */
export interface JourneyOutcome {
  readonly agedDays: number;
  readonly waterContent: number;
  readonly airShare: number;
  readonly chilled: boolean;
}

/** Steps a middling stem of the species through the journey, from the cut to the door. */
export function stepJourney(species: Species, stays: readonly Stay[], overrides?: Overrides): JourneyOutcome {
  const stem = middlingStemAfter(
    {
      species: species.key,
      leafShare: 1,
      arrival: { agedDays: 0, stage: idealArrivalStage(species), droop: 'firm' },
      stays,
      water: { start: 'clean', solution: 'plain', changeEveryDays: null, recutAtChange: false, leafBelow: 0 },
      startHourOfDay: MODEL.lightOnHour,
      ...(overrides ? { overrides } : {}),
    },
    stays.reduce((sum, s) => sum + (s.hours ?? 0), 0),
  );
  return {
    agedDays: stem.agedDays,
    waterContent: stem.waterContent,
    airShare: stem.airShare,
    chilled: stem.cause === 'chilled',
  };
}

/** The droop that a water content looks like. */
export function droopOf(waterContent: number): Droop {
  if (waterContent > 0.92) return 'firm';
  return waterContent > 0.83 ? 'soft' : 'hanging';
}

/**
 * The arrival a forecast starts from: the journey's age and air, over-ruled by what was seen at
 * the dock (stage and droop), with the doubt of a cut date that somebody wrote down.
 */
export function arrivalFromJourney(
  species: Species,
  outcome: JourneyOutcome,
  stage: number,
  droop: Droop,
): Arrival {
  return {
    agedDays: Math.max(outcome.agedDays, lifeUsedByStage(species, stage)),
    stage,
    droop,
    airShare: outcome.airShare,
    ageErrorSdDays: MODEL.cutDateErrorSdDays,
  };
}
