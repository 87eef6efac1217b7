import type { Depth, Species } from '../species/species';
import { SOLUTION_KEYS, SOLUTIONS } from '../water/solutions';
import { skinCaution } from './cautions';
import { CLOCKLESS, NOTHING, stepKind, type ParamsIn, type Said } from './descriptor';
import { depthFigure, HOUR, MINUTE, timeFigure, warmthFigure, warmthWord } from './figures';
import { depthCm, flag, numberIn, oneOf, tempC } from './params';

/** The depth's word for a number of centimetres. */
function depthOf(cm: number): Depth {
  if (cm <= 6) return 'shallow';
  if (cm <= 10) return 'third';
  return cm < 18 ? 'normal' : 'deep';
}

const SAP_SOAK = { company: oneOf(['alone', 'its own kind']), hours: numberIn(0.1, 48), depthCm, tempC };
function soakSaid(p: ParamsIn<typeof SAP_SOAK>, species: Species): Said {
  const isAlone = p.company === 'alone';
  return {
    title: isAlone
      ? `Straight into ${warmthWord(p.tempC)} water, alone. No cut`
      : 'Let it drink with its own kind only',
    doneWord: isAlone ? 'Standing alone' : 'Standing with its own',
    figures: [
      depthFigure(p.depthCm, 'plain'),
      ...(isAlone ? [warmthFigure(p.tempC, warmthWord(p.tempC))] : []),
      timeFigure(p.hours * HOUR, isAlone ? 'then tip out' : 'then it may join others'),
    ],
    waitSeconds: p.hours * HOUR,
    risk: 'Its sap shortens whatever shares the water.',
    caution: skinCaution(species),
    pail: { solution: 'plain', tempC: p.tempC, depthCm: p.depthCm, depth: depthOf(p.depthCm), alone: true },
  };
}

const DRINK = {
  solution: oneOf(SOLUTION_KEYS),
  tempC,
  depthCm,
  hours: numberIn(0, 72),
  alone: flag,
  addsAcid: flag,
};
function drinkSaid(p: ParamsIn<typeof DRINK>): Said {
  const own = p.alone ? ', in its own pail' : '';
  const acid = p.addsAcid ? ', brought to pH 4 to 5 by the strip' : '';
  return {
    title: `Into ${warmthWord(p.tempC)} water${own}${acid}`,
    doneWord: 'Standing in its pail',
    figures: [
      depthFigure(
        p.depthCm,
        SOLUTIONS[p.solution].isFood ? 'deep' : `deep, ${SOLUTIONS[p.solution].name.toLowerCase()}`,
      ),
      warmthFigure(p.tempC, warmthWord(p.tempC)),
      ...(p.hours > 0 ? [timeFigure(p.hours * HOUR, 'at least')] : []),
    ],
    waitSeconds: p.hours * HOUR,
    ...(p.addsAcid
      ? { caution: 'Never acid and chlorine together: poisonous gas. Rinse the pail first.' }
      : {}),
    pail: {
      solution: p.solution,
      tempC: Math.min(60, p.tempC),
      depthCm: p.depthCm,
      depth: depthOf(p.depthCm),
      alone: p.alone,
    },
  };
}

const PLUNGED_PARTS = ['pods', 'heads', 'whole heads'] as const;
const PLUNGED: Readonly<
  Record<(typeof PLUNGED_PARTS)[number], readonly [title: string, done: string, of: string]>
> = {
  pods: ['Pods under warm water', 'Under water', 'all under'],
  heads: ['Float the heads in tepid water, then shake', 'Floating', 'heads only'],
  'whole heads': ['Sink the whole heads in cool water', 'Under water', 'all under'],
};

