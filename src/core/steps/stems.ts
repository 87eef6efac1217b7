import type { Species } from '../species/species';
import { HOT_WATER_CAUTION, KNIFE_CAUTION, SECATEURS_CAUTION, skinCaution } from './cautions';
import { CLOCKLESS, NOTHING, stepKind, type ParamsIn, type Said } from './descriptor';
import { depthFigure, lengthFigure, timeFigure, warmthFigure } from './figures';
import { cm, depthCm, flag, numberIn, oneOf, tempC, TOOLS } from './params';

const STRIP = {
  to: oneOf(['waterline', 'lower-two', 'bare', 'wings', 'share', 'yellow', 'all but the head']),
  /** Share of the leaves above the waterline that stay. */
  keepsShare: numberIn(0, 1),
  snipped: flag,
};
function stripSaid({ to, keepsShare, snipped }: ParamsIn<typeof STRIP>, depthCm: number): Said {
  const done = { doneWord: to === 'yellow' ? 'Yellow leaves off' : 'Stripped' };
  const risk = 'Torn bark lets bacteria in.';
  switch (to) {
    case 'waterline':
      return {
        ...done,
        risk,
        title: 'Strip leaves below the waterline',
        figures: [depthFigure(depthCm, 'the waterline')],
      };
    case 'lower-two':
      return { ...done, risk, title: 'Take off the two lowest leaves' };
    case 'bare':
      return { ...done, risk, title: snipped ? 'Snip the leaves off, do not tear' : 'Strip the stem bare' };
    case 'wings':
      return { ...done, title: 'Strip to the wings of the stem' };
    case 'share':
      return {
        ...done,
        risk,
        title: `Bare below the waterline; above it ${Math.round(100 - keepsShare * 100)} % of the leaves off`,
        figures: [depthFigure(depthCm, 'the waterline')],
      };
    case 'yellow':
      return { ...done, title: 'Take off every yellow leaf', stems: 'those with yellow leaves' };
    case 'all but the head':
      return { ...done, title: 'Take its leaves off, all but the head' };
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
  const where = p.where === 'under water' ? ', under water' : '';
  const title = p.sliver
    ? `A sliver off, ${p.cm} cm, straight across`
    : p.split
      ? `Cut ${p.cm} cm, long slant, then once up the middle`
      : `Cut ${p.cm} cm, slanted${where}`;
  const isSecateurs = p.tool === 'secateurs';
  const who = isSecateurs ? 'secateurs' : p.tool === 'knife' ? 'knife' : null;
  return {
    title,
    doneWord: 'Cut',
    figures: [lengthFigure(p.cm, p.sliver ? 'no more' : 'off every stem')],
    who,
    needs: isSecateurs ? ['secateurs'] : [],
    risk: p.tool === 'scissors' ? 'Scissors crush the end.' : 'A blunt blade crushes the end.',
    caution: isSecateurs ? SECATEURS_CAUTION : (skinCaution(species) ?? KNIFE_CAUTION),
  };
}

/** Above it the water comes from a kettle, not from the tap. */
const TAP_C = 60;
const HOT_DIP = { tempC, seconds: numberIn(1, 7200), depthCm, untilCool: flag };
function hotDipSaid(p: ParamsIn<typeof HOT_DIP>): Said {
  return {
    title: p.untilCool
      ? 'Stand the cut ends in hot tap water until they cool'
      : `${p.seconds} s in ${p.tempC >= 90 ? 'just-boiled' : 'hot'} water, heads ${p.tempC >= 90 ? 'wrapped' : 'shielded'}`,
    doneWord: 'In the hot water',
    figures: [warmthFigure(p.tempC, 'by thermometer'), depthFigure(p.depthCm, 'deep')],
    waitSeconds: p.seconds,
    who: 'hot water',
    needs: p.tempC > 60 ? ['kettle', 'thermometer'] : ['thermometer'],
    risk: 'Steam cooks the heads; too long cooks the stem.',
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
          ? 'Rub all thorns off, without tearing bark'
          : p.extent === 'leave'
            ? 'Leave the thorns on'
            : 'Rub thorns off only where a hand will hold',
      doneWord: p.extent === 'all' ? 'Thorns off' : p.extent === 'leave' ? 'Left on' : 'Handholds clear',
      risk: 'Torn bark lets bacteria in.',
      caution: 'Thorns: thick gloves.',
    }),
  }),
  cut: stepKind({
    ...CLOCKLESS,
    params: CUT,
    isLook: false,
    hands: { aStemS: 2 },
    uses: (p) => (p.where === 'under water' ? ['sink'] : []),
    follows: [{ kind: 'strip', says: 'Stripping after the cut leaves it in air for longer.' }],
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
    follows: [{ kind: 'strip', says: 'Strip first: hot water is not for leaves.' }],
    endedEarly: 'Too short a dip drives no air out of the stem.',
    whileItRuns: 'in hot water, then out',
    beginsByItself: false,
    leavesHandsFree: false,
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
    follows: [{ kind: 'cut', says: 'The dip is for a fresh cut.' }],
    moreCaution: 'sap',
    measured: ['seconds'],
    isDrawnCut: false,
    says: (p) => ({
      title: 'Touch the cut to alum or hydrating acid',
      doneWord: 'Dipped',
      figures: [timeFigure(p.seconds, 'no longer')],
      needs: ['hydrating dip'],
      risk: 'Longer burns the cut.',
      caution: 'Acid dip: gloves, and never near sanitiser.',
    }),
  }),
  'fill-stem': stepKind({
    ...CLOCKLESS,
    params: { plug: flag },
    isLook: false,
    hands: { aStemS: 12 },
    uses: () => ['sink'],
    follows: [{ kind: 'cut', says: 'Cut after filling, it runs out again.' }],
    endedEarly: 'A stem that was not filled hangs on to its air.',
    moreCaution: 'sap',
    measured: [],
    isDrawnCut: false,
    says: (p, s) => ({
      title: `Turn over, fill the stem with water${p.plug ? ', plug with wet cotton' : ', tip out when the buds wake'}`,
      doneWord: p.plug ? 'Filled and plugged' : 'Filled',
      risk: 'A split stem does not hold it.',
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
      title: 'Dab the cut until it stops weeping',
      doneWord: 'Dry',
      caution: skinCaution(s),
    }),
  }),
};
