import { BrokenContractError } from '../errors';
import { randomStream } from '../random';
import { speciesByKey, type Role, type Species } from '../species/species';
import { quantileOfSorted } from '../statistics';
import { airByHour } from '../vase-life/air';
import { HORIZON_DAYS, MODEL, MODEL_VERSION } from '../vase-life/constants';
import {
  causeShares,
  daysLeftOf,
  hoursToStep,
  presentableShareByDay,
  quantilesOf,
} from '../vase-life/predict-lot';
import { drawStem, stepStem, type Stem } from '../vase-life/stem';
import { stemHours, type LineHours } from '../vase-life/stem-hours';
import { vesselHours } from '../vase-life/vessel-hours';
import { careStyles } from './care-styles';
import type { ArrangementForecast, ArrangementInput, ArrangementLine, LineForecast } from './types';

/** Weight of one stem in the whole, by its part in it. */
export const ROLE_WEIGHT: Readonly<Record<Role, number>> = { focal: 3, line: 2, filler: 1, foliage: 0.5 };

interface PreparedLine {
  readonly line: ArrangementLine;
  readonly species: Species;
  /** Position in an order that does not depend on how the caller listed the lines. */
  readonly rank: number;
  readonly stems: Stem[];
}

/** Text that is the same for the same line, whatever order its fields came in. */
function lineIdentity(line: ArrangementLine): string {
  const { agedDays, stage, droop } = line.arrival;
  return JSON.stringify([
    line.species,
    line.stems,
    agedDays,
    stage,
    droop,
    line.leafShare,
    line.events ?? [],
  ]);
}

function prepareLines(lines: readonly ArrangementLine[]): PreparedLine[] {
  const inOrder = lines.map((line, at) => ({ at, id: lineIdentity(line) }));
  inOrder.sort((a, b) => (a.id < b.id ? -1 : a.id > b.id ? 1 : a.at - b.at));
  const rankOf = new Map(inOrder.map((entry, rank) => [entry.at, rank]));
  return lines.map((line, at) => ({
    line,
    species: speciesByKey(line.species, `lines[${at}].species`),
    rank: rankOf.get(at) ?? at,
    stems: [],
  }));
}

const isStanding = (stem: Stem): boolean => stem.endHour === null;

/**
 * One draw of the whole: every stem of every line stepped together in its one vessel, so that a
 * flower that ends gases its neighbours. Ended stems are taken not to be pulled.
 */
function runDraw(
  prepared: readonly PreparedLine[],
  shared: readonly LineHours[],
  input: ArrangementInput,
  draw: number,
  steps: number,
): Stem[][] {
  const stemsByLine = prepared.map(({ line, species, rank }) => {
    const luck = randomStream(input.seed, draw * 64 + rank);
    const lotNormal = luck.normal();
    const ageNormal = luck.normal();
    return Array.from({ length: line.stems }, () =>
      drawStem(species, line.arrival, luck, lotNormal, ageNormal),
    );
  });
  let gasPpm = 0;
  let standing = stemsByLine.reduce((n, stems) => n + stems.length, 0);
  for (let hour = 0; hour < steps && standing > 0; hour++) {
    let newGasPpm = 0;
    prepared.forEach(({ species }, at) => {
      const hours = shared[at];
      const now = hours?.hours[hour];
      if (!hours || !now) return;
      for (const stem of stemsByLine[at] ?? []) {
        if (!isStanding(stem)) continue;
        stepStem(stem, species, now, hour, now.ethylenePpm + gasPpm, hours.chilledAtHour);
        if (isStanding(stem)) continue;
        standing--;
        if (species.ethylene >= 2) newGasPpm += MODEL.endedFlowerPpm;
      }
    });
    gasPpm += newGasPpm;
  }
  return stemsByLine;
}

interface DrawOutcome {
  readonly firstFade: number;
  readonly stillAGift: number;
  readonly lastStand: number;
  readonly shareByDay: readonly number[];
}

function outcomeOf(
  prepared: readonly PreparedLine[],
  stemsByLine: readonly Stem[][],
  countFromHour: number,
): DrawOutcome {
  const ends = prepared.flatMap(({ species }, at) =>
    (stemsByLine[at] ?? []).map((stem) => ({
      days: daysLeftOf(stem, countFromHour),
      outlives: stem.endHour === null,
      weight: ROLE_WEIGHT[species.role],
    })),
  );
  ends.sort((a, b) => a.days - b.days);
  const whole = ends.reduce((sum, e) => sum + e.weight, 0);
  /** First day on which the weight that ended exceeds `share` (or reaches it). */
  const dayWhenEnded = (share: number, reaching: boolean): number => {
    let ended = 0;
    for (const end of ends) {
      if (end.outlives) break;
      ended += end.weight;
      const past = reaching ? ended >= share * whole - 1e-9 : ended > share * whole + 1e-9;
      if (past) return end.days;
    }
    return HORIZON_DAYS;
  };
  return {
    firstFade: dayWhenEnded(0.1, true),
    stillAGift: dayWhenEnded(0.25, false),
    lastStand: dayWhenEnded(0.5, false),
    shareByDay: Array.from({ length: HORIZON_DAYS + 1 }, (_, day) => {
      const left = ends.reduce((sum, e) => (e.outlives || e.days > day ? sum + e.weight : sum), 0);
      return left / whole;
    }),
  };
}

