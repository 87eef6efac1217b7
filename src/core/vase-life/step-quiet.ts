import type { LineHours } from './line-hours';
import type { StemBlock } from './stem-block';

/** Factor by which so much ethylene hastens a line's ageing. */
export function gasFactor(line: LineHours, ppm: number): number {
  return ppm > 0 && line.ethyleneGain > 0
    ? 1 + (line.ethyleneGain * ppm) / (ppm + line.rules.ethyleneHalfPpm)
    : 1;
}

const factorAt = (line: LineHours, hour: number, gasPpm: number): number =>
  gasFactor(line, (line.ethylenePpm[hour] as number) + gasPpm);

/**
 * The hour up to which nothing comes to pass in a block: every stem rests in water, none wakes, none ends, no
 * care is done and the air stays as it is. The hour itself where something does.
 */
export function quietUntil(block: StemBlock, line: LineHours, hour: number, gasPpm: number): number {
  if (block.awakeCount > 0) return hour;
  if (block.restingCount === 0) return Infinity;
  const { agedTo, steadyUntil } = line.sums;
  const until = Math.min(block.nextWakeHour, steadyUntil[hour] as number, line.chilledAtHour - 1);
  if (until <= hour) return hour;
  const toEnd = (block.nextEndAged - block.lineAged) / factorAt(line, hour, gasPpm);
  const endsAt = (agedTo[hour] as number) + toEnd;
  if ((agedTo[until] as number) < endsAt) return until;
  let [quiet, ended] = [hour, until];
  while (ended - quiet > 1) {
    const middle = (quiet + ended) >> 1;
    if ((agedTo[middle] as number) < endsAt) quiet = middle;
    else ended = middle;
  }
  return quiet;
}

/** What a block drinks from `hour` to `until` while it is quiet, in units of reference demand times hours. */
export function quietlyDrunk(block: StemBlock, line: LineHours, hour: number, until: number): number {
  if (block.restingCount === 0) return 0;
  const { demandTo } = line.sums;
  return block.restingCount * ((demandTo[until] as number) - (demandTo[hour] as number));
}

/** Ages a block's line from `hour` to `until`, between which it is quiet. */
export function ageQuietly(
  block: StemBlock,
  line: LineHours,
  hour: number,
  until: number,
  gasPpm: number,
): void {
  if (block.restingCount === 0) return;
  const { agedTo } = line.sums;
  const factor = factorAt(line, hour, gasPpm);
  const aged = ((agedTo[until] as number) - (agedTo[hour] as number)) * factor;
  block.lineAged += aged;
  block.lineGassed += aged * (1 - 1 / factor);
}
