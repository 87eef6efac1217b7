import type { RandomStream } from '../random';
import { idealArrivalStage, opensInVase, type Species } from '../species/species';
import { MODEL, type Constants } from '../model/constants';
import type { Arrival, SupplierLife } from './types';

/** What stems are, a column each; a stem is a row. Ages in reference days; shares 0 to 1. */
export interface StemColumns {
  readonly lifeDays: Float64Array;
  readonly plugFactor: Float64Array;
  readonly wiltingPoint: Float64Array;
  readonly agedDays: Float64Array;
  /** Parts of its age that thirst and ethylene made. */
  readonly thirstDays: Float64Array;
  readonly gasDays: Float64Array;
  readonly stage: Float64Array;
  /** Share of conductance not plugged, and share lost to air. */
  readonly flowShare: Float64Array;
  readonly airShare: Float64Array;
  readonly waterContent: Float64Array;
  readonly hoursWilting: Float64Array;
  /** Share of air left after an hour, and the half-life it was worked out for. */
  readonly airRetained: Float64Array;
  readonly airRetainedFor: Float64Array;
  /** At rest: since when and till when, as it will wake, and its line's ageing as it lay down. */
  readonly restFrom: Float64Array;
  readonly wakeAt: Float64Array;
  readonly wakeFlow: Float64Array;
  readonly wakeAir: Float64Array;
  readonly restAged: Float64Array;
  readonly restGassed: Float64Array;
  /** The line's ageing at which it will have ended. */
  readonly endsAtAged: Float64Array;
  /** Hour before which it is not worth asking whether the stem may rest. */
  readonly askRestFrom: Float64Array;
}

/**
 * Stems of one line stepped together. A stem that stands firm in water it can lift *rests*: until
 * its water falls short, or its line has aged enough, nothing about it needs its own arithmetic,
 * so it is left alone till then.
 */
export interface StemBlock {
  readonly stems: StemColumns;
  /** Rows that are stepped by the hour, and rows at rest; ended stems are in neither. */
  readonly awake: Int32Array;
  readonly resting: Int32Array;
  awakeCount: number;
  restingCount: number;
  /** Earliest hour at which a resting stem wakes; `lineAged` at which the first of them ends. */
  nextWakeHour: number;
  nextEndAged: number;
  /** Reference days that a stem of the line without thirst has aged since the start, and ethylene's part. */
  lineAged: number;
  lineGassed: number;
  /** Hour each stem ended, NaN while it stands; its cause as an index of END_CAUSES. */
  readonly endHour: Float64Array;
  readonly cause: Uint8Array;
  /** Hours of stems that were stepped one by one; the others' were reckoned many at once. */
  steppedHours: number;
  /** Drunk in the last hour, in units of reference demand times hours. */
  drunk: number;
}

/** Index of "still standing" among END_CAUSES. */
export const STILL_STANDING = 4;

/** A block with room for that many stems. */
export function stemBlock(size: number): StemBlock {
  const column = (): Float64Array => new Float64Array(size);
  return {
    stems: {
      lifeDays: column(),
      plugFactor: column(),
      wiltingPoint: column(),
      agedDays: column(),
      thirstDays: column(),
      gasDays: column(),
      stage: column(),
      flowShare: column(),
      airShare: column(),
      waterContent: column(),
      hoursWilting: column(),
      airRetained: column(),
      airRetainedFor: column(),
      restFrom: column(),
      wakeAt: column(),
      wakeFlow: column(),
      wakeAir: column(),
      restAged: column(),
      restGassed: column(),
      endsAtAged: column(),
      askRestFrom: column(),
    },
    awake: new Int32Array(size),
    resting: new Int32Array(size),
    awakeCount: 0,
    restingCount: 0,
    nextWakeHour: Infinity,
    nextEndAged: Infinity,
    lineAged: 0,
    lineGassed: 0,
    endHour: column(),
    cause: new Uint8Array(size),
    steppedHours: 0,
    drunk: 0,
  };
}