/**
 * The days that at least `confidence` of the draws reached; its whole part is the promise.
 * @param days one figure a draw, at least one
 */
export function daysReached(days: readonly number[], confidence: number): number {
  const descending = Float64Array.from(days).sort().reverse();
  const kept = Math.max(1, Math.ceil(confidence * days.length - 1e-9));
  return descending[kept - 1] ?? 0;
}

/**
 * Forecasts an arrangement: the three dates, the promise, each line, and which line limits it.
 * With `care` instead of `water`, the draws are shared out over the ways customers keep flowers.
 * @throws BrokenContractError for an unknown species or when nothing is in it
 */
export function predictArrangement(input: ArrangementInput): ArrangementForecast {
  if (input.lines.length === 0)
    throw new BrokenContractError([{ field: 'lines', message: 'an arrangement needs at least one line' }]);
  const countFromHour = input.countFromHour ?? 0;
  const steps = hoursToStep(countFromHour);
  const prepared = prepareLines(input.lines);
  const outcomes: DrawOutcome[] = [];
  let draw = 0;
  for (const style of careStyles(
    input,
    prepared.map((p) => p.species),
  )) {
    const air = airByHour(style.stays, steps, input.startHourOfDay ?? 8);
    const changes = [
      ...style.events,
      ...input.lines.flatMap((l) => (l.events ?? []).filter((e) => e.type === 'change')),
    ];
    const vessel = vesselHours(air, style.water, changes);
    const shared = prepared.map(({ species, line }) =>
      stemHours(
        species,
        vessel,
        line.leafShare,
        (line.events ?? []).filter((e) => input.vessel.kind === 'vase' || e.type === 'strip'),
      ),
    );
    for (let i = 0; i < style.draws; i++, draw++) {
      const stemsByLine = runDraw(prepared, shared, input, draw, steps);
      outcomes.push(outcomeOf(prepared, stemsByLine, countFromHour));
      prepared.forEach((p, at) => p.stems.push(...(stemsByLine[at] ?? [])));
    }
  }
  return summarise(input, prepared, outcomes, countFromHour);
}

function summarise(
  input: ArrangementInput,
  prepared: readonly PreparedLine[],
  outcomes: readonly DrawOutcome[],
  countFromHour: number,
): ArrangementForecast {
  const lines = prepared.map(({ line, stems }): LineForecast => ({
    species: line.species,
    daysLeft: quantilesOf(stems.map((s) => daysLeftOf(s, countFromHour))),
    presentableShareByDay: presentableShareByDay(stems, countFromHour),
    endCauses: causeShares(stems),
  }));
  const days = Array.from({ length: HORIZON_DAYS + 1 }, (_, day) => day);
  const sharesOn = (day: number) => outcomes.map((o) => o.shareByDay[day] ?? 0).sort((a, b) => a - b);
  const giftDaysAtConfidence = daysReached(
    outcomes.map((o) => o.stillAGift),
    input.confidence,
  );
  return {
    modelVersion: MODEL_VERSION,
    horizonDays: HORIZON_DAYS,
    firstFade: quantilesOf(outcomes.map((o) => o.firstFade)),
    stillAGift: quantilesOf(outcomes.map((o) => o.stillAGift)),
    lastStand: quantilesOf(outcomes.map((o) => o.lastStand)),
    promiseDays: Math.floor(giftDaysAtConfidence),
    giftDaysAtConfidence,
    presentableShareByDay: days.map((day) => sharesOn(day).reduce((a, b) => a + b, 0) / outcomes.length),
    presentableBandByDay: days.map((day) => {
      const sorted = sharesOn(day);
      return { p10: quantileOfSorted(sorted, 0.1), p90: quantileOfSorted(sorted, 0.9) };
    }),
    lines,
    limitingLine: lines.reduce(
      (worst, l, at) => (l.daysLeft.p50 < (lines[worst]?.daysLeft.p50 ?? Infinity) ? at : worst),
      0,
    ),
  };
}
