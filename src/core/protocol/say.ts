import type { Depth, Species } from '../species/species';
import { SOLUTIONS } from '../water/solutions';
import { HOT_WATER_CAUTION, skinCaution } from './cautions';
import { depthFigure, HOUR, lengthFigure, MINUTE, timeFigure, warmthFigure, warmthWord } from './figures';
import type { ParamsOf, StepKind, StepParams } from './params';
import { cutSaid, DISCARD, list, stripSaid, unpackSaid, type Said } from './say-stem';

/** The depth's word for a number of centimetres. */
function depthOf(cm: number): Depth {
  if (cm <= 6) return 'shallow';
  if (cm <= 10) return 'third';
  return cm < 18 ? 'normal' : 'deep';
}

function hotDipSaid(p: ParamsOf<'hot-dip'>): Said {
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

function soakSaid(p: ParamsOf<'sap-soak'>, species: Species): Said {
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

function drinkSaid(p: ParamsOf<'drink'>): Said {
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

const PLUNGED: Readonly<
  Record<ParamsOf<'plunge'>['part'], readonly [title: string, done: string, of: string]>
> = {
  pods: ['Pods under warm water', 'Under water', 'all under'],
  heads: ['Float the heads in tepid water, then shake', 'Floating', 'heads only'],
  'whole heads': ['Sink the whole heads in cool water', 'Under water', 'all under'],
};

function moveSaid(p: ParamsOf<'move'>): Said {
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

const WRAPPED: Readonly<Record<ParamsOf<'wrap'>['in'], readonly [title: string, done: string]>> = {
  paper: ['Wrap the bunch in paper to drink', 'Wrapped'],
  'its damp sleeve': ['Keep it closed in its damp sleeve', 'Sleeved'],
  'tape at the foot': ['A band or tape round the cut end', 'Banded'],
  'a loose bag': ['A loose bag over the heads until they crack, then off at once', 'Bagged'],
};

type SayKind = { readonly [K in StepKind]: (params: ParamsOf<K>, species: Species, depthCm: number) => Said };

const SAY: SayKind = {
  unpack: (p, s) => ({ ...unpackSaid(p), caution: skinCaution(s) }),
  count: (p) => ({ title: `Count ${p.by}`, doneWord: 'Counted' }),
  inspect: (p) => ({ title: `Look at ${list(p.checks) || 'every bunch'}`, doneWord: 'Looked at' }),
  discard: (p) => DISCARD[p.what],
  rinse: () => ({ title: 'Rinse soil off the stem foot', doneWord: 'Rinsed' }),
  strip: (p, _, depth) => stripSaid(p, depth),
  thorns: (p) => ({
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
  cut: cutSaid,
  'hot-dip': hotDipSaid,
  'hydrating-dip': (p) => ({
    title: 'Touch the cut to alum or hydrating acid',
    doneWord: 'Dipped',
    figures: [timeFigure(p.seconds, 'no longer')],
    needs: ['hydrating dip'],
    risk: 'Longer burns the cut.',
    caution: 'Acid dip: gloves, and never near sanitiser.',
  }),
  'fill-stem': (p, s) => ({
    title: `Turn over, fill the stem with water${p.plug ? ', plug with wet cotton' : ', tip out when the buds wake'}`,
    doneWord: p.plug ? 'Filled and plugged' : 'Filled',
    risk: 'A split stem does not hold it.',
    caution: skinCaution(s),
  }),
  'sap-soak': soakSaid,
  'sap-dab': (_, s) => ({
    title: 'Dab the cut until it stops weeping',
    doneWord: 'Dry',
    caution: skinCaution(s),
  }),
  plunge: (p) => ({
    title: PLUNGED[p.part][0],
    doneWord: PLUNGED[p.part][1],
    figures: [warmthFigure(p.tempC, warmthWord(p.tempC)), timeFigure(p.minutes * MINUTE, PLUNGED[p.part][2])],
    waitSeconds: p.minutes * MINUTE,
  }),
  'lift-florets': () => ({
    title: 'Lift the first florets out by hand',
    doneWord: 'Lifted',
    risk: 'A dry pod tears the floret.',
  }),
  drink: drinkSaid,
  grid: () => ({ title: 'Hang the heads through a grid', doneWord: 'Hung', needs: ['grid'] }),
  collar: () => ({ title: 'A paper collar round the heads while it drinks', doneWord: 'Collared' }),
  mist: (p) => ({
    title: p.when === 'now' ? 'Mist lightly' : 'Mist only if the room is very dry, to dry within the hour',
    doneWord: 'Misted',
    risk: 'Petals that stay wet mould.',
  }),
  'anti-transpirant': () => ({
    title: 'Spray with a clear anti-transpirant',
    doneWord: 'Sprayed',
    caution: 'Open air or a window, and the dose its label says.',
  }),
  wrap: (p) => ({ title: WRAPPED[p.in][0], doneWord: WRAPPED[p.in][1] }),
  'guard-petals': () => ({
    title: 'Leave the bruised guard petals on until it is used',
    doneWord: 'Left on',
    stems: 'those bruised',
  }),
  'de-pollen': (p) => ({
    title:
      p.how === 'bin'
        ? 'Anthers out as each flower cracks open'
        : 'Anthers off as it cracks open, into the water',
    doneWord: p.how === 'bin' ? 'Anthers out, binned' : 'Anthers off',
    stems: 'as each opens',
    risk: 'Pollen stains for good: lift it off dry, never wet.',
    caution: 'Deadly to cats: bag the anthers, wash hands, keep the water away from pets.',
  }),
  recut: (p, s) => ({
    title: p.newWater ? `Fresh water in a clean pail, ${p.cm} cm off` : `Cut ${p.cm} cm off again`,
    doneWord: p.newWater ? 'Changed' : 'Recut',
    figures: [lengthFigure(p.cm, 'off every stem'), timeFigure(p.everyHours * HOUR, 'then again')],
    waitSeconds: p.everyHours * HOUR,
    caution: skinCaution(s),
  }),
  'look-back': (p, s) => ({
    title: p.round > 1 ? 'Look again: does it stand?' : 'Look back: upright?',
    doneWord: s.habit === 'blade' ? 'Firm' : 'Upright',
    waitSeconds: p.afterHours * HOUR,
    ...(p.afterHours > 0 ? { figures: [timeFigure(p.afterHours * HOUR, 'until then')] } : {}),
  }),
  move: moveSaid,
  'dry-hang': (p) => ({
    title: 'Hang upside down to dry, one thickness apart',
    doneWord: 'Hung',
    figures: [timeFigure(p.days * 24 * HOUR, 'dry, dark, airy')],
    risk: 'Bunched tight it moulds.',
  }),
};

/** A step's words, figures and needs, from its parameters. */
export function saidOf(params: StepParams, species: Species, depthCm: number): Said {
  return (SAY[params.kind] as (p: StepParams, s: Species, d: number) => Said)(params, species, depthCm);
}
