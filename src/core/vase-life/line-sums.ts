import type { AirHours } from './air';

/** So many terms of ln(1 − x) hold what is left after an hour's plugging to a 1e-12th, up to `SERIES_MOST`. */
const POWERS = 6;
const SERIES_MOST = 0.03;

/** Running sums of a line's columns to the start of each hour: what many quiet hours come to, without going through them. */
export interface LineSums {
  /** Of `ageing`, reference days, and of `demand`, in units of reference demand times hours; hours in water count. */
  readonly agedTo: Float64Array;
  readonly demandTo: Float64Array;
  /** Of `plugging` to each power k from 1 on, over k; an hour's powers side by side. */
  readonly pluggedTo: Float64Array;
  /** Half-lives of an air lock at plug 1 that have passed. */
  readonly halvesTo: Float64Array;
  readonly mostPlugging: number;
  /** The first hour from each on that is dry, brings care, or has other air than it. */
  readonly steadyUntil: Int32Array;
}

interface Summed {
  readonly ageing: Float64Array;
  readonly demand: Float64Array;
  readonly plugging: Float64Array;
  readonly airHalfLifeH: Float64Array;
  readonly breakAt: Int32Array;
}

/** Sums a line's columns up. */
export function lineSums(air: Pick<AirHours, 'hours' | 'wet' | 'ethylenePpm'>, columns: Summed): LineSums {
  const { hours, wet, ethylenePpm } = air;
  const column = (each = 1): Float64Array => new Float64Array((hours + 1) * each);
  const [agedTo, demandTo, halvesTo, pluggedTo] = [column(), column(), column(), column(POWERS)];
  let mostPlugging = 0;
  for (let hour = 0; hour < hours; hour++) {
    const isWet = wet[hour] === 1;
    agedTo[hour + 1] = (agedTo[hour] as number) + (isWet ? (columns.ageing[hour] as number) : 0);
    demandTo[hour + 1] = (demandTo[hour] as number) + (isWet ? (columns.demand[hour] as number) : 0);
    halvesTo[hour + 1] =
      (halvesTo[hour] as number) + (isWet ? 1 / (columns.airHalfLifeH[hour] as number) : 0);
    const plugging = columns.plugging[hour] as number;
    mostPlugging = Math.max(mostPlugging, plugging);
    let power = plugging;
    for (let k = 0; k < POWERS; k++, power *= plugging)
      pluggedTo[(hour + 1) * POWERS + k] = (pluggedTo[hour * POWERS + k] as number) + power / (k + 1);
  }
  const steadyUntil = new Int32Array(hours);
  for (let hour = hours - 1; hour >= 0; hour--) {
    const goesOn = hour + 1 < hours && ethylenePpm[hour + 1] === ethylenePpm[hour];
    const breakAt = columns.breakAt[hour] as number;
    steadyUntil[hour] = Math.min(
      breakAt,
      goesOn ? Math.max(hour + 1, steadyUntil[hour + 1] as number) : hour + 1,
    );
  }
  return { agedTo, demandTo, pluggedTo, halvesTo, mostPlugging, steadyUntil };
}

/** Whether the sums tell this stem's plugging: not where an hour takes too much of it at once. */
export const isSummed = (sums: LineSums, plug: number): boolean => sums.mostPlugging * plug <= SERIES_MOST;

/**
 * Share of a stem's flow that is left after the plugging of those hours: the product of what each leaves,
 * by the series of its logarithm.
 */
export function flowLeft({ pluggedTo }: LineSums, plug: number, from: number, to: number): number {
  const [then, now] = [to * POWERS, from * POWERS];
  let log = 0;
  for (let k = POWERS - 1; k >= 0; k--)
    log = plug * (log + (pluggedTo[then + k] as number) - (pluggedTo[now + k] as number));
  return Math.exp(-log);
}

/** Share of a stem's air lock that is left after those hours. */
export function airLeft({ halvesTo }: LineSums, plug: number, from: number, to: number): number {
  return Math.exp((-Math.LN2 * ((halvesTo[to] as number) - (halvesTo[from] as number))) / (plug * plug));
}
