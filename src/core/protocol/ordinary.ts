import type { Species } from '../species/species';
import { hasTrait, isTropical, type Trait } from '../species/traits';
import { longestUseHours } from '../water/pail-water';
import { rightSolution, SOLUTION_KEYS } from '../water/solutions';
import { freshWater, hoursUntilDue } from '../water/vessel-water';
import { DEPTH_CM } from '../species/depths';
import type { Tool } from '../steps/params';
import type { ParamsOf } from '../steps/steps';
import { m, type Message } from '../words/message';
import type { Draft } from './render';
import { asked } from './draft-protocol';
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
    ? m('why.pulled-from-the-head-end-the-mesh')
    : keepsSleeve
      ? m('why.it-shrivels-in-dry-moving-air-the')
      : off.includes('bract')
        ? m('why.the-papery-bract-browns-and-binds-the')
        : m('why.a-wet-banded-bunch-grows-mould');
  return asked({ kind: 'unpack', off, keepsSleeve }, why);
}

function strip(s: Species): Draft[] {
  const to = (kind: ParamsOf<'strip'>['to'], keepsShare: number, why: Message, snipped = false): Draft[] => [
    asked({ kind: 'strip', to: kind, keepsShare, snipped }, why),
  ];
  if (hasTrait(s, 'winged stem')) return to('wings', 1, m('why.leaf-under-water-rots-and-feeds-what'));
  if (hasTrait(s, 'stripped high')) return to('share', 0.5, m('why.stripped-well-up-its-side-tips-wilt'));
  switch (s.foliage) {
    case 'waterline':
      return to('waterline', 1, m('why.leaf-under-water-rots-and-feeds-what'));
    case 'lower-two':
      return to('lower-two', 1, m('why.they-would-stand-in-the-water-the'));
    case 'bare':
      return to('bare', 0, m('why.its-leaves-wilt-long-before-the-flower'));
    case 'bare-or-keep':
      return to('bare', 0, m('why.a-torn-leaf-opens-another-wound-for'), true);
    default:
      return [];
  }
}

/** What cuts a stem of the species: wood wants secateurs. */
export function toolFor(s: Species): Tool {
  return s.build === 'woody' && !hasTrait(s, 'a rose') ? 'secateurs' : 'knife or snips';
}

function cut(s: Species): Draft[] {
  if (s.cutCm <= 0) return [];
  const [split, underWater] = [hasTrait(s, 'split foot'), hasTrait(s, 'cut under water')];
  const sliver = s.cutCm < 1;
  const why = sliver
    ? m('why.cut-higher-than-the-pale-foot-and')
    : underWater
      ? m('why.under-water-no-air-follows-the-blade')
      : split
        ? m('why.wood-drinks-through-more-face-hammering-only')
        : m('why.straight-into-water-within-seconds-before-air');
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

const SAP_WHY = m('why.its-sap-shortens-the-life-of-whatever');
const MILK_WHY = m('why.the-milk-goes-on-for-a-while');

/** Hours alone that leave a tenth of the sap of what bleeds mucilage, and those of a night, which leave none. */
export const SOAK_H = { usual: 4, night: 12 } as const;

/** The soak that shuts a stem's sap in: mucilage uncut and alone for so many hours, latex with its own kind. */
export function sapSoak(s: Species, hours: number = SOAK_H.usual): Draft {
  return s.sap === 'latex'
    ? asked({ kind: 'sap-soak', company: 'its own kind', hours: 1, depthCm: 13, tempC: 20 }, MILK_WHY)
    : asked({ kind: 'sap-soak', company: 'alone', hours, depthCm: 5, tempC: 8 }, SAP_WHY);
}

function opening(s: Species): Draft[] {
  if (s.sap === 'mucilage') return [sapSoak(s)];
  const dip =
    s.hotDipC !== null && s.hotDipS !== null
      ? [
          asked(
            { kind: 'hot-dip', tempC: s.hotDipC, seconds: s.hotDipS, depthCm: 3, untilCool: false },
            m('why.heat-drives-the-air-out-and-kills'),
          ),
        ]
      : [];
  const latex =
    s.sap === 'latex'
      ? [asked({ kind: 'sap-dab' }, m('why.a-skin-of-dried-latex-would-seal')), sapSoak(s)]
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
        m('why.it-keeps-the-cut-open-without-it'),
      ),
    ],
  ],
  [
    'filled stem',
    [
      asked({ kind: 'fill-stem', plug: true }, m('why.the-hollow-stem-then-carries-its-own')),
      asked({ kind: 'wrap', in: 'tape at the foot' }, m('why.without-it-the-end-rolls-up-like')),
    ],
  ],
  [
    'soaked pods',
    [
      asked(
        { kind: 'plunge', part: 'pods', tempC: 38, minutes: 18 },
        m('why.soaking-softens-the-pod-so-the-first'),
      ),
      asked({ kind: 'lift-florets' }, m('why.more-follow-on-their-own-once-the')),
    ],
  ],
  [
    'drinks in paper',
    [
      asked(
        { kind: 'condition-upright', in: 'paper', hours: USUAL_DRINK_H },
        m('why.it-drinks-itself-stiff-in-the-shape'),
      ),
    ],
  ],
  ['drinks in a grid', [asked({ kind: 'grid' }, m('why.stems-set-straight-while-they-drink-a'))]],
];
const beforeDrink = (s: Species): Draft[] =>
  BEFORE_DRINK.flatMap(([trait, steps]) => (hasTrait(s, trait) ? steps : []));

