import type { LineHours } from './line-hours';
import { airLeft, flowLeft, isSummed } from './line-sums';
import type { StemBlock, StemColumns } from './stem-block';

/** Under this an air lock no longer bears on anything. */
export const NO_AIR = 1e-11;
/** A rest shorter than this costs more to arrange than it saves. */
const WORTH_HOURS = 12;

/** Flow and air of a stem at rest, walked from one hour to another or to the first it cannot lift. */
const walked = { hour: 0, flow: 0, air: 0 };

/** So many hours at once are worth the sums; fewer are walked. */
const WORTH_SUMMING = 12;
const WALKED_AT_ONCE = 24;

/** A stem's plugging and air after the quiet hours from one to another, left in `walked`. */
function bringTo(stems: StemColumns, row: number, line: LineHours, from: number, to: number): void {
  const plug = stems.plugFactor[row] as number;
  startWalk(stems, row, from);
  if (to - from < WORTH_SUMMING || !isSummed(line.sums, plug)) walk(stems, row, line, to, false);
  else bringWalked(line, plug, to, walked.flow * flowLeft(line.sums, plug, from, to));
}

/** Finds the first hour before the break whose demand a stem could not meet; leaves it in `walked`. */
function findShort(stems: StemColumns, row: number, line: LineHours, from: number, limit: number): void {
  const plug = stems.plugFactor[row] as number;
  startWalk(stems, row, from);
  let span = isSummed(line.sums, plug) ? limit - from : 0;
  while (walked.hour < limit) {
    const { hour, flow, air } = walked;
    if (span < WORTH_SUMMING) {
      const until = span === 0 ? limit : Math.min(limit, hour + WALKED_AT_ONCE);
      walk(stems, row, line, until, true);
      if (walked.hour < until) return;
      span = span === 0 ? 0 : WALKED_AT_ONCE;
      continue;
    }
    const to = Math.min(limit, hour + span);
    const flowThen = flow * flowLeft(line.sums, plug, hour, to);
    // Flow only falls and air only goes: what it could lift at worst in these hours is more than any asks.
    if (flowThen * (1 - air) < (line.mostNeededToBreak[hour] as number)) span >>= 1;
    else bringWalked(line, plug, to, flowThen);
  }
}

/** Moves `walked` on to an hour by the sums. */
function bringWalked(line: LineHours, plug: number, to: number, flow: number): void {
  if (walked.air > 0) walked.air *= airLeft(line.sums, plug, walked.hour, to);
  if (walked.air < NO_AIR) walked.air = 0;
  walked.hour = to;
  walked.flow = flow;
}

function startWalk(stems: StemColumns, row: number, from: number): void {
  walked.hour = from;
  walked.flow = stems.flowShare[row] as number;
  walked.air = stems.airShare[row] as number;
}

/**
 * Walks a stem's plugging and air on from where `walked` stands until `limit`, or with `watching`
 * until the first hour whose demand it could not meet. Leaves what it found in `walked`: one
 * record for all, so that the walk allocates nothing.
 */
// eslint-disable-next-line complexity -- an hour of every stem goes through here: in one piece it allocates nothing and stays fast
function walk(stems: StemColumns, row: number, line: LineHours, limit: number, watching: boolean): void {
  const { plugging, airHalfLifeH, flowNeeded } = line;
  const plug = stems.plugFactor[row] as number;
  let { hour, flow, air } = walked;
  let kept = stems.airRetained[row] as number;
  let retainedFor = stems.airRetainedFor[row] as number;
  for (; hour < limit && air > 0; hour++) {
    const half = airHalfLifeH[hour] as number;
    if (half !== retainedFor) {
      retainedFor = half;
      kept = 0.5 ** (1 / (plug * plug * half));
    }
    const taken = (plugging[hour] as number) * plug;
    const nextFlow = flow * (1 - (taken < 1 ? taken : 1));
    let nextAir = air * kept;
    if (nextAir < NO_AIR) nextAir = 0;
    if (watching && nextFlow * (1 - nextAir) < (flowNeeded[hour] as number)) break;
    flow = nextFlow;
    air = nextAir;
  }
  if (air === 0)
    for (; hour < limit; hour++) {
      const taken = (plugging[hour] as number) * plug;
      const nextFlow = flow * (1 - (taken < 1 ? taken : 1));
      if (watching && nextFlow < (flowNeeded[hour] as number)) break;
      flow = nextFlow;
    }
  walked.hour = hour;
  walked.flow = flow;
  walked.air = air;
}

/** Whether a stem is sure to lift all that is asked of it until the next break, without walking there. */
function isSureToLift(stems: StemColumns, row: number, line: LineHours, from: number): boolean {
  // Plugging hour by hour leaves no less than plugging all at once would.
  const left = 1 - (line.pluggingToBreak[from] as number) * (stems.plugFactor[row] as number);
  const open = 1 - (stems.airShare[row] as number);
  return (stems.flowShare[row] as number) * left * open >= (line.mostNeededToBreak[from] as number);
}

