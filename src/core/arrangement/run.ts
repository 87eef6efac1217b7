import { BrokenContractError } from '../errors';
import { figuresWith, type Figures } from '../model/figures';
import { SeededStream } from '../random';
import type { Species } from '../species/species';
import { airHours } from '../vase-life/air';
import { demandByHour } from '../vase-life/demand';
import { lineHours } from '../vase-life/line-hours';
import { DEFAULT_START_HOUR_OF_DAY } from '../vase-life/predict-lot';
import { collectEnds, dayMarks, DAYS, hoursToStep, newEnds, nextMarks } from '../vase-life/results';
import { drawStem, emptyBlock, lineStart, stemBlock } from '../vase-life/stem-block';
import { sharedWater, type SharedWater } from '../vase-life/shared-water';
import { vesselHours } from '../vase-life/vessel-hours';
import { careStyles, styleOfDraws, type CareStyle } from './care-styles';
import { EvenStems } from '../even-normals';
import { drawnOfLines, MOST_STEMS } from './drawn-together';
import { dateOf, FIRST_FADE, LAST_STAND, shareByDay, STILL_A_GIFT } from './draw-outcome';
import { luckOfLines } from './luck-of-lines';
import { ROLE_WEIGHT } from './role-weight';
import type { ArrangementRun, RunLine, RunStyle } from './run-parts';
import { stepDraw } from './step-draw';
import type { ArrangementInput, ArrangementLine } from './types';

/** Lines an arrangement may have; each has its own stream of luck in a draw. */
export const MOST_LINES = 64;

/** What the lines make of their one water, and how much of it they can draw. */
function waterOf(
  { lines, vessel }: ArrangementInput,
  { water }: CareStyle,
  species: readonly Species[],
  { constants }: Figures,
): SharedWater {
  const standing = lines.map((line, at) => ({ ...line, species: species[at] as Species }));
  const depthCm = water.depthCm ?? vessel.depthCm ?? null;
  return sharedWater(standing, { isFoam: vessel.kind === 'foam', litres: vessel.litres, depthCm }, constants);
}

function prepareStyle(
  style: CareStyle,
  input: ArrangementInput,
  species: readonly Species[],
  luck: readonly number[],
  hours: number,
  figures: Figures,
): RunStyle {
  const startHour = input.startHourOfDay ?? DEFAULT_START_HOUR_OF_DAY;
  const air = airHours(style.stays, hours, startHour, figures.constants);
  const eventsOf = (line: ArrangementLine) =>
    [...(line.events ?? []), ...style.careEvents].filter(
      (e) => input.vessel.kind === 'vase' || e.type === 'strip',
    );
  const demands = input.lines.map((line, at) =>
    demandByHour(species[at] as Species, air, line.leafShare * style.leafFactor, eventsOf(line), figures),
  );
  // Of changes in one hour the last counts: the lines go by what they are, not by how they are listed.
  const inOrder = input.lines.map((line, at) => ({ line, rank: luck[at] ?? at }));
  inOrder.sort((a, b) => a.rank - b.rank);
  const changes = [...style.changes, ...inOrder.flatMap(({ line }) => line.events ?? [])];
  const mlPerUnit = figures.constants.uptakeMlPerDay / 24;
  const drunkMlByHour = Float64Array.from({ length: hours }, (_, hour) =>
    input.lines.reduce((sum, line, at) => sum + line.stems * (demands[at]?.[hour] ?? 0) * mlPerUnit, 0),
  );
  const vessel = vesselHours(air, style.water, changes, figures, {
    litres: input.vessel.litres,
    drunkMlByHour,
    shared: waterOf(input, style, species, figures),
  });
  const from = Math.floor(input.countFromHour ?? 0);
  return {
    vessel,
    nextLook: nextMarks(
      dayMarks(input.countFromHour ?? 0).map((day, hour) =>
        Math.max(day, vessel.filled[hour] === 1 ? 0 : -1),
      ),
    ),
    firstDayMl: drunkMlByHour.subarray(from, from + 24).reduce((a, b) => a + b, 0),
    lines: input.lines.map((line, at) =>
      lineHours(species[at] as Species, vessel, demands[at] as Float64Array, eventsOf(line), figures),
    ),
  };
}

