import { MODEL, type Constants } from '../model/constants';
import type { Stay } from './types';

/** The air around stems, hour by hour from the start, in columns. */
export interface AirHours {
  readonly hours: number;
  readonly stays: readonly Stay[];
  /** Index into `stays` of each hour. */
  readonly stayAt: Uint16Array;
  readonly tempC: Float64Array;
  /** Pull of the air on a stem's water against the reference room's, lit or dark. */
  readonly pull: Float64Array;
  readonly ethylenePpm: Float64Array;
  readonly wet: Uint8Array;
}

/** Vapour pressure deficit in kPa, saturation by the Tetens formula. */
export function vapourPressureDeficitKPa(tempC: number, humidityPct: number): number {
  const saturation = 0.6108 * Math.exp((17.27 * tempC) / (tempC + 237.3));
  return saturation * (1 - humidityPct / 100);
}

/** Whether a clock hour lies in a span that may run past midnight; equal ends are an empty span. */
export function isInClockSpan(hourOfDay: number, fromHour: number, toHour: number): boolean {
  if (fromHour === toHour) return false;
  return fromHour < toHour
    ? hourOfDay >= fromHour && hourOfDay < toHour
    : hourOfDay >= fromHour || hourOfDay < toHour;
}

/** Hours a stay lasts; one without an end lasts for ever. */
const lasting = (stay: Stay | undefined): number => stay?.hours ?? Infinity;

/** The air of a stay at an hour of the day: its night's where it has one and that is on. */
const airAt = (stay: Stay, hourOfDay: number): Pick<Stay, 'tempC' | 'humidityPct'> =>
  stay.night && isInClockSpan(hourOfDay, stay.night.fromHour, stay.night.toHour) ? stay.night : stay;

/**
 * The air of each hour from the start, read off the stays in turn. A stay that ends within an
 * hour gives way at the hour's middle.
 */
export function airHours(
  stays: readonly Stay[],
  hours: number,
  startHourOfDay: number,
  constants: Constants = MODEL,
): AirHours {
  const air: AirHours = {
    hours,
    stays,
    stayAt: new Uint16Array(hours),
    tempC: new Float64Array(hours),
    pull: new Float64Array(hours),
    ethylenePpm: new Float64Array(hours),
    wet: new Uint8Array(hours),
  };
  const reference = vapourPressureDeficitKPa(constants.referenceTempC, constants.referenceHumidityPct);
  let at = 0;
  let stayEndsAt = lasting(stays[0]);
  let last = { tempC: NaN, humidityPct: NaN, deficit: 0 };
  for (let hour = 0; hour < hours; hour++) {
    while (hour + 0.5 >= stayEndsAt && at < stays.length - 1) {
      at++;
      stayEndsAt += lasting(stays[at]);
    }
    const stay = stays[at];
    if (!stay) break;
    const hourOfDay = (startHourOfDay + hour) % 24;
    const { tempC, humidityPct } = airAt(stay, hourOfDay);
    if (tempC !== last.tempC || humidityPct !== last.humidityPct)
      last = { tempC, humidityPct, deficit: vapourPressureDeficitKPa(tempC, humidityPct) / reference };
    const lit = (hourOfDay - constants.lightOnHour + 24) % 24 < stay.litHours;
    air.stayAt[hour] = at;
    air.tempC[hour] = tempC;
    air.pull[hour] = last.deficit * (lit ? constants.litDemand : constants.darkDemand);
    air.ethylenePpm[hour] = stay.ethylenePpm;
    air.wet[hour] = stay.wet ? 1 : 0;
  }
  return air;
}
