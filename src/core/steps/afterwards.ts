import { skinCaution } from './cautions';
import { m, type Message } from '../words/message';
import { CLOCKLESS, NOTHING, stepKind, type ParamsIn, type Said } from './descriptor';
import { HOUR, lengthFigure, timeFigure, warmthFigure } from './figures';
import { cm, flag, numberIn, oneOf, PLACES } from './params';
import * as v from 'valibot';

const WRAPS = ['paper', 'its damp sleeve', 'tape at the foot', 'a loose bag'] as const;
const WRAPPED: Readonly<Record<(typeof WRAPS)[number], readonly [title: Message, done: Message]>> = {
  paper: [m('step.wrap-the-bunch-in-paper-to-drink'), m('step.wrapped')],
  'its damp sleeve': [m('step.keep-it-closed-in-its-damp-sleeve'), m('step.sleeved')],
  'tape at the foot': [m('step.a-band-or-tape-round-the-cut'), m('step.banded')],
  'a loose bag': [m('step.a-loose-bag-over-the-heads-until'), m('step.bagged')],
};

const MOVE = { place: oneOf(PLACES), lowC: numberIn(-5, 30), highC: numberIn(-5, 35), dark: flag };
function moveSaid(p: ParamsIn<typeof MOVE>): Said {
  return {
    title: m(p.dark ? 'step.to-the-place-dark' : 'step.to-the-place', { place: m(`place.${p.place}`) }),
    doneWord: m('done.in-its-place'),
    figures: [
      {
        ...warmthFigure(p.highC, m('figure.kept-at')),
        value: m('figure.range-c', { low: p.lowC, high: p.highC }),
      },
    ],
    needs:
      p.place === 'the cold room'
        ? ['cold room']
        : p.place === 'the tropical shelf'
          ? ['tropical shelf']
          : [],
    ...(p.place === 'the cold room'
      ? { caution: null, risk: m('note.fruit-or-an-open-sanitiser-beside-it') }
      : {}),
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
    follows: [{ kind: 'discard', says: m('note.wet-mould-goes-on') }],
    moreCaution: null,
    measured: [],
    isDrawnCut: false,
    says: (p) => ({
      title: p.when === 'now' ? m('step.mist-lightly') : m('step.mist-only-if-the-room-is-very'),
      doneWord: m('done.misted'),
      risk: m('note.petals-that-stay-wet-mould'),
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
      title: m('step.spray-with-a-clear-anti-transpirant'),
      doneWord: m('done.sprayed'),
      caution: m('caution.open-air-or-a-window-and-the'),
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
      title: m('step.leave-the-bruised-guard-petals-on-until'),
      doneWord: m('done.left-on'),
      stems: m('stems.those-bruised'),
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
          ? m('step.anthers-out-as-each-flower-cracks-open')
          : m('step.anthers-off-as-it-cracks-open-into'),
      doneWord: p.how === 'bin' ? m('step.anthers-out-binned') : m('step.anthers-off'),
      stems: m('stems.as-each-opens'),
      risk: m('note.pollen-stains-for-good-lift-it-off'),
      caution: m('caution.deadly-to-cats-bag-the-anthers-wash'),
    }),
  }),
  recut: stepKind({
    params: { everyHours: numberIn(0.5, 336), cm, newWater: flag },
    isLook: false,
    hands: { aStemS: 0 },
    uses: NOTHING,
    follows: [],
    endedEarly: null,
    whileItRuns: m('while.water-due-for-change'),
    beginsByItself: true,
    leavesHandsFree: false,
    drinksMeanwhile: () => false,
    moreCaution: 'blade',
    measured: ['cm'],
    isDrawnCut: true,
    says: (p, s) => ({
      title: m(p.newWater ? 'step.fresh-water-cm-off' : 'step.cut-off-again', { cm: p.cm }),
      doneWord: p.newWater ? m('step.changed') : m('step.recut'),
      figures: [
        lengthFigure(p.cm, m('figure.off-every-stem')),
        timeFigure(p.everyHours * HOUR, m('figure.then-again')),
      ],
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
    whileItRuns: m('while.look-again-does-it-stand'),
    beginsByItself: true,
    leavesHandsFree: false,
    drinksMeanwhile: () => false,
    moreCaution: 'sap',
    measured: [],
    isDrawnCut: false,
    says: (p, s) => ({
      title: p.round > 1 ? m('step.look-again-does-it-stand') : m('step.look-back-upright'),
      doneWord: s.habit === 'blade' ? m('step.firm') : m('step.upright'),
      waitSeconds: p.afterHours * HOUR,
      ...(p.afterHours > 0 ? { figures: [timeFigure(p.afterHours * HOUR, m('figure.until-then'))] } : {}),
    }),
  }),
  move: stepKind({
    ...CLOCKLESS,
    params: MOVE,
    isLook: false,
    hands: { aStemS: 0 },
    uses: NOTHING,
    follows: [
      { kind: 'drink', says: m('note.drink-first-in-the-cold-it-takes') },
      { kind: 'look-back', says: m('note.nobody-has-seen-yet-whether-it-stands') },
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
      title: m('step.hang-upside-down-to-dry-one-thickness'),
      doneWord: m('done.hung'),
      figures: [timeFigure(p.days * 24 * HOUR, m('figure.dry-dark-airy'))],
      risk: m('note.bunched-tight-it-moulds'),
    }),
  }),
};
