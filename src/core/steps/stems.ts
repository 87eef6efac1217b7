import type { Species } from '../species/species';
import { HOT_WATER_CAUTION, KNIFE_CAUTION, SECATEURS_CAUTION, skinCaution } from './cautions';
import { m } from '../words/message';
import { CLOCKLESS, NOTHING, stepKind, type ParamsIn, type Said } from './descriptor';
import { depthFigure, lengthFigure, timeFigure, warmthFigure } from './figures';
import { cm, depthCm, flag, numberIn, oneOf, tempC, TOOLS } from './params';

const STRIP = {
  to: oneOf(['waterline', 'lower-two', 'bare', 'wings', 'share', 'yellow', 'all but the head', 'late']),
  /** Share of the leaves above the waterline that stay. */
  keepsShare: numberIn(0, 1),
  snipped: flag,
};
function stripSaid({ to, keepsShare, snipped }: ParamsIn<typeof STRIP>, depthCm: number): Said {
  const done = { doneWord: to === 'yellow' ? m('step.yellow-leaves-off') : m('step.stripped') };
  const risk = m('note.torn-bark-lets-bacteria-in');
  switch (to) {
    case 'waterline':
      return {
        ...done,
        risk,
        title: m('step.strip-leaves-below-the-waterline'),
        figures: [depthFigure(depthCm, m('figure.the-waterline'))],
      };
    case 'lower-two':
      return { ...done, risk, title: m('step.take-off-the-two-lowest-leaves') };
    case 'bare':
      return {
        ...done,
        risk,
        title: snipped ? m('step.snip-the-leaves-off-do-not-tear') : m('step.strip-the-stem-bare'),
      };
    case 'wings':
      return { ...done, title: m('step.strip-to-the-wings-of-the-stem') };
    case 'share':
      return {
        ...done,
        risk,
        title: m('step.bare-below-share-off', { pct: Math.round(100 - keepsShare * 100) }),
        figures: [depthFigure(depthCm, m('figure.the-waterline'))],
      };
    case 'yellow':
      return {
        ...done,
        title: m('step.take-off-every-yellow-leaf'),
        stems: m('stems.those-with-yellow-leaves'),
      };
    case 'late':
      return { ...done, title: m('step.leave-its-leaves-until-it-is-used') };
    case 'all but the head':
      return { ...done, title: m('step.take-its-leaves-off-all-but-the') };
  }
}

const CUT = {
  cm,
  tool: oneOf(TOOLS),
  where: oneOf(['in air', 'under water']),
  angleDeg: numberIn(0, 90),
  split: flag,
  sliver: flag,
};
function cutSaid(p: ParamsIn<typeof CUT>, species: Species): Said {
  const title = p.sliver
    ? m('step.sliver-off', { cm: p.cm })
    : p.split
      ? m('step.cut-and-split', { cm: p.cm })
      : m(p.where === 'under water' ? 'step.cut-under-water' : 'step.cut-slanted', { cm: p.cm });
  const isSecateurs = p.tool === 'secateurs';
  const who = isSecateurs ? 'secateurs' : p.tool === 'knife' ? 'knife' : null;
  return {
    title,
    doneWord: m('done.cut'),
    figures: [lengthFigure(p.cm, p.sliver ? m('figure.no-more') : m('figure.off-every-stem'))],
    who,
    needs: isSecateurs ? ['secateurs'] : [],
    risk: p.tool === 'scissors' ? m('note.scissors-crush-the-end') : m('note.a-blunt-blade-crushes-the-end'),
    caution: isSecateurs ? SECATEURS_CAUTION : (skinCaution(species) ?? KNIFE_CAUTION),
  };
}

/** Above it the water comes from a kettle, not from the tap. */
const TAP_C = 60;
const HOT_DIP = { tempC, seconds: numberIn(1, 7200), depthCm, untilCool: flag };
function hotDipSaid(p: ParamsIn<typeof HOT_DIP>): Said {
  return {
    title: p.untilCool
      ? m('step.stand-the-cut-ends-in-hot-tap')
      : m(p.tempC >= 90 ? 'step.in-just-boiled' : 'step.in-hot-water', { seconds: p.seconds }),
    doneWord: m('done.in-the-hot-water'),
    figures: [warmthFigure(p.tempC, m('figure.by-thermometer')), depthFigure(p.depthCm, m('figure.deep'))],
    waitSeconds: p.seconds,
    who: 'hot water',
    needs: p.tempC > 60 ? ['kettle', 'thermometer'] : ['thermometer'],
    risk: m('note.steam-cooks-the-heads-too-long-cooks'),
    caution: HOT_WATER_CAUTION,
  };
}

