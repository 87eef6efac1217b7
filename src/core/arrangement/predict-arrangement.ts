import { HORIZON_DAYS, MODEL_VERSION } from '../model/constants';
import { quantileOfSorted } from '../statistics';
import { DAYS, quantileErrors, quantilesOf, summariseEnds } from '../vase-life/results';
import { advance, startArrangement } from './run';
import type { ArrangementRun } from './run-parts';
import type { ArrangementForecast, ArrangementInput, LineForecast, VesselOfDay } from './types';

/**
 * The days that at least `confidence` of the draws reached; its whole part is the promise.
 * @param days one figure a draw, at least one
 */
export function daysReached(days: ArrayLike<number>, confidence: number): number {
  const ascending = new Float64Array(days).sort();
  const kept = Math.max(1, Math.ceil(confidence * days.length - 1e-9));
  return ascending[ascending.length - kept] ?? 0;
}

function lineForecasts(run: ArrangementRun, giftDays: number): LineForecast[] {
  const { done, countFromHour, lines } = run;
  return lines.map(({ species, ends }, at): LineForecast => {
    const without = Float64Array.from(
      { length: done },
      (_, draw) => run.giftWithout[draw * lines.length + at] ?? 0,
    );
    return {
      species: species.key,
      ...summariseEnds(ends, done, countFromHour),
      gainIfReplacedDays: lines.length > 1 ? quantileOfSorted(without.sort(), 0.5) - giftDays : 0,
    };
  });
}

/** The line whose replacement would gain most; of equals, the one that ends first. */
function limitingLineOf(lines: readonly LineForecast[]): number {
  return lines.reduce((limiting, line, at) => {
    const best = lines[limiting] ?? line;
    const more = line.gainIfReplacedDays - best.gainIfReplacedDays;
    return more > 1e-9 || (more > -1e-9 && line.daysLeft.p50 < best.daysLeft.p50) ? at : limiting;
  }, 0);
}

function vesselByDay(run: ArrangementRun): (VesselOfDay | null)[] {
  const drawsOf = run.styles.map(() => 0);
  for (let draw = 0; draw < run.done; draw++) {
    const style = run.styleOf[draw] ?? 0;
    drawsOf[style] = (drawsOf[style] ?? 0) + 1;
  }
  return DAYS.map((day) => {
    const hour = Math.floor(run.countFromHour + day * 24);
    let bacteriaLog10 = 0;
    let biocide = 0;
    for (let i = 0; i < run.styles.length; i++) {
      const water = run.styles[i]?.vessel.water[hour];
      if (!water) return null;
      bacteriaLog10 += (water.bacteriaLog10 * (drawsOf[i] ?? 0)) / run.done;
      biocide += (water.biocide * (drawsOf[i] ?? 0)) / run.done;
    }
    return {
      bacteriaLog10,
      biocide,
      levelLitres: (run.levelByDay[day] ?? 0) / run.done,
      drunkMl: (run.drunkByDay[day] ?? 0) / run.done,
    };
  });
}

/** The first day's water: as its ways of keeping it have it in the mean. */
function firstDayOf({ styles, styleOf, input, figures }: ArrangementRun): ArrangementForecast['firstDay'] {
  const { kind, litres } = input.vessel;
  const drunkMl = Array.from(styleOf, (at) => styles[at]?.firstDayMl ?? 0);
  const drinksLitres = drunkMl.reduce((a, b) => a + b, 0) / drunkMl.length / 1000;
  const givesLitres = litres * (kind === 'foam' ? figures.constants.foamGives : 1);
  return { drinksLitres, givesLitres, isTooSmall: drinksLitres > givesLitres };
}

/** The forecast as far as a run has come: it needs at least one draw done. */
export function forecastOf(run: ArrangementRun): ArrangementForecast {
  const { done } = run;
  const [firstFade, stillAGift, lastStand] = [run.firstFade, run.stillAGift, run.lastStand].map((days) =>
    days.subarray(0, done),
  ) as [Float64Array, Float64Array, Float64Array];
  const gift = quantilesOf(stillAGift);
  const lines = lineForecasts(run, gift.p50);
  const bands = DAYS.map((day) => {
    const shares = Float64Array.from(
      { length: done },
      (_, draw) => run.shareByDay[draw * DAYS.length + day] ?? 0,
    );
    const mean = shares.reduce((a, b) => a + b, 0) / done;
    shares.sort();
    return { mean, p10: quantileOfSorted(shares, 0.1), p90: quantileOfSorted(shares, 0.9) };
  });
  const giftDaysAtConfidence = daysReached(stillAGift, run.input.confidence);
  return {
    modelVersion: MODEL_VERSION,
    horizonDays: HORIZON_DAYS,
    draws: done,
    firstFade: quantilesOf(firstFade),
    stillAGift: gift,
    lastStand: quantilesOf(lastStand),
    errors: {
      firstFade: quantileErrors(firstFade, done),
      stillAGift: quantileErrors(stillAGift, done),
      lastStand: quantileErrors(lastStand, done),
    },
    promiseDays: Math.floor(giftDaysAtConfidence),
    giftDaysAtConfidence,
    presentableShareByDay: bands.map((b) => b.mean),
    presentableBandByDay: bands.map(({ p10, p90 }) => ({ p10, p90 })),
    firstDay: firstDayOf(run),
    waterByDay: vesselByDay(run),
    lines,
    limitingLine: limitingLineOf(lines),
  };
}

/**
 * Forecasts an arrangement: the three dates, the promise, each line, and which line limits it.
 * With `care` instead of `water`, the draws are shared out over the ways customers keep flowers.
 * @throws BrokenContractError for an unknown species or when nothing is in it
 */
export function predictArrangement(input: ArrangementInput): ArrangementForecast {
  const run = startArrangement(input);
  advance(run, input.draws);
  return forecastOf(run);
}

/** How a long run gives way to others and tells how far it has come. */
export interface Slices {
  /** Called between slices; the run goes on when it is settled. */
  readonly pause: () => Promise<void>;
  readonly isCancelled?: () => boolean;
  /** Share of the draws that are done, after each slice. */
  readonly onProgress?: (share: number) => void;
  /** The forecast so far: after the first slice, then whenever the draws have doubled. */
  readonly onPartial?: (partial: ArrangementForecast) => void;
}

/** Stems drawn in a slice: some ten milliseconds of work, a first band well within a tenth of a second. */
const STEMS_IN_A_SLICE = 1500;

/** The same forecast, worked out in slices; null when it was cancelled. */
export async function predictInSlices(
  input: ArrangementInput,
  { pause, isCancelled = () => false, onProgress, onPartial }: Slices,
): Promise<ArrangementForecast | null> {
  const run = startArrangement(input);
  const stems = run.lines.reduce((sum, line) => sum + line.drawn, 0);
  const draws = Math.max(1, Math.ceil(STEMS_IN_A_SLICE / stems));
  let tellFrom = 1;
  while (run.done < input.draws) {
    if (isCancelled()) return null;
    advance(run, draws);
    onProgress?.(run.done / input.draws);
    if (run.done === input.draws) break;
    if (run.done >= tellFrom) {
      onPartial?.(forecastOf(run));
      tellFrom = 2 * run.done;
    }
    await pause();
  }
  return forecastOf(run);
}