/** Empties a block for the next stems. */
export function emptyBlock(block: StemBlock): void {
  block.awakeCount = 0;
  block.restingCount = 0;
  block.nextWakeHour = Infinity;
  block.nextEndAged = Infinity;
  block.lineAged = 0;
  block.lineGassed = 0;
  block.steppedHours = 0;
}

/**
 * Reference days of life a stem has used by being that open on arrival.
 * Stems whose heads open in turn have used less; those that open no further lose nothing
 * until they are blown.
 */
export function lifeUsedByStage(species: Species, stage: number, constants: Constants = MODEL): number {
  const { openedLife, openedLifeInTurn, blownLife, closedBlownLife } = constants;
  if (!opensInVase(species)) return stage > 1 ? closedBlownLife * species.lifeDays20C : 0;
  const full = species.headsOpenInTurn ? openedLifeInTurn : openedLife;
  if (stage > 1) return (full + blownLife) * species.lifeDays20C;
  const ideal = idealArrivalStage(species);
  return stage <= ideal ? 0 : (full * species.lifeDays20C * (stage - ideal)) / (1 - ideal);
}

/** What a lot's stems have in common: where they start, and their lot's luck. */
export interface LotLuck {
  readonly lotNormal: number;
  readonly ageNormal: number;
}

/** What every stem of a line starts from, worked out once. */
export interface LineStart {
  readonly species: Species;
  readonly constants: Constants;
  readonly agedDays: number;
  readonly ageErrorSdDays: number;
  readonly usedByStage: number;
  readonly stage: number;
  readonly air: number;
  readonly water: number;
  readonly supplier: SupplierLife;
}

/** The start of a line's stems from their arrival. */
export function lineStart(
  species: Species,
  arrival: Arrival,
  constants: Constants,
  supplierLife?: SupplierLife,
): LineStart {
  const { firmW, softW, hangingW, softAir, hangingAir } = constants;
  const { droop } = arrival;
  const leastAir = droop === 'firm' ? 0 : droop === 'soft' ? softAir : hangingAir;
  return {
    species,
    constants,
    agedDays: arrival.agedDays,
    ageErrorSdDays: arrival.ageErrorSdDays ?? 0,
    usedByStage: lifeUsedByStage(species, arrival.stage, constants),
    stage: arrival.stage,
    air: Math.max(arrival.airShare ?? 0, leastAir),
    water: droop === 'firm' ? firmW : droop === 'soft' ? softW : hangingW,
    supplier: supplierLife ?? { factor: 1, spread: constants.lotLifeSpread },
  };
}

/**
 * Puts a stem drawn from its lot into row `row` of a block, standing and awake: its own life, ease
 * of plugging and wilting point from `luck`, its lot's luck in life and in the doubt of its age.
 */
export function drawStem(
  block: StemBlock,
  row: number,
  start: LineStart,
  luck: RandomStream,
  lot: LotLuck,
): void {
  const { stems } = block;
  const { species, constants, supplier } = start;
  stems.thirstDays[row] = 0;
  stems.gasDays[row] = 0;
  stems.hoursWilting[row] = 0;
  stems.airRetainedFor[row] = 0;
  stems.askRestFrom[row] = 0;
  stems.lifeDays[row] =
    species.lifeDays20C *
    supplier.factor *
    Math.exp(species.lifeSpread * luck.normal() + supplier.spread * lot.lotNormal);
  stems.plugFactor[row] = species.plug * Math.exp(constants.plugSpread * luck.normal());
  stems.wiltingPoint[row] = constants.wiltingPointMean + constants.wiltingPointSd * luck.normal();
  const stated = Math.max(0, start.agedDays + start.ageErrorSdDays * lot.ageNormal);
  stems.agedDays[row] = Math.max(stated, start.usedByStage);
  stems.stage[row] = start.stage;
  stems.flowShare[row] = 1;
  stems.airShare[row] = start.air;
  stems.waterContent[row] = start.water;
  block.endHour[row] = NaN;
  block.cause[row] = STILL_STANDING;
  block.awake[block.awakeCount++] = row;
}
