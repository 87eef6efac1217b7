import type { Species } from '../species/species';
import { hasTrait, isTropical, type Trait } from '../species/traits';
import { rightSolution, SOLUTION_KEYS } from '../water/solutions';
import { freshWater, hoursUntilDue } from '../water/vessel-water';
import { DEPTH_CM } from '../steps/figures';
import type { Tool } from '../steps/params';
import type { ParamsOf } from '../steps/steps';
import type { Draft } from './render';
import { asked } from './sheet';
import type { WaterLimits } from './ways';

/** Water temperature of the first drink, °C. */
export const DRINK_C = { cold: 6, tepid: 22, warm: 40, 'hot-dip': 22 } as const;

function unpack(s: Species): Draft {
  const keepsSleeve = s.mist === 'wrap';
  const off: ParamsOf<'unpack'>['off'] = [
    ...(hasTrait(s, 'comes in mesh') ? (['mesh'] as const) : []),
    ...(keepsSleeve ? (['paper', 'bands'] as const) : (['paper', 'sleeve', 'bands'] as const)),
    ...(hasTrait(s, 'papery bract') ? (['bract'] as const) : []),
  ];
  const why = off.includes('mesh')
    ? 'Pulled from the head end, the mesh strips the flowers.'
    : keepsSleeve
      ? 'It shrivels in dry moving air; the sleeve keeps its own damp.'
      : off.includes('bract')
        ? 'The papery bract browns and binds the buds as they swell.'
        : 'A wet banded bunch grows mould.';
  return asked({ kind: 'unpack', off, keepsSleeve }, why);
}

function strip(s: Species): Draft[] {
  const to = (kind: ParamsOf<'strip'>['to'], keepsShare: number, why: string, snipped = false): Draft[] => [
    asked({ kind: 'strip', to: kind, keepsShare, snipped }, why),
  ];
  if (hasTrait(s, 'winged stem'))
    return to('wings', 1, 'Leaf under water rots and feeds what plugs the stem.');
  if (hasTrait(s, 'stripped high')) return to('share', 0.5, 'Stripped well up: its side tips wilt first.');
  switch (s.foliage) {
    case 'waterline':
      return to('waterline', 1, 'Leaf under water rots and feeds what plugs the stem.');
    case 'lower-two':
      return to('lower-two', 1, 'They would stand in the water; the rest carry the flower.');
    case 'bare':
      return to('bare', 0, 'Its leaves wilt long before the flower does.');
    case 'bare-or-keep':
      return to('bare', 0, 'A torn leaf opens another wound for its sap.', true);
    default:
      return [];
  }
}

/** What cuts a stem of the species: wood as thick as a pencil wants secateurs. */
export function toolFor(s: Species): Tool {
  return s.build === 'woody' && s.stemMm >= 6 && !hasTrait(s, 'a rose') ? 'secateurs' : 'knife or snips';
}

function cut(s: Species): Draft[] {
  if (s.cutCm <= 0) return [];
  const [split, underWater] = [hasTrait(s, 'split foot'), hasTrait(s, 'cut under water')];
  const sliver = s.cutCm < 1;
  const why = sliver
    ? 'Cut higher than the pale foot and the end splits and curls.'
    : underWater
      ? 'Under water no air follows the blade up the stem.'
      : split
        ? 'Wood drinks through more face; hammering only crushes it.'
        : 'Straight into water within seconds, before air gets in.';
  return [
    asked(
      {
        kind: 'cut',
        cm: s.cutCm,
        tool: toolFor(s),
        where: underWater ? 'under water' : 'in air',
        angleDeg: sliver ? 0 : 45,
        split,
        sliver,
      },
      why,
    ),
  ];
}

const SAP_WHY =
  'Its sap shortens the life of whatever shares the water, tulips most. A cut would open it again.';
const MILK_WHY = 'The milk goes on for a while and troubles other stems. A second cut weeps little.';

