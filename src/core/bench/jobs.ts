import { composeProtocol } from '../protocol/compose';
import { drinksMeanwhile, resourcesOf, stepOf } from '../steps/steps';
import { isWetPacked } from '../vase-life/journey';
import { forecastInputOf } from '../vase-life/lot-history';
import { medianDaysLeft } from '../vase-life/predict-lot';
import { rightSolution } from '../water/solutions';
import { BOILED_C, HOT_TAP } from '../protocol/lifting';
import type { Job, Piece, KnownLot, WorkStep } from './types';

/** Dry hours at which the model is asked; between them the loss is a straight line. */
const DRY_HOURS = [0, 1, 2, 3, 4, 6, 8, 12] as const;
const LAST_HOUR = 12;
const DRAWS = 120;
const BENCH = { tempC: 18, humidityPct: 60, litHours: 12, ethylenePpm: 0 } as const;

function handsSecondsOf(step: WorkStep, stems: number): number {
  const { hands } = stepOf(step.kind);
  return 'aStemS' in hands ? stems * hands.aStemS : Math.ceil(stems / hands.batch) * hands.aBatchS;
}

/** Whether the same hands go on without a pause from one to the next. */
const isOneGo = (last: Piece, next: Piece): boolean =>
  last.waitS === 0 &&
  !last.wets &&
  last.skill === next.skill &&
  last.usesKettle === next.usesKettle &&
  last.usesSink === next.usesSink;

/** What rescues a head where there is no kettle: the hot tap, until it has cooled. A dip of the species' own is left out. */
function withoutKettle(params: WorkStep['params']): WorkStep['params'] {
  const isRescue = params.kind === 'hot-dip' && params.tempC >= BOILED_C;
  return isRescue ? HOT_TAP : params;
}

/**
 * The work on a lot until it stands in water, in pieces: a new one begins after a wait, and where
 * another skill, the kettle or the sink is needed. Without a kettle nothing is dipped.
 */
export function piecesOf(steps: readonly WorkStep[], stems: number, hasKettle: boolean): Piece[] {
  const pieces: Piece[] = [];
  for (const step of steps) {
    const params = hasKettle ? step.params : withoutKettle(step.params);
    const uses = resourcesOf(params);
    const [usesKettle, usesSink] = [uses.includes('kettle'), uses.includes('sink')];
    if (usesKettle && !hasKettle) continue;
    const skill = step.who;
    const waits = params.kind === 'hot-dip' ? params.seconds : step.waitSeconds;
    const waitS = step.pail !== null || usesKettle ? 0 : waits;
    const handsS = handsSecondsOf(step, stems);
    const last = pieces.at(-1);
    const next: Piece = {
      titles: [step.title],
      handsS,
      skill,
      usesKettle,
      usesSink,
      waitS,
      wets: drinksMeanwhile(params),
    };
    if (last && isOneGo(last, next))
      pieces[pieces.length - 1] = {
        ...next,
        titles: [...last.titles, step.title],
        handsS: last.handsS + handsS,
      };
    else pieces.push(next);
    if (step.pail !== null) break;
  }
  return pieces;
}

/** Days lost by hours dry, from the model: the same stems, watered later, twelve hours on. Never falling. */
function lossCurve(lot: KnownLot, seed: number): readonly number[] {
  const { species } = lot;
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
    return medianDaysLeft(input);
  });
  let worst = 0;
  return left.map((days) => (worst = Math.max(worst, (left[0] ?? days) - days)));
}

/** A lot as the planner sees it: its pieces of work, and what each hour dry costs a stem of it. */
export function jobOf(lot: KnownLot, hasKettle: boolean, seed: number): Job {
  const { species, stage, droop, packing, flaws } = lot;
  const steps = lot.steps ?? composeProtocol({ species, stage, droop, packing, hoursDry: 0, flaws });
  const isWet = lot.isWet ?? isWetPacked(packing);
  const curve = isWet ? DRY_HOURS.map(() => 0) : lossCurve(lot, seed);
  return {
    lot,
    pieces: piecesOf(steps, lot.stems, hasKettle),
    lossDays: (dryS) => onCurve(curve, dryS / 3600),
    value: 1,
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
