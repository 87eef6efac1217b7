import type { LineHours, StemRules } from './line-hours';
import { layToRest, NO_AIR, wake } from './rest';
import type { StemBlock, StemColumns } from './stem-block';
import { gasFactor } from './step-quiet';

const WORN_OUT = 0;
const WILTED = 1;
const CHILLED = 2;
const GASSED = 3;

/**
 * Steps the stems of a block through one hour and ends those whose time has come.
 * @param gasPpm ethylene given off by ended neighbours, on top of the air's
 * @param hasWater false where the vessel has been drunk empty
 * @returns how many ended
 */
// eslint-disable-next-line complexity -- an hour of every stem goes through here: in one piece it allocates nothing and stays fast
export function stepBlock(
  block: StemBlock,
  line: LineHours,
  hour: number,
  gasPpm: number,
  hasWater: boolean,
): number {
  block.drunk = 0;
  if (block.restingCount + block.awakeCount === 0) return 0;
  const isWet = line.wet[hour] === 1 && hasWater;
  if (block.restingCount > 0 && (hour >= block.nextWakeHour || !isWet)) wake(block, line, hour, !isWet);
  let ageing = (isWet ? line.ageing[hour] : line.ageingDry[hour]) as number;
  let gasShare = 0;
  const ppm = (line.ethylenePpm[hour] as number) + gasPpm;
  if (ppm > 0 && line.ethyleneGain > 0) {
    const gas = gasFactor(line, ppm);
    ageing *= gas;
    gasShare = 1 - 1 / gas;
    block.lineGassed += ageing * gasShare;
  }
  // What rested before this hour ages with its line; what lies down in it does so from the next.
  const agedBefore = block.lineAged;
  block.lineAged = agedBefore + ageing;
  const isChilled = hour + 1 >= line.chilledAtHour;
  let ended = 0;
  if (block.restingCount > 0) {
    if (isWet) block.drunk = block.restingCount * (line.demand[hour] as number);
    if (isChilled || block.lineAged >= block.nextEndAged)
      ended = endAtRest(block, line, hour, agedBefore, ageing, isChilled);
  }
  block.steppedHours += block.awakeCount;
  if (block.awakeCount > 0)
    ended += isWet
      ? stepInWater(block, line, hour, ageing, gasShare, isChilled)
      : stepDry(block, line, hour, ageing, gasShare, isChilled);
  return ended;
}

/** The cause of a stem that wore out: thirst or ethylene, where either made enough of its age. */
function wornOutCause(stems: StemColumns, row: number, causeShare: number): number {
  const aged = stems.agedDays[row] as number;
  const thirst = (stems.thirstDays[row] as number) / aged;
  const gas = (stems.gasDays[row] as number) / aged;
  if (Math.max(thirst, gas) <= causeShare) return WORN_OUT;
  return thirst >= gas ? WILTED : GASSED;
}

/** Ends the resting stems that their line's ageing has overtaken, or the cold. */
function endAtRest(
  block: StemBlock,
  line: LineHours,
  hour: number,
  agedBefore: number,
  ageing: number,
  isChilled: boolean,
): number {
  const { stems, resting } = block;
  const count = block.restingCount;
  let kept = 0;
  let nextEndAged = Infinity;
  for (let k = 0; k < count; k++) {
    const row = resting[k] as number;
    const endsAt = stems.endsAtAged[row] as number;
    if (endsAt > block.lineAged && !isChilled) {
      resting[kept++] = row;
      nextEndAged = Math.min(nextEndAged, endsAt);
      continue;
    }
    stems.agedDays[row] = (stems.agedDays[row] as number) + block.lineAged - (stems.restAged[row] as number);
    stems.gasDays[row] =
      (stems.gasDays[row] as number) + block.lineGassed - (stems.restGassed[row] as number);
    const isWorn = endsAt <= block.lineAged;
    block.endHour[row] = hour + (isWorn ? Math.min(1, Math.max(0, (endsAt - agedBefore) / ageing)) : 1);
    block.cause[row] = isWorn ? wornOutCause(stems, row, line.rules.causeShare) : CHILLED;
  }
  block.restingCount = kept;
  block.nextEndAged = nextEndAged;
  return count - kept;
}

/** Ages an awake stem by the hour. @returns the share of the hour at which it wore out, or -1 */
function age(
  stems: StemColumns,
  row: number,
  rules: StemRules,
  opening: number,
  ageing: number,
  gasShare: number,
): number {
  const water = stems.waterContent[row] as number;
  let aged = ageing;
  if (water < rules.thirstFromW) {
    const short = Math.min(2 * rules.thirstWidthW, rules.thirstFromW - water);
    const thirst = ageing * rules.thirstPerW * short;
    aged += thirst;
    stems.thirstDays[row] = (stems.thirstDays[row] as number) + thirst;
  }
  if (gasShare > 0) stems.gasDays[row] = (stems.gasDays[row] as number) + aged * gasShare;
  const before = stems.agedDays[row] as number;
  stems.agedDays[row] = before + aged;
  if (opening > 0) {
    const stage = stems.stage[row] as number;
    if (stage < 1) {
      const next = stage + (water > rules.limpBelowW ? opening : opening * rules.limpOpening);
      stems.stage[row] = next < 1 ? next : 1;
    }
  }
  const life = stems.lifeDays[row] as number;
  return before + aged >= life ? Math.min(1, Math.max(0, (life - before) / aged)) : -1;
}

