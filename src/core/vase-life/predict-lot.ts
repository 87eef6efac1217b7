import { HORIZON_DAYS, MODEL_VERSION } from '../model/constants';
import { figuresWith } from '../model/figures';
import { SeededStream } from '../random';
import { airHours } from './air';
import { lotBand } from './lot-band';
import { demandByHour } from './demand';
import { lineHours, type LineHours } from './line-hours';
import {
  collectEnds,
  dayMarks,
  daysLeftOfAll,
  hoursToStep,
  newEnds,
  nextMarks,
  quantilesOf,
  summariseEnds,
  tallyStages,
  waterByDay,
  type Ends,
} from './results';
import { drawStem, emptyBlock, lineStart, stemBlock } from './stem-block';
import { lotWater } from './shared-water';
import { stepBlock } from './step-block';
import { ageQuietly, quietUntil } from './step-quiet';
import type { LotForecast, LotInput } from './types';
import { vesselHours, type VesselHours } from './vessel-hours';

export const DEFAULT_START_HOUR_OF_DAY = 8;
/** Stems stepped together: as many as stay in the fastest cache. */
const BLOCK = 64;

/** A lot's vessel and its stems' hours, `hours` of them. */
export function lotHours(
  input: Omit<LotInput, 'seed' | 'draws'>,
  hours: number,
): { readonly vessel: VesselHours; readonly line: LineHours } {
  const figures = figuresWith(input.overrides);
  const species = figures.speciesOf(input.species);
  const events = input.events ?? [];
  const startHour = input.startHourOfDay ?? DEFAULT_START_HOUR_OF_DAY;
  const air = airHours(input.stays, hours, startHour, figures.constants);
  const demand = demandByHour(species, air, input.leafShare, events, figures);
  const shared = lotWater(species, input.water.depthCm, figures.constants);
  const vessel = vesselHours(air, input.water, events, figures, { litres: null, shared });
  return { vessel, line: lineHours(species, vessel, demand, events, figures) };
}

/** Draws the lot's stems and steps each to its end or the last hour. */
function runLot(input: LotInput, line: LineHours, countFromHour: number): Ends {
  const { species, constants } = line;
  const start = lineStart(species, input.arrival, constants, input.supplierLife);
  const marks = dayMarks(countFromHour);
  const nextMark = nextMarks(marks);
  const ends = newEnds(input.draws);
  const luck = new SeededStream();
  const block = stemBlock(Math.min(BLOCK, input.draws));
  const hours = hoursToStep(countFromHour);
  for (let first = 0; first < input.draws; first += BLOCK) {
    const stems = Math.min(BLOCK, input.draws - first);
    emptyBlock(block);
    for (let row = 0; row < stems; row++) {
      luck.begin(input.seed, first + row);
      drawStem(block, row, start, luck, { lotNormal: luck.normal(), ageNormal: luck.normal() });
    }
    let standing = stems;
    for (let hour = 0; hour < hours && standing > 0; hour++) {
      const day = marks[hour] ?? -1;
      if (day >= 0) tallyStages(ends, block, line, hour, day);
      const until = Math.min(quietUntil(block, line, hour, 0), nextMark[hour] as number);
      if (until > hour) {
        ageQuietly(block, line, hour, until, 0);
        hour = until - 1;
      } else standing -= stepBlock(block, line, hour, 0, true);
    }
    const lastDay = marks[hours] ?? -1;
    if (lastDay >= 0) tallyStages(ends, block, line, hours, lastDay);
    collectEnds(ends, block, stems);
  }
  return ends;
}

/**
 * Forecasts one lot: each draw is a stem with its own luck and its lot's, stepped by the hour.
 * @throws BrokenContractError for an unknown species; other fields are taken as checked
 */
export function predictLot(input: LotInput): LotForecast {
  const countFromHour = input.countFromHour ?? 0;
  // One hour more than is stepped, so that the last day can be read at its beginning.
  const { vessel, line } = lotHours(input, hoursToStep(countFromHour) + 1);
  const ends = runLot(input, line, countFromHour);
  return {
    modelVersion: MODEL_VERSION,
    horizonDays: HORIZON_DAYS,
    ...summariseEnds(ends, input.draws, countFromHour),
    lotDaysLeft: lotBand(input, line, countFromHour),
    waterByDay: waterByDay(vessel, countFromHour),
  };
}

/** Days left of each draw's stem, in the order of the draws: what reruns with one change compare. */
export const daysLeftByDraw = (input: LotInput): Float64Array =>
  daysLeftOfAll(endsOfLot(input), input.countFromHour ?? 0);

/** How each draw's stem ended, and how many of their hours were stepped for it. */
export function endsOfLot(input: LotInput): Ends {
  const countFromHour = input.countFromHour ?? 0;
  const { line } = lotHours(input, hoursToStep(countFromHour) + 1);
  return runLot(input, line, countFromHour);
}

/** The median of those: what a plan or a school compares, without the bands nobody asked for. */
export const medianDaysLeft = (input: LotInput): number => quantilesOf(daysLeftByDraw(input)).p50;