function runLine(
  line: ArrangementLine,
  species: Species,
  drawn: number,
  luckOf: number,
  figures: Figures,
  draws: number,
): RunLine {
  const each = line.stems / drawn;
  return {
    species,
    drawn,
    each,
    even: drawn < line.stems ? new EvenStems(drawn) : null,
    start: lineStart(species, line.arrival, figures.constants, line.supplierLife),
    luckOf,
    block: stemBlock(drawn),
    ends: newEnds(draws * drawn),
    ended: { endHours: new Float64Array(drawn), weight: ROLE_WEIGHT[species.role] * each },
  };
}

/**
 * Sets an arrangement's forecast up; `advance` then works it out.
 * @param luck which stream of luck is each line's: a rerun with one change keeps the first run's
 * @param styles ways of keeping it, when not those its input asks for
 * @throws BrokenContractError for an unknown species, no lines or too many, more than 5000 stems
 */
export function startArrangement(
  input: ArrangementInput,
  luck: readonly number[] = luckOfLines(input.lines),
  styles?: readonly CareStyle[],
): ArrangementRun {
  if (input.lines.length === 0 || input.lines.length > MOST_LINES)
    throw new BrokenContractError([
      { field: 'lines', message: `an arrangement needs from one to ${MOST_LINES} lines` },
    ]);
  const stems = input.lines.map((line) => line.stems);
  if (stems.reduce((a, b) => a + b, 0) > MOST_STEMS)
    throw new BrokenContractError([
      { field: 'lines', message: `an arrangement takes at most ${MOST_STEMS} stems in all` },
    ]);
  const figures = figuresWith(input.overrides);
  const drawn = drawnOfLines(stems);
  const species = input.lines.map((line, at) => figures.speciesOf(line.species, `lines[${at}].species`));
  const kept = styles ?? careStyles(input, species);
  const countFromHour = input.countFromHour ?? 0;
  const hours = hoursToStep(countFromHour);
  const { draws } = input;
  return {
    input,
    figures,
    countFromHour,
    hours,
    lines: input.lines.map((line, at) =>
      runLine(line, species[at] as Species, drawn[at] ?? line.stems, luck[at] ?? at, figures, draws),
    ),
    styles: kept.map((style) => prepareStyle(style, input, species, luck, hours + 1, figures)),
    styleOf: styleOfDraws(kept),
    firstFade: new Float64Array(draws),
    stillAGift: new Float64Array(draws),
    lastStand: new Float64Array(draws),
    giftWithout: new Float64Array(draws * input.lines.length),
    shareByDay: new Float64Array(draws * DAYS.length),
    levelByDay: new Float64Array(DAYS.length),
    drunkByDay: new Float64Array(DAYS.length),
    done: 0,
  };
}

/** Works out the next so many draws. */
export function advance(run: ArrangementRun, draws: number): void {
  const marks = dayMarks(run.countFromHour);
  const luck = new SeededStream();
  const until = Math.min(run.input.draws, run.done + draws);
  for (; run.done < until; run.done++) {
    const style = run.styles[run.styleOf[run.done] ?? 0];
    if (!style) break;
    drawStems(run, luck);
    stepDraw(run, style, marks);
    keepOutcome(run);
  }
}

/** Draws the stems of every line for the draw that is next. */
export function drawStems(run: ArrangementRun, luck: SeededStream): void {
  for (const line of run.lines) {
    emptyBlock(line.block);
    luck.begin(run.input.seed, run.done * MOST_LINES + line.luckOf);
    const lot = { lotNormal: luck.normal(), ageNormal: luck.normal() };
    line.even?.begin(luck);
    const ofStem = line.even ?? luck;
    for (let row = 0; row < line.drawn; row++) drawStem(line.block, row, line.start, ofStem, lot);
  }
}

function keepOutcome(run: ArrangementRun): void {
  const { done: draw, countFromHour } = run;
  for (const line of run.lines) {
    collectEnds(line.ends, line.block, line.drawn);
    line.ended.endHours.set(line.block.endHour);
    line.ended.endHours.sort();
  }
  const ended = run.lines.map((line) => line.ended);
  run.firstFade[draw] = dateOf(ended, FIRST_FADE, countFromHour);
  run.stillAGift[draw] = dateOf(ended, STILL_A_GIFT, countFromHour);
  run.lastStand[draw] = dateOf(ended, LAST_STAND, countFromHour);
  if (ended.length > 1)
    for (let i = 0; i < ended.length; i++)
      run.giftWithout[draw * ended.length + i] = dateOf(ended, STILL_A_GIFT, countFromHour, i);
  shareByDay(ended, countFromHour, run.shareByDay.subarray(draw * DAYS.length, (draw + 1) * DAYS.length));
}
