import { HOUR_MS } from '../calendar/spans';
import type { Overrides } from '../model/figures';
import { composeProtocol } from '../protocol/compose';
import type { ProtocolStep } from '../protocol/types';
import type { Ways } from '../protocol/ways';
import { idealArrivalStage, type Species } from '../species/species';
import {
  arrivalFromJourney,
  droopOf,
  isWetPacked,
  journeyStays,
  routeNamed,
  stepJourney,
  type Route,
} from '../vase-life/journey';
import type { Droop } from '../vase-life/types';

/** Where a note names no route we know: by road from the glasshouse, the commonest and mildest. */
const UNNAMED_ROUTE: Route = 'glasshouse by road';
/** Stems are cut in the morning; a note's date says no more than that. */
const CUT_AT = 'T08:00:00Z';

export function hoursSinceCut(cutDate: string, at: Date): number {
  return (at.getTime() - Date.parse(`${cutDate}${CUT_AT}`)) / HOUR_MS;
}

/** What a lot is taken to be before anybody has looked: what its journey left behind in it. */
export interface FirstGuess {
  readonly stage: number;
  readonly droop: Droop;
  readonly agedDays: number;
  readonly airShare: number;
  readonly plan: readonly ProtocolStep[];
}

/** What a note tells of a lot that its state can be guessed from. */
export interface GuessInput {
  readonly species: Species;
  readonly origin: string | null;
  readonly packing: string;
  readonly hoursSinceCut: number;
  readonly overrides?: Overrides | null;
  readonly ways?: Ways;
}

/** Guesses a lot's state at the door from its journey, and the protocol that goes with it. */
export function firstGuess(lot: GuessInput): FirstGuess {
  const { species } = lot;
  const wet = isWetPacked(lot.packing);
  const route = routeNamed(lot.origin ?? '') ?? UNNAMED_ROUTE;
  const outcome = stepJourney(
    species,
    journeyStays(route, lot.hoursSinceCut, wet),
    lot.overrides ?? undefined,
  );
  const stage = idealArrivalStage(species);
  const droop = droopOf(outcome.waterContent);
  const arrival = arrivalFromJourney(species, outcome, stage, droop);
  return {
    stage,
    droop,
    agedDays: arrival.agedDays,
    airShare: arrival.airShare ?? 0,
    plan: composeProtocol({ species, stage, droop, packing: lot.packing, hoursDry: 0 }, lot.ways),
  };
}
