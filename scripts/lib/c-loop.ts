/** The same forecasts by a plain loop in C, where this machine has a compiler: what a speed is measured against. */
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { drawStems, startArrangement } from '../../src/core/arrangement/run';
import type { ArrangementInput } from '../../src/core/arrangement/types';
import { SeededStream } from '../../src/core/random';
import type { LineHours } from '../../src/core/vase-life/line-hours';
import { lotHours } from '../../src/core/vase-life/predict-lot';
import { hoursToStep } from '../../src/core/vase-life/results';
import {
  drawStem,
  emptyBlock,
  lineStart,
  stemBlock,
  type StemBlock,
} from '../../src/core/vase-life/stem-block';
import type { LotInput } from '../../src/core/vase-life/types';
import type { VesselHours } from '../../src/core/vase-life/vessel-hours';

export interface CLoop {
  readonly ms: number;
  readonly stemHours: number;
}

interface Level {
  readonly fullMl: number;
  readonly retainedMl: number;
  /** Ethylene an ended flower gives off, ppm. */
  readonly gives: number;
}

/** Of a lot's pail nobody minds the level. */
const NO_LEVEL: Level = { fullMl: 1e300, retainedMl: 0, gives: 0 };

/** What a run hands the loop in C, in the order its enums name them. */
class Handed {
  readonly #numbers: number[] = [];

  head(draws: number, lines: readonly LineHours[], hours: number, level: Level): void {
    const [line] = lines;
    if (!line) return;
    const { constants: c, rules: r } = line;
    this.#numbers.push(
      draws,
      lines.length,
      hours,
      level.fullMl,
      level.retainedMl,
      level.gives,
      c.uptakeMlPerDay / 24,
    );
    this.#numbers.push(r.thirstFromW, r.thirstWidthW, r.thirstPerW, r.limpBelowW, r.limpOpening);
    this.#numbers.push(r.refillShare, r.refillMaxPerHour, r.drainPerHour, r.wiltingHours, r.collapseBelowW);
    this.#numbers.push(r.ethyleneHalfPpm, c.dryDrain, c.dryAirHours);
  }

  line(line: LineHours, vessel: VesselHours, stems: number, hours: number): void {
    const { species } = line;
    this.#numbers.push(stems, line.ethyleneGain, species.ethylene >= 2 ? 1 : 0, species.dryHours);
    this.#numbers.push(Math.min(line.chilledAtHour, 1e300));
    const { ageing, ageingDry, opening, openingDry, demand, ethylenePpm, plugging, airHalfLifeH } = line;
    const { supplyFull, plugRetained, airRetained, wet } = line;
    const columns = [ageing, ageingDry, opening, openingDry, demand, ethylenePpm, plugging, airHalfLifeH];
    for (const column of [...columns, supplyFull, plugRetained, airRetained, wet, vessel.filled])
      for (let hour = 0; hour < hours; hour++) this.#numbers.push(column[hour] ?? 0);
  }

  stems({ stems }: StemBlock, count: number): void {
    const { lifeDays, plugFactor, wiltingPoint, agedDays, stage, airShare, waterContent } = stems;
    const columns = [lifeDays, plugFactor, wiltingPoint, agedDays, stage, airShare, waterContent];
    for (let row = 0; row < count; row++)
      for (const column of columns) this.#numbers.push(column[row] ?? NaN);
  }

  bytes(): Buffer {
    return Buffer.from(Float64Array.from(this.#numbers).buffer);
  }
}

/** A loop in C compiled here; null where there is no compiler. The caller ends it. */
export function compileLoop(): { run: (handed: Buffer) => CLoop; end: () => void } | null {
  const folder = mkdtempSync(path.join(os.tmpdir(), 'hush-pail-loop-'));
  const end = (): void => rmSync(folder, { recursive: true, force: true });
  const [binary, numbers] = [path.join(folder, 'stem-loop'), path.join(folder, 'numbers')];
  const source = path.join(import.meta.dirname, '../c-loop/stem-loop.c');
  if (spawnSync('cc', ['-O2', '-std=c99', '-D_GNU_SOURCE', source, '-lm', '-o', binary]).status !== 0) {
    end();
    return null;
  }
  const run = (handed: Buffer): CLoop => {
    writeFileSync(numbers, handed);
    return JSON.parse(spawnSync(binary, [numbers], { encoding: 'utf8' }).stdout) as CLoop;
  };
  return { run, end };
}

/** A lot's hours and stems as the loop reads them. */
export function handLot(input: LotInput): Buffer {
  const hours = hoursToStep(input.countFromHour ?? 0) + 1;
  const { vessel, line } = lotHours(input, hours);
  const handed = new Handed();
  handed.head(input.draws, [line], hours, NO_LEVEL);
  handed.line(line, vessel, 1, hours);
  const start = lineStart(line.species, input.arrival, line.constants, input.supplierLife);
  const [block, luck] = [stemBlock(1), new SeededStream()];
  for (let draw = 0; draw < input.draws; draw++) {
    emptyBlock(block);
    luck.begin(input.seed, draw);
    drawStem(block, 0, start, luck, { lotNormal: luck.normal(), ageNormal: luck.normal() });
    handed.stems(block, 1);
  }
  return handed.bytes();
}

/** An arrangement's, kept in one way. */
export function handArrangement(input: ArrangementInput): Buffer {
  const run = startArrangement(input);
  const [style] = run.styles;
  if (!style) throw new Error('an arrangement is kept in some way');
  const { constants } = run.figures;
  const fullMl = input.vessel.litres * 1000;
  const handed = new Handed();
  handed.head(input.draws, style.lines, run.hours + 1, {
    fullMl,
    retainedMl: 0,
    gives: constants.endedFlowerPpm,
  });
  style.lines.forEach((line, at) =>
    handed.line(line, style.vessel, run.lines[at]?.drawn ?? 0, run.hours + 1),
  );
  for (const luck = new SeededStream(); run.done < input.draws; run.done++) {
    drawStems(run, luck);
    for (const line of run.lines) handed.stems(line.block, line.drawn);
  }
  return handed.bytes();
}
