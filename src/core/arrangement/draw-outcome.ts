import { DAYS, daysLeftOf } from '../vase-life/results';

/** How one line of one draw ended: its stems' end hours, ascending, those that outlived it last as NaN. */
export interface EndedLine {
  readonly endHours: Float64Array;
  /** Weight of one stem in the whole. */
  readonly weight: number;
}

/** A date's rule: the share of the weight that has ended, and whether reaching it is enough. */
interface DateRule {
  readonly endedShare: number;
  readonly reaching: boolean;
}
export const FIRST_FADE: DateRule = { endedShare: 0.1, reaching: true };
export const STILL_A_GIFT: DateRule = { endedShare: 0.25, reaching: false };
export const LAST_STAND: DateRule = { endedShare: 0.5, reaching: false };

/** The line whose next stem ends first, once `ended` of each line's have; -1 when none ends any more. */
function nextToEnd(lines: readonly EndedLine[], ended: Int32Array, without: number): number {
  let first = -1;
  let firstHour = Infinity;
  for (let i = 0; i < lines.length; i++) {
    const hour = i === without ? undefined : lines[i]?.endHours[ended[i] as number];
    if (hour !== undefined && hour < firstHour) {
      first = i;
      firstHour = hour;
    }
  }
  return first;
}

/**
 * Days from `countFromHour` until so much of the weight has ended, walking all lines' ends in the
 * order of time; the horizon when it never comes to that.
 * @param without index of a line to leave out, its weight with it
 */
export function dateOf(
  lines: readonly EndedLine[],
  rule: DateRule,
  countFromHour: number,
  without = -1,
): number {
  let whole = 0;
  for (let i = 0; i < lines.length; i++) {
    const line = lines[i];
    if (line && i !== without) whole += line.weight * line.endHours.length;
  }
  const enough = rule.endedShare * whole + (rule.reaching ? -1e-9 : 1e-9);
  const next = new Int32Array(lines.length);
  let ended = 0;
  for (;;) {
    const first = nextToEnd(lines, next, without);
    const line = lines[first];
    if (!line) return daysLeftOf(NaN, countFromHour);
    const at = next[first] as number;
    ended += line.weight;
    next[first] = at + 1;
    if (ended > enough || (rule.reaching && ended >= enough))
      return daysLeftOf(line.endHours[at] as number, countFromHour);
  }
}

/** Writes the share of the weight presentable at the start of each day into `out`. */
export function shareByDay(lines: readonly EndedLine[], countFromHour: number, out: Float64Array): void {
  let whole = 0;
  out.fill(0);
  for (const { endHours, weight } of lines) {
    whole += weight * endHours.length;
    let ended = 0;
    for (const day of DAYS) {
      const mark = countFromHour + day * 24;
      while (ended < endHours.length && (endHours[ended] ?? NaN) <= mark) ended++;
      out[day] = (out[day] ?? 0) + weight * (endHours.length - ended);
    }
  }
  for (const day of DAYS) out[day] = (out[day] ?? 0) / whole;
}
