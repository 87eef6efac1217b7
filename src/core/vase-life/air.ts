import { MODEL } from './constants';
import type { Stay } from './types';

/** The air around a stem for one hour. */
export interface HourOfAir {
  readonly tempC: number;
  readonly humidityPct: number;
  readonly ethylenePpm: number;
  readonly lit: boolean;
  readonly wet: boolean;
  readonly stay: Stay;
}

/** Vapour pressure deficit in kPa, saturation by the Tetens formula. */
export function vapourPressureDeficitKPa(tempC: number, humidityPct: number): number {
  const saturation = 0.6108 * Math.exp((17.27 * tempC) / (tempC + 237.3));
  return saturation * (1 - humidityPct / 100);
}

const REFERENCE_VPD = vapourPressureDeficitKPa(MODEL.referenceTempC, MODEL.referenceHumidityPct);

/** Pull of the air on a stem's water against the reference room's, lit or dark. */
export function airPull(air: HourOfAir): number {
  const light = air.lit ? MODEL.litDemand : MODEL.darkDemand;
  return (vapourPressureDeficitKPa(air.tempC, air.humidityPct) / REFERENCE_VPD) * light;
}

/** Whether a clock hour lies in a span that may run past midnight; equal ends are an empty span. */
export function isInClockSpan(hourOfDay: number, fromHour: number, toHour: number): boolean {
  if (fromHour === toHour) return false;
  return fromHour < toHour
    ? hourOfDay >= fromHour && hourOfDay < toHour
    : hourOfDay >= fromHour || hourOfDay < toHour;
}

/**
 * The air of each hour from the start, read off the stays in turn. A stay that ends within an
 * hour gives way at the hour's middle.
 */
export function airByHour(stays: readonly Stay[], hours: number, startHourOfDay: number): HourOfAir[] {
  const out: HourOfAir[] = [];
  let index = 0;
  let stayEndsAt = stays[0]?.hours ?? Infinity;
  for (let hour = 0; hour < hours; hour++) {
    while (hour + 0.5 >= stayEndsAt && index < stays.length - 1) {
      index++;
      stayEndsAt += stays[index]?.hours ?? Infinity;
    }
    const stay = stays[index];
    if (!stay) break;
    const hourOfDay = (startHourOfDay + hour) % 24;
    const { night } = stay;
    const air = night && isInClockSpan(hourOfDay, night.fromHour, night.toHour) ? night : stay;
    out.push({
      tempC: air.tempC,
      humidityPct: air.humidityPct,
      ethylenePpm: stay.ethylenePpm,
      lit: (hourOfDay - MODEL.lightOnHour + 24) % 24 < stay.litHours,
      wet: stay.wet,
      stay,
    });
  }
  return out;
}
