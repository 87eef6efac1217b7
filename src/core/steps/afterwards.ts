import { skinCaution } from './cautions';
import { CLOCKLESS, NOTHING, stepKind, type ParamsIn, type Said } from './descriptor';
import { HOUR, lengthFigure, timeFigure, warmthFigure } from './figures';
import { cm, flag, numberIn, oneOf, PLACES } from './params';
import * as v from 'valibot';

const WRAPS = ['paper', 'its damp sleeve', 'tape at the foot', 'a loose bag'] as const;
const WRAPPED: Readonly<Record<(typeof WRAPS)[number], readonly [title: string, done: string]>> = {
  paper: ['Wrap the bunch in paper to drink', 'Wrapped'],
  'its damp sleeve': ['Keep it closed in its damp sleeve', 'Sleeved'],
  'tape at the foot': ['A band or tape round the cut end', 'Banded'],
  'a loose bag': ['A loose bag over the heads until they crack, then off at once', 'Bagged'],
};

const MOVE = { place: oneOf(PLACES), lowC: numberIn(-5, 30), highC: numberIn(-5, 35), dark: flag };
function moveSaid(p: ParamsIn<typeof MOVE>): Said {
  const range = `${p.lowC} to ${p.highC} °C`;
  return {
    title: `To ${p.place}${p.dark ? ', in the dark' : ''}`,
    doneWord: 'In its place',
    figures: [{ ...warmthFigure(p.highC, 'kept at'), value: range }],
    needs:
      p.place === 'the cold room'
        ? ['cold room']
        : p.place === 'the tropical shelf'
          ? ['tropical shelf']
          : [],
    ...(p.place === 'the cold room' ? { caution: null, risk: 'Fruit or an open sanitiser beside it.' } : {}),
  };
}

/** What keeps what has drunk, or is to stay out of water. */
export const AFTERWARDS = {
  mist: stepKind({
    ...CLOCKLESS,
    params: { when: oneOf(['now', 'if the room is very dry']) },
    isLook: false,
    hands: { aStemS: 0 },
    uses: NOTHING,
    follows: [{ kind: 'discard', says: 'Wet, mould goes on.' }],
    moreCaution: null,
    measured: [],
    isDrawnCut: false,
    says: (p) => ({
      title: p.when === 'now' ? 'Mist lightly' : 'Mist only if the room is very dry, to dry within the hour',
      doneWord: 'Misted',
      risk: 'Petals that stay wet mould.',
    }),
  }),
  'anti-transpirant': stepKind({
    ...CLOCKLESS,
    params: {},
    isLook: false,
    hands: { aStemS: 0 },
    uses: NOTHING,
    follows: [],
    moreCaution: 'sap',
    measured: [],
    isDrawnCut: false,
    says: () => ({
      title: 'Spray with a clear anti-transpirant',
      doneWord: 'Sprayed',
      caution: 'Open air or a window, and the dose its label says.',
    }),
  }),
  wrap: stepKind({
    ...CLOCKLESS,
    params: { in: oneOf(WRAPS) },
    isLook: false,
    hands: { aStemS: 1 },
    uses: NOTHING,
    follows: [],
    moreCaution: 'sap',
    measured: [],
    isDrawnCut: false,
    says: (p) => ({ title: WRAPPED[p.in][0], doneWord: WRAPPED[p.in][1] }),
  }),
  'guard-petals': stepKind({
    ...CLOCKLESS,
    params: {},
    isLook: false,
    hands: { aStemS: 0 },
    uses: NOTHING,
    follows: [],
    moreCaution: 'sap',
    measured: [],
    isDrawnCut: false,
    says: () => ({
      title: 'Leave the bruised guard petals on until it is used',
      doneWord: 'Left on',
      stems: 'those bruised',
    }),
  }),
  'de-pollen': stepKind({
    ...CLOCKLESS,
    params: { how: oneOf(['bin', 'into the water']) },
    isLook: false,
    hands: { aStemS: 4 },
    uses: NOTHING,
    follows: [],
    moreCaution: 'sap',
    measured: [],
    isDrawnCut: false,
    says: (p) => ({
      title:
        p.how === 'bin'
          ? 'Anthers out as each flower cracks open'
          : 'Anthers off as it cracks open, into the water',
      doneWord: p.how === 'bin' ? 'Anthers out, binned' : 'Anthers off',
      stems: 'as each opens',
      risk: 'Pollen stains for good: lift it off dry, never wet.',
      caution: 'Deadly to cats: bag the anthers, wash hands, keep the water away from pets.',
    }),
  }),
  recut: stepKind({
    params: { everyHours: numberIn(0.5, 336), cm, newWater: flag },
    isLook: false,
    hands: { aStemS: 0 },
    uses: NOTHING,
    follows: [],
    endedEarly: null,
    whileItRuns: 'water due for change',
    beginsByItself: true,
    leavesHandsFree: false,
    moreCaution: 'blade',
    measured: ['cm'],
    isDrawnCut: true,
    says: (p, s) => ({
      title: p.newWater ? `Fresh water in a clean pail, ${p.cm} cm off` : `Cut ${p.cm} cm off again`,
      doneWord: p.newWater ? 'Changed' : 'Recut',
      figures: [lengthFigure(p.cm, 'off every stem'), timeFigure(p.everyHours * HOUR, 'then again')],
      waitSeconds: p.everyHours * HOUR,
      caution: skinCaution(s),
    }),
  }),
  'look-back': stepKind({
    params: { afterHours: numberIn(0, 72), round: v.pipe(numberIn(0, 3), v.integer()) },
    isLook: true,
    hands: { aStemS: 0 },
    uses: NOTHING,
    follows: [],
    endedEarly: null,
    whileItRuns: 'look again: does it stand?',
    beginsByItself: true,
    leavesHandsFree: false,
    moreCaution: 'sap',
    measured: [],
    isDrawnCut: false,
    says: (p, s) => ({
      title: p.round > 1 ? 'Look again: does it stand?' : 'Look back: upright?',
      doneWord: s.habit === 'blade' ? 'Firm' : 'Upright',
      waitSeconds: p.afterHours * HOUR,
      ...(p.afterHours > 0 ? { figures: [timeFigure(p.afterHours * HOUR, 'until then')] } : {}),
    }),
  }),
  move: stepKind({
    ...CLOCKLESS,
    params: MOVE,
    isLook: false,
    hands: { aStemS: 0 },
    uses: NOTHING,
    follows: [
      { kind: 'drink', says: 'Drink first: in the cold it takes up little.' },
      { kind: 'look-back', says: 'Nobody has seen yet whether it stands.' },
    ],
    moreCaution: 'sap',
    measured: [],
    isDrawnCut: false,
    says: moveSaid,
  }),
  'dry-hang': stepKind({
    ...CLOCKLESS,
    params: { days: numberIn(1, 60) },
    isLook: false,
    hands: { aStemS: 0 },
    uses: NOTHING,
    follows: [],
    moreCaution: 'sap',
    measured: [],
    isDrawnCut: false,
    says: (p) => ({
      title: 'Hang upside down to dry, one thickness apart',
      doneWord: 'Hung',
      figures: [timeFigure(p.days * 24 * HOUR, 'dry, dark, airy')],
      risk: 'Bunched tight it moulds.',
    }),
  }),
};
