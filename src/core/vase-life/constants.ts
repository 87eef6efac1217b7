/**
 * The model's constants. All are estimates of ours, chosen together so that the cases in
 * docs/model.md come out right; none is a measured value, and outcomes may move them.
 */
export const MODEL_VERSION = '1.0.0';

/** Days a forecast looks ahead. What outlives them is counted as still standing. */
export const HORIZON_DAYS = 40;

export const MODEL = {
  referenceTempC: 20,
  referenceHumidityPct: 60,
  /** Extra ageing at saturating ethylene, by sensitivity 0 to 3. */
  ethyleneGain: [0, 0.6, 1.6, 3.5],
  ethyleneHalfPpm: 0.3,
  /** A dose under this effective biocide feeds bacteria as much as the flower. */
  foodBiocideFloor: 0.3,
  spentFoodShare: 0.3,
  thirstFromW: 0.93,
  thirstGain: 6,
  limpBelowW: 0.85,
  chillInjuryCDays: 20,
  litDemand: 1.15,
  darkDemand: 0.75,
  lightOnHour: 8,
  bareDemand: 0.35,
  leafDemand: 0.65,
  referenceLeafiness: 2,
  plugByBacteriaPerHour: 0.012,
  plugHalfLog10Cfu: 6.5,
  woundClosingPerHour: 0.0006,
  supplyFull: 2,
  refillShare: 0.5,
  refillMaxPerHour: 0.03,
  drainPerHour: 0.014,
  wiltingPointMean: 0.82,
  wiltingPointSd: 0.03,
  wiltingHours: 18,
  collapseBelowW: 0.62,
  lotLifeSpread: 0.1,
  plugSpread: 0.3,
  /** Days of age, where the age rests on a cut date that somebody wrote down. */
  cutDateErrorSdDays: 0.7,
  cut: { fullCm: 2, plugCleared: 0.75, airCleared: 0.7 },
  hotDip: { plugLeft: 0.5, airLeft: 0.2 },
  /** Centimetres taken off a stem that comes back to water, unless said otherwise. */
  returnCutCm: 2,
  recutCm: 2,
  stageLife: { single: 0.55, inTurn: 0.3, blownExtra: 0.2, closedBlown: 0.6 },
  arrivalW: { firm: 0.97, soft: 0.88, hanging: 0.8 },
  arrivalAir: { firm: 0, soft: 0.3, hanging: 0.6 },
  /** What an ethylene-sensitive flower that has ended gives off, ppm in its own arrangement. */
  endedFlowerPpm: 0.01,
} as const;