/** What stands, floats or hangs in water, and what holds it while it drinks. */
export const WATERS = {
  'sap-soak': stepKind({
    params: SAP_SOAK,
    isLook: false,
    hands: { aStemS: 0.5 },
    uses: NOTHING,
    follows: [],
    endedEarly: 'Sap that has not run out plugs and harms whatever shares its water.',
    whileItRuns: 'soaking alone, then tip out',
    beginsByItself: false,
    leavesHandsFree: true,
    moreCaution: 'sap',
    measured: ['tempC', 'hours'],
    isDrawnCut: false,
    says: soakSaid,
  }),
  plunge: stepKind({
    params: { part: oneOf(PLUNGED_PARTS), tempC, minutes: numberIn(1, 240) },
    isLook: false,
    hands: { aStemS: 0.5 },
    uses: () => ['sink'],
    follows: [],
    endedEarly: 'A pod that has not soaked tears its florets.',
    whileItRuns: 'pods under warm water, then lift out',
    beginsByItself: false,
    leavesHandsFree: true,
    moreCaution: 'sap',
    measured: ['tempC'],
    isDrawnCut: false,
    says: (p) => ({
      title: PLUNGED[p.part][0],
      doneWord: PLUNGED[p.part][1],
      figures: [
        warmthFigure(p.tempC, warmthWord(p.tempC)),
        timeFigure(p.minutes * MINUTE, PLUNGED[p.part][2]),
      ],
      waitSeconds: p.minutes * MINUTE,
    }),
  }),
  'lift-florets': stepKind({
    ...CLOCKLESS,
    params: {},
    isLook: false,
    hands: { aStemS: 5 },
    uses: NOTHING,
    follows: [{ kind: 'plunge', says: 'A dry pod tears the floret.' }],
    moreCaution: 'sap',
    measured: [],
    isDrawnCut: false,
    says: () => ({
      title: 'Lift the first florets out by hand',
      doneWord: 'Lifted',
      risk: 'A dry pod tears the floret.',
    }),
  }),
  drink: stepKind({
    params: DRINK,
    isLook: false,
    hands: { aStemS: 0.5 },
    uses: NOTHING,
    follows: [
      { kind: 'cut', says: 'Uncut it drinks little: the old end is sealed.' },
      { kind: 'strip', says: 'Its leaves would stand in the water and rot.' },
      { kind: 'hot-dip', says: 'The heat is for before it drinks.' },
      { kind: 'unpack', says: 'It is still in its paper and bands.' },
    ],
    endedEarly: 'It has not drunk its fill: it may hang again as soon as it is worked with.',
    whileItRuns: 'drinking, then look back',
    beginsByItself: false,
    leavesHandsFree: true,
    moreCaution: 'sap',
    measured: ['tempC', 'hours'],
    isDrawnCut: false,
    says: drinkSaid,
  }),
  'condition-upright': stepKind({
    ...CLOCKLESS,
    params: { in: oneOf(['paper']), hours: numberIn(0.5, 24) },
    isLook: false,
    hands: { aStemS: 1 },
    uses: NOTHING,
    follows: [],
    moreCaution: 'sap',
    measured: ['hours'],
    isDrawnCut: false,
    says: (p) => ({
      title: `Wrap the bunch upright in ${p.in} while it drinks`,
      doneWord: 'Wrapped upright',
      figures: [timeFigure(p.hours * HOUR, 'stays wrapped')],
      risk: 'Leaning, it sets crooked for good.',
    }),
  }),
  grid: stepKind({
    ...CLOCKLESS,
    params: {},
    isLook: false,
    hands: { aStemS: 2 },
    uses: NOTHING,
    follows: [],
    moreCaution: 'sap',
    measured: [],
    isDrawnCut: false,
    says: () => ({ title: 'Hang the heads through a grid', doneWord: 'Hung', needs: ['grid'] }),
  }),
  collar: stepKind({
    ...CLOCKLESS,
    params: {},
    isLook: false,
    hands: { aStemS: 0 },
    uses: NOTHING,
    follows: [],
    moreCaution: 'sap',
    measured: [],
    isDrawnCut: false,
    says: () => ({ title: 'A paper collar round the heads while it drinks', doneWord: 'Collared' }),
  }),
};