/** The soak that shuts a stem's sap in: mucilage uncut and alone, latex with its own kind. */
export function sapSoak(s: Species): Draft {
  return s.sap === 'latex'
    ? asked({ kind: 'sap-soak', company: 'its own kind', hours: 1, depthCm: 13, tempC: 20 }, MILK_WHY)
    : asked({ kind: 'sap-soak', company: 'alone', hours: 4, depthCm: 5, tempC: 8 }, SAP_WHY);
}

function opening(s: Species): Draft[] {
  if (s.sap === 'mucilage') return [sapSoak(s)];
  const dip =
    s.hotDipC !== null && s.hotDipS !== null
      ? [
          asked(
            { kind: 'hot-dip', tempC: s.hotDipC, seconds: s.hotDipS, depthCm: 3, untilCool: false },
            'Heat drives the air out and kills what plugs the end.',
          ),
        ]
      : [];
  const latex =
    s.sap === 'latex'
      ? [
          asked({ kind: 'sap-dab' }, 'A skin of dried latex would seal the cut; wet, it clouds the water.'),
          sapSoak(s),
        ]
      : [];
  return [...cut(s), ...dip, ...latex];
}

/** Hours of the first drink: longer for what bears little time dry. */
const USUAL_DRINK_H = 2;
const THIRSTY_DRINK_H = 3;

/** What some ask before they drink, by trait, in the order it is done. */
const BEFORE_DRINK: readonly (readonly [Trait, readonly Draft[]])[] = [
  [
    'acid dip',
    [
      asked(
        { kind: 'hydrating-dip', in: 'alum or hydrating acid', seconds: 2 },
        'It keeps the cut open; without it this one collapses unannounced.',
      ),
    ],
  ],
  [
    'filled stem',
    [
      asked({ kind: 'fill-stem', plug: true }, 'The hollow stem then carries its own weight of flower.'),
      asked({ kind: 'wrap', in: 'tape at the foot' }, 'Without it the end rolls up like a ribbon.'),
    ],
  ],
  [
    'soaked pods',
    [
      asked(
        { kind: 'plunge', part: 'pods', tempC: 38, minutes: 18 },
        'Soaking softens the pod so the first florets lift out whole.',
      ),
      asked({ kind: 'lift-florets' }, 'More follow on their own once the first are free.'),
    ],
  ],
  [
    'drinks in paper',
    [
      asked(
        { kind: 'condition-upright', in: 'paper', hours: USUAL_DRINK_H },
        'It drinks itself stiff in the shape it is held in.',
      ),
    ],
  ],
  [
    'drinks in a grid',
    [asked({ kind: 'grid' }, 'Stems set straight while they drink; a neck that drops does not return.')],
  ],
];
const beforeDrink = (s: Species): Draft[] =>
  BEFORE_DRINK.flatMap(([trait, steps]) => (hasTrait(s, trait) ? steps : []));

function drinkWhy(s: Species): string {
  if (hasTrait(s, 'grows on'))
    return 'Coldest water, shallow: it goes on growing, 2 to 5 cm, and bends to light.';
  if (s.depth === 'shallow') return 'Deep water softens a fleshy stem; a few centimetres are enough.';
  if (s.firstDrink === 'cold') return 'Cold slows the flower and firms the stem.';
  if (s.firstDrink === 'warm')
    return 'Warm water runs up the stem faster and takes the bubbles along; the flower itself stays in the cool.';
  return 'Tepid water is taken up fast without waking the flower.';
}

function drink(s: Species): Draft {
  return asked(
    {
      kind: 'drink',
      solution: rightSolution(s.foodKind),
      tempC: DRINK_C[s.firstDrink],
      depthCm: DEPTH_CM[s.depth],
      hours: s.dryHours <= 6 ? THIRSTY_DRINK_H : USUAL_DRINK_H,
      alone: false,
      addsAcid: false,
    },
    drinkWhy(s),
  );
}