function drinkWhy(s: Species): Message {
  if (hasTrait(s, 'grows on')) return m('why.coldest-water-shallow-it-goes-on-growing');
  if (s.depth === 'shallow') return m('why.deep-water-softens-a-fleshy-stem-a');
  if (s.firstDrink === 'cold') return m('why.cold-slows-the-flower-and-firms-the');
  if (s.firstDrink === 'warm') return m('why.warm-water-runs-up-the-stem-faster');
  return m('why.tepid-water-is-taken-up-fast-without');
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
    out.push(asked({ kind: 'mist', when: 'now' }, m('why.it-takes-water-through-leaf-and-petal')));
  if (s.mist === 'wrap')
    out.push(
      asked(
        { kind: 'wrap', in: 'its damp sleeve' },
        hasTrait(s, 'crisps dry')
          ? m('why.it-crisps-in-a-dry-room-a')
          : m('why.it-shrivels-in-a-dry-room-and'),
      ),
    );
  if (hasTrait(s, 'guard petals'))
    out.push(
      asked({ kind: 'guard-petals' }, m('why.the-marked-outer-petals-guard-the-rest'), {
        title: m('step.leave-the-guard-petals-on-until-it'),
        stems: m('stems.all'),
      }),
    );
  if (s.foliage === 'late')
    out.push(
      asked(
        { kind: 'strip', to: 'late', keepsShare: 1, snipped: false },
        m('why.its-leaves-keep-it-until-it-is-used'),
      ),
    );
  if (s.sap === 'latex')
    out.push(asked({ kind: 'discard', what: 'lowest florets' }, m('why.the-lowest-go-first-and-gas-the')));
  if (hasTrait(s, 'lily'))
    out.push(asked({ kind: 'de-pollen', how: 'bin' }, m('why.before-the-pollen-dusts-it-stains-and')));
  return out;
}

/** Where a species keeps best. */
export function storedAt(s: Species): ParamsOf<'move'> {
  const place = hasTrait(s, 'opens warm')
    ? 'the shop floor'
    : isTropical(s)
      ? 'the tropical shelf'
      : 'the cold room';
  return { kind: 'move', place, lowC: s.storeMinC, highC: s.storeMaxC, dark: false };
}

function move(s: Species): Draft {
  const why = hasTrait(s, 'opens warm')
    ? m('why.it-opens-at-room-temperature-the-cold')
    : isTropical(s)
      ? m('why.injured-below', { tempC: s.chillBelowC ?? 0 })
      : m('why.keeps-best-at', { low: s.storeMinC, high: s.storeMaxC });
  return asked(storedAt(s), why);
}

const SHOP_C = 20;
/** Hours until fresh water of a solution is due for a change by its predicted count, in the shop's warmth. */
const DUE_BY_COUNT_H = new Map(
  SOLUTION_KEYS.map((key) => [key, hoursUntilDue(freshWater('clean', key), SHOP_C, 0) ?? Infinity]),
);

/** The longest its water may serve by the house's limit and the species', whatever its count, h. */
export function waterMostHours(
  s: Species,
  drinks: ParamsOf<'drink'>['solution'],
  limits: WaterLimits,
): number {
  return Math.min(longestUseHours(drinks, hasTrait(s, 'lily'), limits), s.waterMostH ?? Infinity);
}

/** Hours a pail's water may serve: until the predicted count is due, or the house's longest, or the species'. */
export function waterServesHours(
  s: Species,
  drinks: ParamsOf<'drink'>['solution'],
  limits: WaterLimits,
): number {
  const byCount = DUE_BY_COUNT_H.get(drinks) ?? Infinity;
  return Math.max(1, Math.min(byCount, waterMostHours(s, drinks, limits)));
}

/** The protocol of a species as the plain lot of it gets: sound, ideal, in a shop that has everything. */
export function ordinarySteps(s: Species, limits: WaterLimits): Draft[] {
  const first = drink(s);
  const serves = waterServesHours(s, rightSolution(s.foodKind), limits);
  return [
    unpack(s),
    ...(hasTrait(s, 'comes muddy')
      ? [asked({ kind: 'rinse' }, m('why.soil-in-the-pail-is-tomorrows-cloudy'))]
      : []),
    ...strip(s),
    ...(s.skin === 'thorns'
      ? [asked({ kind: 'thorns', extent: 'to the hand' }, m('why.every-scar-lets-bacteria-in-whole-bark'))]
      : []),
    ...opening(s),
    ...beforeDrink(s),
    first,
    asked(
      { kind: 'look-back', afterHours: 0, round: 0 },
      m('why.drinking-shows-in-the-neck-before-anywhere'),
    ),
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
        ? m('why.its-water-is-changed-often')
        : m('why.by-then-the-count-passes-its-limit'),
    ),
  ];
}
