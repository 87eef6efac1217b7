import { composeProtocol } from '../protocol/compose';
import type { StepKind } from '../protocol/types';
import { speciesByKey } from '../species/species';
import { isWetPacked } from '../vase-life/journey';
import { forecastInputOf } from '../vase-life/lot-history';
import { predictLot } from '../vase-life/predict-lot';
import { rightSolution } from '../water/solutions';
import type { Job, Piece, WaitingLot, WorkStep } from './types';

/** Seconds of hands a stem; those the trade's accounts give, the rest estimates. */
const SECONDS_A_STEM: Partial<Record<StepKind, number>> = {
  unpack: 1,
  discard: 2,
  rinse: 1,
  strip: 4,
  thorns: 3,
  cut: 2,
  'fill-stem': 12,
  'sap-dab': 3,
  'de-pollen': 4,
  'hydrating-dip': 1,
  'lift-florets': 5,
  wrap: 1,
  grid: 2,
  plunge: 0.5,
  'sap-soak': 0.5,
  drink: 0.5,
};
const DIP_BATCH = 10;
const DIP_BATCH_S = 30;
/** Done at the sink, whoever does it. */
function isAtSink({ params }: WorkStep): boolean {
  if (params.kind === 'cut') return params.where === 'under water';
  return params.kind === 'rinse' || params.kind === 'plunge' || params.kind === 'fill-stem';
}

/** Above it the water comes from a kettle, not from the tap. */
const TAP_C = 60;

/** Dry hours at which the model is asked; between them the loss is a straight line. */
const DRY_HOURS = [0, 1, 2, 3, 4, 6, 8, 12] as const;
const LAST_HOUR = 12;
const DRAWS = 120;
const BENCH = { tempC: 18, humidityPct: 60, litHours: 12, ethylenePpm: 0 } as const;

function handsSecondsOf(step: WorkStep, stems: number): number {
  if (step.kind === 'hot-dip') return Math.ceil(stems / DIP_BATCH) * DIP_BATCH_S;
  return stems * (SECONDS_A_STEM[step.kind] ?? 0);
}

/**
 * The work on a lot until it stands in water, in pieces: a new one begins after a wait, and where
 * another skill, the kettle or the sink is needed. Without a kettle nothing is dipped.
 */
export function piecesOf(steps: readonly WorkStep[], stems: number, hasKettle: boolean): Piece[] {
  const pieces: Piece[] = [];
  for (const step of steps) {
    const usesKettle = step.params.kind === 'hot-dip' && step.params.tempC > TAP_C;
    if (usesKettle && !hasKettle) continue;
    const skill = step.who;
    const usesSink = isAtSink(step);
    const waitS = step.pail !== null || usesKettle ? 0 : step.waitSeconds;
    const handsS = handsSecondsOf(step, stems);
    const last = pieces.at(-1);
    if (
      last &&
      last.waitS === 0 &&
      last.skill === skill &&
      last.usesKettle === usesKettle &&
      last.usesSink === usesSink
    )
      pieces[pieces.length - 1] = {
        ...last,
        titles: [...last.titles, step.title],
        handsS: last.handsS + handsS,
        waitS,
      };
    else pieces.push({ titles: [step.title], handsS, skill, usesKettle, usesSink, waitS });
    if (step.pail !== null) break;
  }
  return pieces;
}

/** Days lost by hours dry, from the model: the same stems, watered later, twelve hours on. Never falling. */
function lossCurve(lot: WaitingLot, seed: number): readonly number[] {
  const species = speciesByKey(lot.species);
  const drink = {
    name: 'drink',
    start: 'clean',
    solution: rightSolution(species.foodKind),
    tempC: null,
  } as const;
  const left = DRY_HOURS.map((wetFromHour) => {
    const input = forecastInputOf(
      {
        species,
        arrival: { agedDays: lot.agedDays, stage: lot.stage, droop: lot.droop },
        hoursHere: LAST_HOUR,
        stays: [
          { fromHour: 0, toHour: wetFromHour, air: BENCH, water: null },
          { fromHour: wetFromHour, toHour: LAST_HOUR, air: BENCH, water: drink },
        ],
        wasHotDipped: false,
        isBare: false,
        startHourOfDay: 7,
      },
      seed,
      DRAWS,
    );
    return predictLot(input).daysLeft.p50;
  });
  let worst = 0;
  return left.map((days) => (worst = Math.max(worst, (left[0] ?? days) - days)));
}

/** A lot as the planner sees it: its pieces of work, and what each hour dry costs a stem of it. */
export function jobOf(lot: WaitingLot, hasKettle: boolean, seed: number): Job {
  const species = speciesByKey(lot.species);
  const { stage, droop, packing, flaws } = lot;
  const steps = lot.steps ?? composeProtocol({ species, stage, droop, packing, hoursDry: 0, flaws });
  const isWet = lot.isWet ?? isWetPacked(packing);
  const curve = isWet ? DRY_HOURS.map(() => 0) : lossCurve(lot, seed);
  return {
    lot,
    pieces: piecesOf(steps, lot.stems, hasKettle),
    lossDays: (dryS) => onCurve(curve, dryS / 3600),
    isWet,
    readyInS: lot.readyInS ?? 0,
  };
}

/** The curve at an hour; beyond its end it goes on as steeply as it ended. */
function onCurve(curve: readonly number[], hour: number): number {
  const after = DRY_HOURS.findIndex((h) => h >= hour);
  const at = after < 0 ? DRY_HOURS.length - 1 : Math.max(1, after);
  const [h0 = 0, h1 = 1] = [DRY_HOURS[at - 1], DRY_HOURS[at]];
  const [y0 = 0, y1 = 0] = [curve[at - 1], curve[at]];
  return y0 + ((hour - h0) / (h1 - h0)) * (y1 - y0);
}
