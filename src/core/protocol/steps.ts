import { idealArrivalStage, type Depth, type Species } from '../species/species';
import { rightSolution } from '../water/solutions';
import { HOT_WATER_CAUTION, KNIFE_CAUTION, SECATEURS_CAUTION, skinCaution } from './cautions';
import type { Because, LotState, PailWish, ProtocolStep, StepFigure, StepKind } from './types';

const MINUTE = 60;
const HOUR = 3600;
const DEEP_PAIL_CM = 30;

/** Water depth a species drinks from, cm; a third is taken of a 24 cm pail. */
export const DEPTH_CM: Readonly<Record<Depth, number>> = { shallow: 5, third: 8, normal: 13, deep: 20 };
/** Water temperature of the first drink, °C. */
const DRINK_C = { cold: 6, tepid: 22, warm: 40, 'hot-dip': 22 } as const;
/** Spoken by warmth, as on the beaker. */
export function warmthWord(tempC: number): 'cold' | 'cool' | 'tepid' | 'warm' | 'hot' {
  if (tempC < 9) return 'cold';
  if (tempC < 18) return 'cool';
  if (tempC < 30) return 'tepid';
  return tempC < 45 ? 'warm' : 'hot';
}

const lengthFigure = (cm: number, of: string): StepFigure => ({
  value: `${cm} cm`,
  of,
  drawn: 'length',
  level: cm,
});
const warmthFigure = (c: number, of: string): StepFigure => ({
  value: `${c} °C`,
  of,
  drawn: 'warmth',
  level: c,
});
const depthFigure = (cm: number, of: string): StepFigure => ({
  value: `${cm} cm`,
  of,
  drawn: 'depth',
  level: cm / DEEP_PAIL_CM,
});
const timeFigure = (seconds: number, of: string): StepFigure => ({
  value: spokenTime(seconds),
  of,
  drawn: 'time',
  level: seconds,
});

/** A clock's length as it is said: 30 s, 20 min, 4 h. */
export function spokenTime(seconds: number): string {
  if (seconds < 120) return `${seconds} s`;
  return seconds < 2 * HOUR ? `${Math.round(seconds / MINUTE)} min` : `${Math.round(seconds / HOUR)} h`;
}

type Part = Omit<ProtocolStep, 'kind' | 'mode' | 'because' | 'figures' | 'caution' | 'waitSeconds' | 'pail'> &
  Partial<Pick<ProtocolStep, 'mode' | 'because' | 'figures' | 'caution' | 'waitSeconds' | 'pail'>>;

/** A step of the kind; what is left out is a plain deed the species asks for. */
export function step(kind: StepKind, part: Part): ProtocolStep {
  const waitSeconds = part.waitSeconds ?? 0;
  return {
    kind,
    mode: waitSeconds > 0 ? 'wait' : 'hands',
    because: 'species',
    figures: [],
    caution: null,
    pail: null,
    ...part,
    waitSeconds,
  };
}

export function unpackStep({ species, packing }: LotState): ProtocolStep {
  const mesh = /mesh/i.test(packing) || species.key === 'gypsophila';
  const capped = /capped/i.test(packing);
  const keepsSleeve = species.mist === 'wrap';
  const bract = species.key === 'amaryllis';
  const what = mesh
    ? 'Roll the mesh up from the stem end, shake open gently'
    : keepsSleeve
      ? 'Out of the box, but leave the sleeve on'
      : capped
        ? 'Paper and bands off, water caps off'
        : 'Paper, sleeve and bands off';
  const reason = mesh
    ? 'Pulled from the head end, the mesh strips the flowers.'
    : keepsSleeve
      ? 'It shrivels in dry moving air; the sleeve keeps its own damp.'
      : bract
        ? 'The papery bract browns and binds the buds as they swell.'
        : 'A wet banded bunch grows mould.';
  return step('unpack', {
    title: bract ? `${what}; slip off the papery bract` : what,
    reason,
    doneWord: 'Unpacked',
    caution: skinCaution(species),
  });
}

const STRIP: Partial<Record<Species['foliage'], readonly [title: string, reason: string]>> = {
  waterline: ['Strip leaves below the waterline', 'Leaf under water rots and feeds what plugs the stem.'],
  'lower-two': [
    'Take off the two lowest leaves',
    'They would stand in the water; the rest carry the flower.',
  ],
  bare: ['Strip the stem bare', 'Its leaves wilt long before the flower does.'],
  'bare-or-keep': ['Snip the leaves off, do not tear', 'A torn leaf opens another wound for its sap.'],
};

export function stripStep({ species }: LotState, depthCm: number): ProtocolStep | null {
  const words = STRIP[species.foliage];
  if (!words) return null;
  const figures = species.foliage === 'waterline' ? [depthFigure(depthCm, 'the waterline')] : [];
  const statice = species.key === 'statice' ? 'Strip to the wings of the stem' : words[0];
  return step('strip', { title: statice, reason: words[1], figures, doneWord: 'Stripped' });
}

