import type { LineHours } from '../vase-life/line-hours';
import { tallyStages } from '../vase-life/results';
import { stepBlock } from '../vase-life/step-block';
import { ageQuietly, quietlyDrunk, quietUntil } from '../vase-life/step-quiet';
import type { ArrangementRun, RunLine, RunStyle } from './run-parts';

/**
 * One draw of the whole: every stem of every line stepped together in its one vessel, so that they
 * drink from one level and a flower that ends gases its neighbours.
 */
export function stepDraw(run: ArrangementRun, style: RunStyle, marks: Int8Array): void {
  const { lines, hours } = run;
  const { endedFlowerPpm, uptakeMlPerDay, foamGives } = run.figures.constants;
  const gives = run.input.pullsEnded === true ? 0 : endedFlowerPpm;
  const fullMl = run.input.vessel.litres * 1000;
  const retainedMl = run.input.vessel.kind === 'foam' ? fullMl * (1 - foamGives) : 0;
  const { filled } = style.vessel;
  let standing = 0;
  for (const line of lines) standing += line.drawn;
  let gasPpm = 0;
  let levelMl = fullMl;
  let drunkMl = 0;
  for (let hour = 0; hour <= hours; hour++) {
    if (filled[hour] === 1) levelMl = fullMl;
    const day = marks[hour] as number;
    if (day >= 0) {
      readDay(run, style, hour, day, levelMl, drunkMl);
      drunkMl = 0;
    }
    // With nothing left standing only the level is still read; the last hour is read, not stepped.
    if (standing === 0 || hour === hours) continue;
    const quiet = quietHours(run, style, hour, gasPpm, levelMl - retainedMl);
    if (quiet.until > hour + 1) {
      ageAllQuietly(run, style, hour, quiet.until, gasPpm);
      drunkMl += quiet.drunkMl;
      levelMl -= quiet.drunkMl;
      hour = quiet.until - 1;
      continue;
    }
    let endedGiving = 0;
    let drunk = 0;
    for (let i = 0; i < lines.length; i++) {
      const { block, species, each } = lines[i] as RunLine;
      const ended = stepBlock(block, style.lines[i] as LineHours, hour, gasPpm, levelMl > retainedMl);
      drunk += block.drunk * each;
      standing -= ended;
      if (species.ethylene >= 2) endedGiving += ended * each;
    }
    gasPpm += endedGiving * gives;
    const hourMl = (drunk * uptakeMlPerDay) / 24;
    drunkMl += hourMl;
    levelMl = Math.max(retainedMl, levelMl - hourMl);
  }
}

/** Hours in which nothing comes to pass in the whole vessel, and what is drunk in them: one record for all. */
const quietSpan = { until: 0, drunkMl: 0 };

/** How long from `hour` on nothing wakes, ends, is done or looked at, and the water lasts. */
function quietHours(run: ArrangementRun, style: RunStyle, hour: number, gasPpm: number, leftMl: number) {
  const { lines } = run;
  let until = style.nextLook[hour] as number;
  for (let i = 0; i < lines.length && until > hour; i++)
    until = Math.min(
      until,
      quietUntil((lines[i] as RunLine).block, style.lines[i] as LineHours, hour, gasPpm),
    );
  quietSpan.until = until;
  if (until <= hour) return quietSpan;
  let drunk = 0;
  for (let i = 0; i < lines.length; i++) {
    const { block, each } = lines[i] as RunLine;
    drunk += quietlyDrunk(block, style.lines[i] as LineHours, hour, until) * each;
  }
  quietSpan.drunkMl = (drunk * run.figures.constants.uptakeMlPerDay) / 24;
  if (quietSpan.drunkMl >= leftMl) quietSpan.until = hour;
  return quietSpan;
}

function ageAllQuietly(
  { lines }: ArrangementRun,
  style: RunStyle,
  hour: number,
  until: number,
  gasPpm: number,
): void {
  for (let i = 0; i < lines.length; i++)
    ageQuietly((lines[i] as RunLine).block, style.lines[i] as LineHours, hour, until, gasPpm);
}

/** Reads the vessel and the stages of what stands in it, as a day begins. */
function readDay(
  run: ArrangementRun,
  style: RunStyle,
  hour: number,
  day: number,
  levelMl: number,
  drunkMl: number,
): void {
  run.levelByDay[day] = (run.levelByDay[day] ?? 0) + levelMl / 1000;
  run.drunkByDay[day] = (run.drunkByDay[day] ?? 0) + drunkMl;
  for (let i = 0; i < run.lines.length; i++) {
    const { ends, block } = run.lines[i] as RunLine;
    tallyStages(ends, block, style.lines[i] as LineHours, hour, day);
  }
}
