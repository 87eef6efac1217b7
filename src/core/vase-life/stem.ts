import { idealArrivalStage, opensInVase, type Species } from '../species/species';
import type { RandomStream } from '../random';
import { clamp } from '../statistics';
import { MODEL } from './constants';
import { cutLeaves, ethyleneFactor, type StemHour } from './stem-hours';
import type { Arrival, EndCause } from './types';

/** One stem as it stands. Ages in reference days; shares 0 to 1. */
export interface Stem {
  readonly lifeDays: number;
  readonly plugFactor: number;
  readonly wiltingPoint: number;
  agedDays: number;
  agedByThirst: number;
  agedByEthylene: number;
  stage: number;
  pluggedShare: number;
  airShare: number;
  waterContent: number;
  hoursWilting: number;
  /** Hour it ended, from the start; null while presentable. */
  endHour: number | null;
  cause: EndCause;
}

/**
 * Reference days of life a stem has used by being that open on arrival.
 * Stems whose heads open in turn have used less; those that open no further lose nothing
 * until they are blown.
 */
export function lifeUsedByStage(species: Species, stage: number): number {
  const { single, inTurn, blownExtra, closedBlown } = MODEL.stageLife;
  if (!opensInVase(species)) return stage > 1 ? closedBlown * species.lifeDays20C : 0;
  const full = species.headsOpenInTurn ? inTurn : single;
  if (stage > 1) return (full + blownExtra) * species.lifeDays20C;
  const ideal = idealArrivalStage(species);
  return stage <= ideal ? 0 : (full * species.lifeDays20C * (stage - ideal)) / (1 - ideal);
}

/** A stem drawn from its lot: its own life, ease of plugging and wilting point, its lot's luck in life. */
export function drawStem(
  species: Species,
  arrival: Arrival,
  luck: RandomStream,
  lotNormal: number,
  ageNormal: number,
): Stem {
  const lifeDays =
    species.lifeDays20C * Math.exp(species.lifeSpread * luck.normal() + MODEL.lotLifeSpread * lotNormal);
  const stated = Math.max(0, arrival.agedDays + (arrival.ageErrorSdDays ?? 0) * ageNormal);
  return {
    lifeDays,
    plugFactor: species.plug * Math.exp(MODEL.plugSpread * luck.normal()),
    wiltingPoint: MODEL.wiltingPointMean + MODEL.wiltingPointSd * luck.normal(),
    agedDays: Math.max(stated, lifeUsedByStage(species, arrival.stage)),
    agedByThirst: 0,
    agedByEthylene: 0,
    stage: arrival.stage,
    pluggedShare: 0,
    airShare: Math.max(arrival.airShare ?? 0, MODEL.arrivalAir[arrival.droop]),
    waterContent: MODEL.arrivalW[arrival.droop],
    hoursWilting: 0,
    endHour: null,
    cause: 'still standing',
  };
}

function applyDeeds(stem: Stem, hour: StemHour): void {
  if (hour.cutCm > 0) {
    const leaves = cutLeaves(hour.cutCm);
    stem.pluggedShare *= leaves.plug;
    stem.airShare *= leaves.air;
  }
  if (hour.hotDip) {
    stem.pluggedShare *= MODEL.hotDip.plugLeft;
    stem.airShare *= MODEL.hotDip.airLeft;
  }
}

/** Ages the stem by the hour and returns the share of the hour at which it wore out, or null. */
function age(stem: Stem, hour: StemHour, ethylenePpm: number, species: Species): number | null {
  const gas = ethyleneFactor(ethylenePpm, species.ethylene);
  const thirst = 1 + MODEL.thirstGain * clamp((MODEL.thirstFromW - stem.waterContent) / 0.1, 0, 2);
  const aged = hour.ageing * gas * thirst;
  const left = stem.lifeDays - stem.agedDays;
  stem.agedDays += aged;
  stem.agedByThirst += aged * (1 - 1 / thirst);
  stem.agedByEthylene += aged * (1 - 1 / gas);
  return stem.agedDays >= stem.lifeDays ? clamp(left / aged, 0, 1) : null;
}

function drink(stem: Stem, hour: StemHour): void {
  stem.pluggedShare += (1 - stem.pluggedShare) * Math.min(1, hour.plugging * stem.plugFactor);
  if (stem.airShare > 1e-9)
    stem.airShare *= 0.5 ** (1 / (stem.plugFactor * stem.plugFactor * hour.airHalfLifeH));
  const supply = hour.supplyFull * (1 - stem.pluggedShare) * (1 - stem.airShare);
  if (supply >= hour.demand) {
    const missing = 1 - stem.waterContent;
    stem.waterContent += Math.min(MODEL.refillShare * missing, MODEL.refillMaxPerHour);
  } else {
    stem.waterContent -= MODEL.drainPerHour * (hour.demand - supply);
  }
}

function dryOut(stem: Stem, hour: StemHour, dryHours: number): void {
  stem.waterContent -= (0.12 * hour.demand) / dryHours;
  const taken = Math.min(1, Math.min(2, hour.demand) / (1.5 * dryHours));
  stem.airShare += (1 - stem.airShare) * taken;
}

function wornOutCause(stem: Stem): EndCause {
  const thirst = stem.agedByThirst / stem.agedDays;
  const gas = stem.agedByEthylene / stem.agedDays;
  if (Math.max(thirst, gas) <= 0.25) return 'worn out';
  return thirst >= gas ? 'wilted' : 'gassed';
}

/**
 * Steps a stem through one hour and ends it when its time has come.
 * @param index the hour, from the start
 * @param ethylenePpm the air's, with what its ended neighbours give off
 */
export function stepStem(
  stem: Stem,
  species: Species,
  hour: StemHour,
  index: number,
  ethylenePpm: number,
  chilledAtHour: number,
): void {
  applyDeeds(stem, hour);
  const wornAt = age(stem, hour, ethylenePpm, species);
  if (hour.opening > 0 && stem.stage < 1) {
    const limp = stem.waterContent > MODEL.limpBelowW ? 1 : 0.2;
    stem.stage = Math.min(1, stem.stage + hour.opening * limp);
  }
  if (hour.wet) drink(stem, hour);
  else dryOut(stem, hour, species.dryHours);
  stem.hoursWilting = hour.wet && stem.waterContent < stem.wiltingPoint ? stem.hoursWilting + 1 : 0;

  if (wornAt !== null) {
    stem.endHour = index + wornAt;
    stem.cause = wornOutCause(stem);
  } else if (index + 1 >= chilledAtHour) {
    stem.endHour = index + 1;
    stem.cause = 'chilled';
  } else if (stem.hoursWilting >= MODEL.wiltingHours || stem.waterContent < MODEL.collapseBelowW) {
    stem.endHour = index + 1;
    stem.cause = 'wilted';
  }
}