/** Woody stems that are cut once up the middle as well; never hammered. */
const SPLIT = new Set([
  'lilac',
  'curly-willow',
  'pussy-willow',
  'magnolia-foliage',
  'pieris',
  'privet-berry',
  'mimosa',
]);

export function cutStep(state: LotState, hangs: boolean): ProtocolStep | null {
  const { species } = state;
  if (species.cutCm <= 0) return null;
  const isCutDry = state.flaws?.includes('cut-dry') === true;
  const underWater = species.key === 'peony' || hangs || isCutDry;
  const split = SPLIT.has(species.key);
  const sliver = species.cutCm < 1;
  const secateurs =
    species.build === 'woody' &&
    species.stemMm >= 6 &&
    species.key !== 'rose' &&
    species.key !== 'spray-rose';
  const where = underWater ? ', under water' : '';
  const title = sliver
    ? `A sliver off, ${species.cutCm} cm, straight across`
    : split
      ? `Cut ${species.cutCm} cm, long slant, then once up the middle`
      : `Cut ${species.cutCm} cm, slanted${where}`;
  const reason = sliver
    ? 'Cut higher than the pale foot and the end splits and curls.'
    : underWater
      ? 'Under water no air follows the blade up the stem.'
      : split
        ? 'Wood drinks through more face; hammering only crushes it.'
        : 'Straight into water within seconds, before air gets in.';
  return step('cut', {
    title,
    reason,
    figures: [lengthFigure(species.cutCm, sliver ? 'no more' : 'off every stem')],
    because: (hangs || isCutDry) && species.key !== 'peony' ? 'state' : 'species',
    caution: secateurs ? SECATEURS_CAUTION : (skinCaution(species) ?? KNIFE_CAUTION),
    doneWord: 'Cut',
  });
}

export function hotDipStep(state: LotState, hangs: boolean): ProtocolStep | null {
  const { species } = state;
  const { hotDipC, hotDipS } = species;
  if (hotDipC !== null && hotDipS !== null)
    return step('hot-dip', {
      title: `${hotDipS} s in hot water, heads shielded`,
      figures: [warmthFigure(hotDipC, 'by thermometer'), depthFigure(3, 'deep')],
      reason: 'Heat drives the air out and kills what plugs the end.',
      caution: HOT_WATER_CAUTION,
      waitSeconds: hotDipS,
      doneWord: 'In the hot water',
    });
  if (!hangs) return null;
  return step('hot-dip', {
    title: 'Stand the cut ends in hot tap water until they cool',
    figures: [warmthFigure(50, 'by thermometer'), depthFigure(5, 'deep')],
    reason: 'They came hanging: air is holding the water back, and heat clears it.',
    because: 'state',
    caution: HOT_WATER_CAUTION,
    waitSeconds: 20 * MINUTE,
    doneWord: 'In the hot water',
  });
}

/** The water it is to drink from, by species and by how it came. */
export function drinkWish({ species, droop, flaws }: LotState): PailWish {
  const limp = droop !== 'firm';
  const isMouldy = flaws?.includes('grey-mould') === true;
  const isTooTight = flaws?.includes('too-tight') === true;
  const depth: Depth = limp && species.depth === 'normal' ? 'deep' : species.depth;
  return {
    solution: rightSolution(species.foodKind),
    tempC: isTooTight ? DRINK_C.warm : DRINK_C[species.firstDrink],
    depthCm: DEPTH_CM[depth],
    depth,
    alone: droop === 'hanging' || isMouldy,
  };
}

function drinkHours({ species, droop, stage, flaws }: LotState): number {
  if (droop === 'hanging') return 12;
  if (droop === 'soft' || flaws?.includes('cut-dry')) return 4;
  return stage > idealArrivalStage(species) + 0.3 || species.dryHours <= 6 ? 3 : 2;
}

export function drinkStep(state: LotState): ProtocolStep {
  const wish = drinkWish(state);
  const hours = drinkHours(state);
  const because: Because = state.droop === 'firm' ? 'species' : 'state';
  const alone = wish.alone ? ', in its own pail' : '';
  return step('drink', {
    title: `Into ${warmthWord(wish.tempC)} water${alone}`,
    figures: [
      depthFigure(wish.depthCm, 'deep'),
      warmthFigure(wish.tempC, warmthWord(wish.tempC)),
      timeFigure(hours * HOUR, 'at least'),
    ],
    reason:
      state.droop === 'firm'
        ? drinkReason(state.species)
        : `It came ${state.droop}: longer and deeper than a firm lot.`,
    because,
    waitSeconds: hours * HOUR,
    doneWord: 'Standing in its pail',
    pail: wish,
  });
}

function drinkReason(species: Species): string {
  if (species.depth === 'shallow') return 'Deep water softens a fleshy stem; a few centimetres are enough.';
  if (species.firstDrink === 'cold') return 'Cold slows the flower and firms the stem.';
  if (species.firstDrink === 'warm')
    return 'Warm water moves faster and pushes the bubbles on: warm feet, cool heads.';
  return 'Tepid water is taken up fast without waking the flower.';
}

export const timing = { MINUTE, HOUR };
export const figure = { lengthFigure, warmthFigure, depthFigure, timeFigure };
