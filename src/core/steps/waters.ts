import type { Depth, Species } from '../species/species';
import { SOLUTION_KEYS, SOLUTIONS } from '../water/solutions';
import { skinCaution } from './cautions';
import { low, m, type Message } from '../words/message';
import { CLOCKLESS, NOTHING, stepKind, type ParamsIn, type Said } from './descriptor';
import { depthFigure, HOUR, MINUTE, timeFigure, warmthFigure, warmthMessage } from './figures';
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
      ? m('step.straight-into-water', { warmth: warmthMessage(p.tempC) })
      : m('step.let-it-drink-with-its-own-kind'),
    doneWord: isAlone ? m('step.standing-alone') : m('step.standing-with-its-own'),
    figures: [
      depthFigure(p.depthCm, m('figure.plain')),
      ...(isAlone ? [warmthFigure(p.tempC, warmthMessage(p.tempC))] : []),
      timeFigure(p.hours * HOUR, isAlone ? m('figure.then-tip-out') : m('figure.then-it-may-join-others')),
    ],
    waitSeconds: p.hours * HOUR,
    risk: m('note.its-sap-shortens-whatever-shares-the-water'),
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
  return {
    title: m('step.into-water', {
      warmth: warmthMessage(p.tempC),
      own: p.alone ? 'yes' : 'no',
      acid: p.addsAcid ? 'yes' : 'no',
    }),
    doneWord: m('done.standing-in-its-pail'),
    figures: [
      depthFigure(
        p.depthCm,
        SOLUTIONS[p.solution].isFood
          ? m('figure.deep')
          : m('figure.deep-in', { solution: low(m(`solution.${p.solution}`)) }),
      ),
      warmthFigure(p.tempC, warmthMessage(p.tempC)),
      ...(p.hours > 0 ? [timeFigure(p.hours * HOUR, m('figure.at-least'))] : []),
    ],
    waitSeconds: p.hours * HOUR,
    ...(p.addsAcid ? { caution: m('caution.never-acid-and-chlorine-together-poisonous-gas') } : {}),
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
  Record<(typeof PLUNGED_PARTS)[number], readonly [title: Message, done: Message, of: Message]>
> = {
  pods: [m('step.pods-under-warm-water'), m('step.under-water'), m('figure.pods-and-cut-ends')],
  heads: [m('step.float-the-heads-in-tepid-water-then'), m('step.floating'), m('figure.heads-only')],
  'whole heads': [m('step.sink-the-whole-heads-in-cool-water'), m('step.under-water'), m('figure.all-under')],
};

/** What stands, floats or hangs in water, and what holds it while it drinks. */
export const WATERS = {
  'sap-soak': stepKind({
    params: SAP_SOAK,
    isLook: false,
    hands: { aStemS: 0.5 },
    uses: NOTHING,
    follows: [],
    endedEarly: m('early.sap-that-has-not-run-out-plugs'),
    whileItRuns: m('while.soaking-alone-then-tip-out'),
    beginsByItself: false,
    leavesHandsFree: true,
    drinksMeanwhile: () => false,
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
    endedEarly: m('early.a-pod-that-has-not-soaked-tears'),
    whileItRuns: m('while.pods-under-warm-water-drinking'),
    beginsByItself: false,
    leavesHandsFree: true,
    // The stem lies in the warm water whole, its cut end with it; a head is only floated or sunk.
    drinksMeanwhile: ({ part }) => part === 'pods',
    moreCaution: 'sap',
    measured: ['tempC'],
    isDrawnCut: false,
    says: (p) => ({
      title: PLUNGED[p.part][0],
      doneWord: PLUNGED[p.part][1],
      figures: [
        warmthFigure(p.tempC, warmthMessage(p.tempC)),
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
    follows: [{ kind: 'plunge', says: m('note.a-dry-pod-tears-the-floret') }],
    moreCaution: 'sap',
    measured: [],
    isDrawnCut: false,
    says: () => ({
      title: m('step.lift-the-first-florets-out-by-hand'),
      doneWord: m('done.lifted'),
      risk: m('note.a-dry-pod-tears-the-floret'),
    }),
  }),
  drink: stepKind({
    params: DRINK,
    isLook: false,
    hands: { aStemS: 0.5 },
    uses: NOTHING,
    follows: [
      { kind: 'cut', says: m('note.uncut-it-drinks-little-the-old-end') },
      { kind: 'strip', says: m('note.its-leaves-would-stand-in-the-water') },
      { kind: 'hot-dip', says: m('note.the-heat-is-for-before-it-drinks') },
      { kind: 'unpack', says: m('note.it-is-still-in-its-paper-and') },
    ],
    endedEarly: m('early.it-has-not-drunk-its-fill-it'),
    whileItRuns: m('while.drinking-then-look-back'),
    beginsByItself: false,
    leavesHandsFree: true,
    drinksMeanwhile: () => false,
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
      title: m('step.wrap-upright', { in: m(`wrapping.${p.in}`) }),
      doneWord: m('done.wrapped-upright'),
      figures: [timeFigure(p.hours * HOUR, m('figure.stays-wrapped'))],
      risk: m('note.leaning-it-sets-crooked-for-good'),
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
    says: () => ({
      title: m('step.hang-the-heads-through-a-grid'),
      doneWord: m('done.hung'),
      needs: ['grid'],
    }),
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
    says: () => ({ title: m('step.a-paper-collar-round-the-heads-while'), doneWord: m('done.collared') }),
  }),
};