/** Notes the end of a stem that this hour has ended. */
function endStem(
  block: StemBlock,
  row: number,
  rules: StemRules,
  hour: number,
  wornAt: number,
  isChilled: boolean,
): void {
  block.endHour[row] = hour + (wornAt >= 0 ? wornAt : 1);
  block.cause[row] =
    wornAt >= 0 ? wornOutCause(block.stems, row, rules.causeShare) : isChilled ? CHILLED : WILTED;
}

function applyCareEvents(stems: StemColumns, row: number, plugRetained: number, airRetained: number): void {
  if (plugRetained !== 1) stems.flowShare[row] = 1 - (1 - (stems.flowShare[row] as number)) * plugRetained;
  if (airRetained !== 1) stems.airShare[row] = (stems.airShare[row] as number) * airRetained;
}

// eslint-disable-next-line complexity, max-lines-per-function -- an hour of every stem goes through here: in one piece it allocates nothing and stays fast
function stepInWater(
  block: StemBlock,
  line: LineHours,
  hour: number,
  ageing: number,
  gasShare: number,
  isChilled: boolean,
): number {
  const { stems, awake } = block;
  const { rules } = line;
  const { refillShare, refillMaxPerHour, drainPerHour, mayRestFromW, wiltingHours, collapseBelowW } = rules;
  const opening = line.opening[hour] as number;
  const plugging = line.plugging[hour] as number;
  const supplyFull = line.supplyFull[hour] as number;
  const demand = line.demand[hour] as number;
  const half = line.airHalfLifeH[hour] as number;
  const plugRetained = line.plugRetained[hour] as number;
  const airRetained = line.airRetained[hour] as number;
  const mayRest = hour + 1 < line.breakAt.length;
  const count = block.awakeCount;
  const restingBefore = block.restingCount;
  let kept = 0;
  let drunk = 0;
  for (let k = 0; k < count; k++) {
    const row = awake[k] as number;
    applyCareEvents(stems, row, plugRetained, airRetained);
    const wornAt = age(stems, row, rules, opening, ageing, gasShare);
    const plug = stems.plugFactor[row] as number;
    const flow = (stems.flowShare[row] as number) * (1 - Math.min(1, plugging * plug));
    stems.flowShare[row] = flow;
    let supply = supplyFull * flow;
    let air = stems.airShare[row] as number;
    if (air > 0) {
      if (stems.airRetainedFor[row] !== half) {
        stems.airRetainedFor[row] = half;
        stems.airRetained[row] = 0.5 ** (1 / (plug * plug * half));
      }
      air *= stems.airRetained[row] as number;
      if (air < NO_AIR) air = 0;
      stems.airShare[row] = air;
      supply *= 1 - air;
    }
    let water = stems.waterContent[row] as number;
    const isMet = supply >= demand;
    if (isMet) {
      water += Math.min(refillShare * (1 - water), refillMaxPerHour);
      drunk += demand;
    } else {
      water -= drainPerHour * (demand - supply);
      drunk += supply;
    }
    stems.waterContent[row] = water;
    const isWilting = water < (stems.wiltingPoint[row] as number);
    const hoursWilting = isWilting ? (stems.hoursWilting[row] as number) + 1 : 0;
    stems.hoursWilting[row] = hoursWilting;
    if (wornAt >= 0 || isChilled || hoursWilting >= wiltingHours || water < collapseBelowW) {
      endStem(block, row, rules, hour, wornAt, isChilled);
      continue;
    }
    if (
      mayRest &&
      isMet &&
      !isWilting &&
      water >= mayRestFromW &&
      hour + 1 >= (stems.askRestFrom[row] as number) &&
      layToRest(block, row, line, hour + 1)
    )
      continue;
    awake[kept++] = row;
  }
  block.awakeCount = kept;
  block.drunk += drunk;
  return count - kept - (block.restingCount - restingBefore);
}

function stepDry(
  block: StemBlock,
  line: LineHours,
  hour: number,
  ageing: number,
  gasShare: number,
  isChilled: boolean,
): number {
  const { stems, awake } = block;
  const { rules } = line;
  const opening = line.openingDry[hour] as number;
  const demand = line.demand[hour] as number;
  const { dryHours } = line.species;
  const drained = (line.constants.dryDrain * demand) / dryHours;
  const airTaken = Math.min(1, Math.min(2, demand) / (line.constants.dryAirHours * dryHours));
  const plugRetained = line.plugRetained[hour] as number;
  const airRetained = line.airRetained[hour] as number;
  const count = block.awakeCount;
  let kept = 0;
  for (let k = 0; k < count; k++) {
    const row = awake[k] as number;
    applyCareEvents(stems, row, plugRetained, airRetained);
    const wornAt = age(stems, row, rules, opening, ageing, gasShare);
    const water = (stems.waterContent[row] as number) - drained;
    stems.waterContent[row] = water;
    const air = stems.airShare[row] as number;
    stems.airShare[row] = air + (1 - air) * airTaken;
    stems.hoursWilting[row] = 0;
    if (wornAt >= 0 || isChilled || water < rules.collapseBelowW)
      endStem(block, row, rules, hour, wornAt, isChilled);
    else awake[kept++] = row;
  }
  block.awakeCount = kept;
  return count - kept;
}