/**
 * Lays a stem to rest from the start of hour `from`, when it will be able to lift what is asked of
 * it for a while. The caller has seen to it that it stands in water, neither thirsty nor limp.
 * @returns whether it rests
 */
export function layToRest(block: StemBlock, row: number, line: LineHours, from: number): boolean {
  const { stems } = block;
  const limit = line.breakAt[from] as number;
  let wakeAt = limit;
  if (limit - from >= WORTH_HOURS && isSureToLift(stems, row, line, from)) {
    // What it wakes to is walked when it wakes: many end at rest.
    stems.wakeFlow[row] = NaN;
  } else {
    findShort(stems, row, line, from, limit);
    wakeAt = walked.hour;
    if (wakeAt - from < WORTH_HOURS) {
      stems.askRestFrom[row] = wakeAt + 1;
      return false;
    }
    stems.wakeFlow[row] = walked.flow;
    stems.wakeAir[row] = walked.air;
  }
  const endsAt = (stems.lifeDays[row] as number) - (stems.agedDays[row] as number) + block.lineAged;
  stems.restFrom[row] = from;
  stems.wakeAt[row] = wakeAt;
  stems.restAged[row] = block.lineAged;
  stems.restGassed[row] = block.lineGassed;
  stems.endsAtAged[row] = endsAt;
  block.resting[block.restingCount++] = row;
  if (wakeAt < block.nextWakeHour) block.nextWakeHour = wakeAt;
  if (endsAt < block.nextEndAged) block.nextEndAged = endsAt;
  return true;
}

/** Share of the water a stem lacks that it still lacks after so many hours at rest. */
function shareMissing({ rules }: LineHours, hours: number): number {
  const { missingAfter } = rules;
  return hours < missingAfter.length ? (missingAfter[hours] as number) : (1 - rules.refillShare) ** hours;
}

/** Brings a resting stem's row up to the start of `hour`. It stays in the list of those at rest. */
export function bringUpToDate(block: StemBlock, row: number, line: LineHours, hour: number): void {
  const { stems } = block;
  const from = stems.restFrom[row] as number;
  if (hour === stems.wakeAt[row] && !Number.isNaN(stems.wakeFlow[row])) {
    stems.flowShare[row] = stems.wakeFlow[row] as number;
    stems.airShare[row] = stems.wakeAir[row] as number;
  } else {
    bringTo(stems, row, line, from, hour);
    stems.flowShare[row] = walked.flow;
    stems.airShare[row] = walked.air;
  }
  const missing = 1 - (stems.waterContent[row] as number);
  stems.waterContent[row] = 1 - missing * shareMissing(line, hour - from);
  stems.stage[row] = stageAtRest(stems, row, line, hour);
  stems.agedDays[row] = (stems.agedDays[row] as number) + block.lineAged - (stems.restAged[row] as number);
  stems.gasDays[row] = (stems.gasDays[row] as number) + block.lineGassed - (stems.restGassed[row] as number);
  stems.restFrom[row] = hour;
  stems.restAged[row] = block.lineAged;
  stems.restGassed[row] = block.lineGassed;
}

/** Stage of a resting stem at the start of `hour`: it has opened with its line. */
export function stageAtRest(stems: StemColumns, row: number, line: LineHours, hour: number): number {
  const stage = stems.stage[row] as number;
  if (stage >= 1) return stage;
  const opened = (line.openedBy[hour] as number) - (line.openedBy[stems.restFrom[row] as number] as number);
  return Math.min(1, stage + opened);
}

/** Wakes the resting stems whose hour has come; all of them when the water has gone. */
export function wake(block: StemBlock, line: LineHours, hour: number, everyone: boolean): void {
  if (!everyone && hour < block.nextWakeHour) return;
  const { stems, resting } = block;
  let kept = 0;
  let nextWakeHour = Infinity;
  let nextEndAged = Infinity;
  for (let k = 0; k < block.restingCount; k++) {
    const row = resting[k] as number;
    const wakeAt = stems.wakeAt[row] as number;
    if (everyone || wakeAt <= hour) {
      bringUpToDate(block, row, line, hour);
      stems.askRestFrom[row] = hour + 1;
      block.awake[block.awakeCount++] = row;
      continue;
    }
    resting[kept++] = row;
    nextWakeHour = Math.min(nextWakeHour, wakeAt);
    nextEndAged = Math.min(nextEndAged, stems.endsAtAged[row] as number);
  }
  block.restingCount = kept;
  block.nextWakeHour = nextWakeHour;
  block.nextEndAged = nextEndAged;
}