function afterDrink(s: Species): Draft[] {
  const out: Draft[] = [];
  if (s.mist === 'yes')
    out.push(asked({ kind: 'mist', when: 'now' }, 'It takes water through leaf and petal as well.'));
  if (s.mist === 'wrap')
    out.push(
      asked(
        { kind: 'wrap', in: 'its damp sleeve' },
        hasTrait(s, 'crisps dry')
          ? 'It crisps in a dry room: a damp closed bag in the cold, or a clear anti-transpirant.'
          : 'It shrivels in a dry room and in draughts.',
      ),
    );
  if (hasTrait(s, 'guard petals'))
    out.push(
      asked(
        { kind: 'guard-petals' },
        'The marked outer petals guard the rest; they come off one by one at the making.',
        {
          title: 'Leave the guard petals on until it is used',
          stems: 'all',
        },
      ),
    );
  if (s.sap === 'latex')
    out.push(asked({ kind: 'discard', what: 'lowest florets' }, 'The lowest go first, and gas the rest.'));
  if (hasTrait(s, 'lily'))
    out.push(
      asked({ kind: 'de-pollen', how: 'bin' }, 'Before the pollen dusts: it stains, and it can kill a cat.'),
    );
  return out;
}

/** Where a species keeps best. */
export function keptAt(s: Species): ParamsOf<'move'> {
  const place = hasTrait(s, 'opens warm')
    ? 'the shop floor'
    : isTropical(s)
      ? 'the tropical shelf'
      : 'the cold room';
  return { kind: 'move', place, lowC: s.storeMinC, highC: s.storeMaxC, dark: false };
}

function move(s: Species): Draft {
  const why = hasTrait(s, 'opens warm')
    ? 'It opens at room temperature; the cold holds it shut.'
    : isTropical(s)
      ? `Injured below ${s.chillBelowC ?? 0} °C.`
      : `Keeps best at ${s.storeMinC} to ${s.storeMaxC} °C, away from fruit.`;
  return asked(keptAt(s), why);
}

const SHOP_C = 20;
/** Hours until fresh water of a solution is due for a change by its predicted count, in the shop's warmth. */
const DUE_BY_COUNT_H = new Map(
  SOLUTION_KEYS.map((key) => [key, hoursUntilDue(freshWater('clean', key), SHOP_C, 0) ?? Infinity]),
);

/** Hours a pail's water may serve: until the predicted count is due, or the house's longest, or the species'. */
export function waterServesHours(
  s: Species,
  drinks: ParamsOf<'drink'>['solution'],
  limits: WaterLimits,
): number {
  const byCount = DUE_BY_COUNT_H.get(drinks) ?? Infinity;
  const isFed = drinks !== 'plain' && drinks !== 'copper' && drinks !== 'bleach';
  const house = !isFed ? limits.plainDays : hasTrait(s, 'lily') ? limits.lilyDays : limits.foodDays;
  return Math.max(1, Math.min(byCount, house * 24, s.waterMostH ?? Infinity));
}

/** The protocol of a species as the plain lot of it gets: sound, ideal, in a shop that has everything. */
export function plainSteps(s: Species, limits: WaterLimits): Draft[] {
  const first = drink(s);
  const serves = waterServesHours(s, rightSolution(s.foodKind), limits);
  return [
    unpack(s),
    ...(hasTrait(s, 'comes muddy')
      ? [asked({ kind: 'rinse' }, 'Soil in the pail is tomorrow’s cloudy water.')]
      : []),
    ...strip(s),
    ...(s.skin === 'thorns'
      ? [
          asked(
            { kind: 'thorns', extent: 'to the hand' },
            'Every scar lets bacteria in; whole bark keeps them out.',
          ),
        ]
      : []),
    ...opening(s),
    ...beforeDrink(s),
    first,
    asked({ kind: 'look-back', afterHours: 0, round: 0 }, 'Drinking shows in the neck before anywhere else.'),
    ...afterDrink(s),
    move(s),
    asked(
      {
        kind: 'recut',
        everyHours: serves,
        cm: s.sap === 'mucilage' || s.cutCm <= 0 ? 0 : s.cutCm < 1 ? s.cutCm : 2,
        newWater: true,
      },
      s.waterMostH !== null
        ? 'Its water is changed often.'
        : 'By then the count passes its limit, or the house’s longest use of water is over.',
    ),
  ];
}