/** What is done to the stem itself before it drinks. */
export const STEMS = {
  strip: stepKind({
    ...CLOCKLESS,
    params: STRIP,
    isLook: false,
    hands: { aStemS: 4 },
    uses: NOTHING,
    follows: [],
    moreCaution: 'sap',
    measured: [],
    isDrawnCut: false,
    says: (p, _, depth) => stripSaid(p, depth),
  }),
  thorns: stepKind({
    ...CLOCKLESS,
    params: { extent: oneOf(['leave', 'to the hand', 'all']) },
    isLook: false,
    hands: { aStemS: 3 },
    uses: NOTHING,
    follows: [],
    moreCaution: 'sap',
    measured: [],
    isDrawnCut: false,
    says: (p) => ({
      title:
        p.extent === 'all'
          ? m('step.rub-all-thorns-off-without-tearing-bark')
          : p.extent === 'leave'
            ? m('step.leave-the-thorns-on')
            : m('step.rub-thorns-off-only-where-a-hand'),
      doneWord:
        p.extent === 'all'
          ? m('step.thorns-off')
          : p.extent === 'leave'
            ? m('step.left-on')
            : m('step.handholds-clear'),
      risk: m('note.torn-bark-lets-bacteria-in'),
      caution: m('caution.thorns-thick-gloves'),
    }),
  }),
  cut: stepKind({
    ...CLOCKLESS,
    params: CUT,
    isLook: false,
    hands: { aStemS: 2 },
    uses: (p) => (p.where === 'under water' ? ['sink'] : []),
    follows: [{ kind: 'strip', says: m('note.stripping-after-the-cut-leaves-it-in') }],
    moreCaution: 'blade',
    measured: ['cm'],
    isDrawnCut: true,
    says: cutSaid,
  }),
  'hot-dip': stepKind({
    params: HOT_DIP,
    isLook: false,
    hands: { batch: 10, aBatchS: 30 },
    uses: (p) => (p.tempC > TAP_C ? ['kettle'] : []),
    follows: [{ kind: 'strip', says: m('note.strip-first-hot-water-is-not-for') }],
    endedEarly: m('early.too-short-a-dip-drives-no-air'),
    whileItRuns: m('while.in-hot-water-then-out'),
    beginsByItself: false,
    leavesHandsFree: false,
    drinksMeanwhile: () => false,
    moreCaution: 'sap',
    measured: ['tempC', 'seconds'],
    isDrawnCut: false,
    says: hotDipSaid,
  }),
  'hydrating-dip': stepKind({
    ...CLOCKLESS,
    params: { in: oneOf(['alum or hydrating acid']), seconds: numberIn(1, 60) },
    isLook: false,
    hands: { aStemS: 1 },
    uses: NOTHING,
    follows: [{ kind: 'cut', says: m('note.the-dip-is-for-a-fresh-cut') }],
    moreCaution: 'sap',
    measured: ['seconds'],
    isDrawnCut: false,
    says: (p) => ({
      title: m('step.touch-the-cut-to-alum-or-hydrating'),
      doneWord: m('done.dipped'),
      figures: [timeFigure(p.seconds, m('figure.no-longer'))],
      needs: ['hydrating dip'],
      risk: m('note.longer-burns-the-cut'),
      caution: m('caution.acid-dip-gloves-and-never-near-sanitiser'),
    }),
  }),
  'fill-stem': stepKind({
    ...CLOCKLESS,
    params: { plug: flag },
    isLook: false,
    hands: { aStemS: 12 },
    uses: () => ['sink'],
    follows: [{ kind: 'cut', says: m('note.cut-after-filling-it-runs-out-again') }],
    endedEarly: m('early.a-stem-that-was-not-filled-hangs'),
    moreCaution: 'sap',
    measured: [],
    isDrawnCut: false,
    says: (p, s) => ({
      title: m(p.plug ? 'step.fill-and-plug' : 'step.fill-and-tip-out'),
      doneWord: p.plug ? m('step.filled-and-plugged') : m('step.filled'),
      risk: m('note.a-split-stem-does-not-hold-it'),
      caution: skinCaution(s),
    }),
  }),
  'sap-dab': stepKind({
    ...CLOCKLESS,
    params: {},
    isLook: false,
    hands: { aStemS: 3 },
    uses: NOTHING,
    follows: [],
    moreCaution: 'sap',
    measured: [],
    isDrawnCut: false,
    says: (_, s) => ({
      title: m('step.dab-the-cut-until-it-stops-weeping'),
      doneWord: m('done.dry'),
      caution: skinCaution(s),
    }),
  }),
};
