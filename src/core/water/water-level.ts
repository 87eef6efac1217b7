import { MODEL } from '../model/constants';
import { vapourPressureDeficitKPa } from '../vase-life/air';
import { surfaceOver, type PailShape } from './pail-shape';

/** Open water that goes off in a day at 20 °C and 60 %RH, mm (estimate). */
const OPEN_MM_A_DAY = 2;
/** A pail that stands dry is told as that, litres: less than this nobody pours off. */
export const DRY_L = 0.05;
const CM3_A_LITRE = 1000;
/** Of a rose, whose leaves the demand of all is told by. */
const REFERENCE_LEAFINESS = 2;

/** Air over a pail. */
export interface AirOver {
  readonly tempC: number;
  readonly humidityPct: number;
}

/** The pull of the air against the reference room's. */
const pullOf = ({ tempC, humidityPct }: AirOver): number =>
  vapourPressureDeficitKPa(tempC, humidityPct) /
  vapourPressureDeficitKPa(MODEL.referenceTempC, MODEL.referenceHumidityPct);

/** Litres that go off in an hour from the open water of a pail in such air, by what it holds. */
export function evaporation(pail: PailShape, air: AirOver): (litres: number) => number {
  const surfaceCm2 = surfaceOver(pail);
  const cm = (OPEN_MM_A_DAY * pullOf(air)) / 24 / 10;
  return (litres) => (cm * surfaceCm2(litres)) / CM3_A_LITRE;
}

/** Stems that stand in a pail. */
export interface Drinkers {
  readonly stems: number;
  /** 0 bare to 2 leafy, as the table has it. */
  readonly leafiness: number;
}

/** Litres they drink in a day in such air, each with its leaves on: the forecast's own demand. */
export function drunkInDay(drinkers: readonly Drinkers[], air: AirOver): number {
  const { bareDemand, leafDemand } = MODEL;
  const demand = drinkers.reduce(
    (sum, d) => sum + d.stems * (bareDemand + (leafDemand * d.leafiness) / REFERENCE_LEAFINESS),
    0,
  );
  return (demand * MODEL.uptakeMlPerDay * pullOf(air)) / 1000;
}
