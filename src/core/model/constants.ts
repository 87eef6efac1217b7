/** One constant of the model: its value, its unit, how far to trust it, what it does. */
export interface ConstantFigure {
  readonly value: number;
  readonly unit: string;
  /** `estimate`: ours, chosen so that the cases in docs/model.md come out right. */
  readonly basis: 'estimate' | 'convention';
  readonly says: string;
}

const estimate = (value: number, unit: string, says: string): ConstantFigure => ({
  value,
  unit,
  basis: 'estimate',
  says,
});
const convention = (value: number, unit: string, says: string): ConstantFigure => ({
  value,
  unit,
  basis: 'convention',
  says,
});

/** Rises whenever a constant or an equation changes; stored with every forecast. */
export const MODEL_VERSION = '1.2.0';

/** Days a forecast looks ahead. What outlives them is counted as still standing. */
export const HORIZON_DAYS = 40;

/**
 * The model's constants, as data. None is a measured value; a shop may override any of them and
 * outcomes may move them.
 */
export const CONSTANTS = {
  referenceTempC: convention(20, '°C', 'temperature of a reference day'),
  referenceHumidityPct: convention(60, '%RH', 'humidity of a reference day'),
  lightOnHour: convention(8, 'h', 'hour of the clock at which light comes on'),

  ethyleneGainSlight: estimate(0.6, '×', 'extra ageing in much ethylene, sensitivity 1'),
  ethyleneGainMarked: estimate(1.6, '×', 'extra ageing in much ethylene, sensitivity 2'),
  ethyleneGainSevere: estimate(3.5, '×', 'extra ageing in much ethylene, sensitivity 3'),
  ethyleneHalfPpm: estimate(0.3, 'ppm', 'ethylene at which half of that is felt'),
  endedFlowerPpm: estimate(0.01, 'ppm', 'given off by a sensitive flower that has ended, to its arrangement'),

  foodBiocideFloor: estimate(0.3, 'share', 'a food whose biocide is under this is spent'),
  spentFoodShare: estimate(0.3, 'share', 'what is left of a spent food’s gain'),
  thirstFromW: estimate(0.93, 'share', 'water content under which thirst ages'),
  thirstWidthW: estimate(0.1, 'share', 'water content over which that rises by one gain'),
  thirstGain: estimate(6, '×', 'extra ageing at that width under it; twice that at most'),
  limpBelowW: estimate(0.85, 'share', 'water content at which a stem is limp and opens slowly'),
  limpOpening: estimate(0.2, '×', 'rate of opening while limp'),
  openingShare: estimate(0.8, 'stage', 'stage gained over a species’ days of opening'),
  openingQ10: estimate(2.5, '×', 'rate of opening per 10 °C'),
  openingBySugar: estimate(0.15, '×', 'extra rate of opening in a full dose of sugar'),
  chillInjuryCDays: estimate(20, '°C·days', 'cold below a species’ limit that injures'),

  litDemand: estimate(1.15, '×', 'pull on water while lit'),
  darkDemand: estimate(0.75, '×', 'pull on water in the dark'),
  bareDemand: estimate(0.35, '×', 'pull on water of a stem without leaves'),
  leafDemand: estimate(0.65, '×', 'pull added by the leaves of a reference rose'),
  referenceLeafiness: convention(2, 'leafiness', 'a leafy rose'),
  uptakeMlPerDay: estimate(25, 'mL', 'drunk in a day by a leafy stem at reference demand'),

  plugByBacteriaPerHour: estimate(0.012, '/h', 'plugging in very dirty water, at plug 1'),
  plugHalfLog10Cfu: estimate(6.5, 'log10 CFU/mL', 'count at which half of that happens'),
  woundClosingPerHour: estimate(0.0006, '/h', 'wound closing at the reference temperature, at plug 1'),
  woundClosingQ10: estimate(2, '×', 'wound closing per 10 °C'),
  airHalfLifeColdH: estimate(10, 'h', 'half-life of an air lock at 5 °C and colder'),
  airHalfLifeRoomH: estimate(6, 'h', 'half-life of an air lock at 20 °C'),
  airHalfLifeWarmH: estimate(1.5, 'h', 'half-life of an air lock at 40 °C and warmer'),
  supplyFull: estimate(2, '×', 'what an unplugged, air-free stem can lift, against reference demand'),
  supplyByAcid: estimate(0.15, '×', 'extra lift in acid water'),
  refillShare: estimate(0.5, '/h', 'share of missing water made good in an hour'),
  refillMaxPerHour: estimate(0.03, '/h', 'most water content made good in an hour'),
  drainPerHour: estimate(0.014, '/h', 'water content lost an hour per unit of demand not met'),
  dryDrain: estimate(0.12, 'share', 'water content lost over a species’ dry hours at reference demand'),
  dryAirHours: estimate(1.5, '× dry hours', 'time constant of air entering a dry stem'),
  wiltingPointMean: estimate(0.82, 'share', 'water content under which a stem wilts'),
  wiltingPointSd: estimate(0.03, 'share', 'its spread between stems'),
  wiltingHours: estimate(18, 'h', 'hours wilting in water after which it does not recover'),
  collapseBelowW: estimate(0.62, 'share', 'water content at which any stem is done for'),
  causeShare: estimate(0.25, 'share', 'of the ageing, for thirst or ethylene to name the cause'),

  lotLifeSpread: estimate(0.1, 'sigma', 'spread of life between lots'),
  plugSpread: estimate(0.3, 'sigma', 'spread of plugging between stems'),
  cutDateErrorSdDays: estimate(0.7, 'days', 'doubt of a cut date that somebody wrote down'),

  careMixCareful: estimate(
    0.3,
    'share',
    'of customers who keep flowers with care, where nothing is known of one',
  ),
  careMixCareless: estimate(0.2, 'share', 'of customers who let them stand'),

  cutFullCm: estimate(2, 'cm', 'a cut that clears all a cut can clear'),
  cutClearsPlug: estimate(0.75, 'share', 'of plugging, cleared by a full cut'),
  cutClearsAir: estimate(0.7, 'share', 'of air, cleared by a full cut'),
  hotDipPlugLeft: estimate(0.5, 'share', 'of plugging left by a hot dip'),
  hotDipAirLeft: estimate(0.2, 'share', 'of air left by a hot dip'),
  returnCutCm: estimate(2, 'cm', 'taken off a stem that comes back to water'),
  recutCm: estimate(2, 'cm', 'taken off at a change of water with a recut'),
  openedLife: estimate(0.55, 'share', 'of life used by a stem fully open on arrival'),
  openedLifeInTurn: estimate(0.3, 'share', 'the same where heads open in turn'),
  blownLife: estimate(0.2, 'share', 'of life more, when blown'),
  closedBlownLife: estimate(0.6, 'share', 'of life used by a blown stem of a kind that does not open'),
  firmW: estimate(0.97, 'share', 'water content of a firm stem'),
  softW: estimate(0.88, 'share', 'water content of a soft one'),
  hangingW: estimate(0.8, 'share', 'water content of a hanging one'),
  softAir: estimate(0.3, 'share', 'least air in a soft stem'),
  hangingAir: estimate(0.6, 'share', 'least air in a hanging one'),

  foamSupply: estimate(0.85, '×', 'what cut ends in foam can lift, against ends in a vase'),
  foamDoseShare: estimate(0.3, 'share', 'of a dose’s food and biocide that stems in foam get'),
  foamHarm: estimate(0.1, '×', 'extra rate of ageing of stems in foam'),
  foamLitter: estimate(0.2, 'leaf share', 'what crumbs and walls of foam add to growth, as leaf under water'),
  foamGives: estimate(0.5, 'share', 'of what foam holds that stems can draw from it'),

  sapHarm: estimate(0.6, '×', 'extra rate of ageing in the sap of others, of what minds it most'),
  sapPlugPerHour: estimate(0.001, '/h', 'plugging in the sap of others, of what minds it most, at plug 1'),
  sapMindedByOthers: estimate(0.5, 'share', 'of that, felt by stems that mind it less'),
  latexAgainstMucilage: estimate(0.5, 'share', 'what latex does of what mucilage does'),
  sapHalfLifeH: estimate(72, 'h', 'half-life of sap in water that is not changed'),
  sapHalfStemsPerLitre: estimate(1, '/L', 'stems that give half of the most their sap can do'),
  mucilageRunsH: estimate(4, 'h', 'alone in water until a tenth of its sap still comes'),

  depthLeafPerCm: estimate(0.05, 'leaf share', 'soft stem under water too deep for it, as leaf, per cm'),
  depthHarmPerCm: estimate(0.009, '×/cm', 'extra rate of ageing of a soft stem, per cm too deep'),
  depthRotPerCm: estimate(0.016, '×/cm', 'the same again in very dirty water: it rots'),
  depthPlugPerHour: estimate(0.0002, '/h', 'plugging of a softened neck, per cm too deep, at plug 1'),

  startCleanLog10: estimate(3.3, 'log10 CFU/mL', 'bacteria in a clean vessel'),
  startRinsedLog10: estimate(5, 'log10 CFU/mL', 'in one only rinsed'),
  startReusedLog10: estimate(6.5, 'log10 CFU/mL', 'in one used again as it stood'),
  bacteriaCeilingLog10: estimate(8.3, 'log10 CFU/mL', 'most that water carries'),
  bacteriaPerHour: estimate(0.08, 'log10/h', 'growth in plain water at 20 °C, far from the ceiling'),
  bacteriaZeroTempC: estimate(-3, '°C', 'temperature at which growth stops'),
  bacteriaHeldByBiocide: estimate(0.85, 'share', 'of growth, held by a full dose'),
  bacteriaFedBySugar: estimate(0.8, '×', 'extra growth in a full dose of sugar'),
  changeRemovesLog10: estimate(1.5, 'log10', 'taken away by a change of water'),
  biocideHalfLifeH: estimate(240, 'h', 'half-life of a biocide at 20 °C, half per 10 °C warmer'),
  chlorineKillPerHour: estimate(0.25, 'log10/h', 'killed at 2 ppm of free chlorine and over'),
  chlorineFloorPpm: estimate(0.3, 'ppm', 'free chlorine under which nothing is killed'),
} as const satisfies Record<string, ConstantFigure>;

export type ConstantKey = keyof typeof CONSTANTS;
export type Constants = Readonly<Record<ConstantKey, number>>;

export const CONSTANT_KEYS = Object.keys(CONSTANTS) as ConstantKey[];

/** The constants as the product ships them. */
export const MODEL: Constants = Object.fromEntries(
  CONSTANT_KEYS.map((key) => [key, CONSTANTS[key].value]),
) as Constants;
