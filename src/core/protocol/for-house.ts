import type { Species } from '../species/species';
import { hasTrait } from '../species/traits';
import { SOLUTIONS } from '../water/solutions';
import { DEPTH_CM } from '../species/depths';
import { DRINK_C, toolFor, waterMostHours, waterServesHours } from './ordinary';
import type { ParamsOf, StepKind } from '../steps/steps';
import { low, m, type Message, type Words } from '../words/message';
import { questionOf, schoolFor, type QuestionKey } from './schools';
import { soakHours } from './soak-hours';
import { added, before, changed, hasKind, noted, without, type DraftProtocol } from './draft-protocol';
import type { Change, LotState } from './types';
import type { Ways } from './ways';

const HOT_C = 48;
const isRose = (s: Species): boolean => hasTrait(s, 'a rose');

/** A house's way, in the words of those who hold it. */
function houseSays(key: QuestionKey, school: string): Change {
  const said = questionOf(key).schools.find((s) => s.key === school);
  return {
    because: 'house',
    says: m('why.house-way', { school: said ? low(said.name) : '', says: said?.says ?? '' }),
  };
}

const nameOf = (key: QuestionKey, school: string): Words => {
  const said = questionOf(key).schools.find((s) => s.key === school);
  return said ? low(said.name) : '';
};

/** As far as a species' limit lets a school go, with why it goes no further. */
function bounded(
  soFar: DraftProtocol,
  kind: StepKind,
  says: Message,
  params: Readonly<Record<string, unknown>>,
): DraftProtocol {
  const limit: Change = { because: 'house', says };
  const has = soFar.steps.find((d) => d.params.kind === kind)?.params as Record<string, unknown> | undefined;
  const isSo = has !== undefined && Object.entries(params).every(([key, value]) => has[key] === value);
  return isSo ? noted(soFar, kind, limit) : changed(soFar, kind, limit, params);
}

type ByHouse = (
  soFar: DraftProtocol,
  school: string,
  change: Change,
  lot: LotState,
  ways: Ways,
) => DraftProtocol;

const drinkOf = (soFar: DraftProtocol): ParamsOf<'drink'> | undefined =>
  soFar.steps.find((d) => d.params.kind === 'drink')?.params as ParamsOf<'drink'> | undefined;

const firstDrink: ByHouse = (soFar, school, change, { species }) => {
  const tempC =
    school === 'cold'
      ? DRINK_C.cold
      : school === 'warm'
        ? DRINK_C.warm
        : school === 'hot-roses' && isRose(species)
          ? HOT_C
          : null;
  if (tempC === null) return soFar;
  const least = species.chillBelowC ?? tempC;
  return tempC >= least
    ? changed(soFar, 'drink', change, { tempC })
    : bounded(
        soFar,
        'drink',
        m('why.limit-not-colder', { school: nameOf('first-drink', school), tempC: least }),
        {
          tempC: least,
        },
      );
};

const foliage: ByHouse = (soFar, school, change, { species }) => {
  // A species whose leaves are never stripped has nothing to answer for.
  if (species.foliage === 'none' || species.foliage === 'late') return soFar;
  if (school === 'waterline') return changed(soFar, 'strip', change, { to: 'waterline', keepsShare: 1 });
  if (school === 'bare') return changed(soFar, 'strip', change, { to: 'bare', keepsShare: 0 });
  const share = /^keep-(\d+)$/.exec(school)?.[1];
  return share === undefined
    ? soFar
    : changed(soFar, 'strip', change, { to: 'share', keepsShare: Number(share) / 100 });
};

const thorns: ByHouse = (soFar, school, change) =>
  changed(soFar, 'thorns', change, {
    extent: school === 'strip' ? 'all' : school === 'leave' ? 'leave' : 'to the hand',
  });

const tool: ByHouse = (soFar, school, change, { species }) => {
  if (toolFor(species) === 'secateurs' || school === 'by-skill') return soFar;
  return changed(soFar, 'cut', change, { tool: school });
};

const cutPlace: ByHouse = (soFar, school, change) =>
  school === 'by-need'
    ? soFar
    : changed(soFar, 'cut', change, { where: school === 'under-water' ? 'under water' : 'in air' });

const remedy: ByHouse = (soFar, school, change, { species }) => {
  const drink = drinkOf(soFar);
  // Food is by species: the right one where it wants one.
  if (!drink || school === 'flower-food' || !Object.hasOwn(SOLUTIONS, school)) return soFar;
  return species.foodKind === 'none' && school === 'plain'
    ? soFar
    : changed(soFar, 'drink', change, { solution: school });
};

const acid: ByHouse = (soFar, school, change) => {
  const drink = drinkOf(soFar);
  const isChlorine = drink?.solution === 'bleach';
  return school === 'add-acid' && drink && !isChlorine
    ? changed(soFar, 'drink', change, { addsAcid: true })
    : soFar;
};

/** Whether a school mists a species that its own plain steps do not. */
function mists(school: string, species: Species): boolean {
  if (isRose(species)) return school === 'roses-most';
  // What is wrapped against dry air is misted as well by those who mist all but roses.
  return school === 'all-but-roses' && species.mist !== 'no';
}
const misting: ByHouse = (soFar, school, change, { species, flaws }) => {
  if (school === 'none') return without(soFar, 'mist', change);
  const isMouldy = flaws?.includes('grey-mould') === true;
  if (!mists(school, species) || isMouldy || hasKind(soFar, 'mist')) return soFar;
  const when = isRose(species) ? 'if the room is very dry' : 'now';
  return before(soFar, ['guard-petals', 'de-pollen', 'move'], added(change, { kind: 'mist', when }));
};

const EVERY_H: Readonly<Record<string, number>> = { daily: 24, 'two-days': 48, 'three-four': 84 };
const waterChange: ByHouse = (soFar, school, change, { species }, { limits }) => {
  const drink = drinkOf(soFar);
  if (!drink) return soFar;
  const byModel = waterServesHours(species, drink.solution, limits);
  if (school === 'by-model') {
    const isOther = soFar.steps.some((d) => d.params.kind === 'recut' && d.params.everyHours !== byModel);
    const sooner: Change = {
      because: 'house',
      says: m('why.house-way-serves', { solution: low(m(`solution.${drink.solution}`)) }),
    };
    return isOther ? changed(soFar, 'recut', sooner, { everyHours: byModel }) : soFar;
  }
  // Never longer than the species or the house's own limit bears; topped up only, the count is not asked.
  const most = school === 'top-up' ? waterMostHours(species, drink.solution, limits) : byModel;
  const asked = EVERY_H[school] ?? Infinity;
  return asked <= most
    ? changed(soFar, 'recut', change, { everyHours: asked })
    : bounded(
        soFar,
        'recut',
        m('why.limit-not-longer', { school: nameOf('water-change', school), hours: Math.round(most) }),
        { everyHours: most },
      );
};

const depth: ByHouse = (soFar, school, change, { species }) => {
  if (school === 'by-species') return soFar;
  if (species.depth === 'shallow')
    return noted(soFar, 'drink', {
      because: 'house',
      says: m('why.limit-not-deeper', { school: nameOf('depth', school) }),
    });
  return changed(soFar, 'drink', change, { depthCm: school === 'deep' ? DEPTH_CM.deep : DEPTH_CM.third });
};

const pollen: ByHouse = (soFar, school, change) =>
  changed(soFar, 'de-pollen', change, { how: school === 'into-water' ? 'into the water' : 'bin' });

const soaking: ByHouse = (soFar, _school, change, { species }, ways) =>
  species.sap === 'mucilage'
    ? changed(soFar, 'sap-soak', change, { hours: soakHours(species, ways) })
    : soFar;

/** What crisps in a dry room stands in its damp bag, or is sprayed and needs none. */
const dryAir: ByHouse = (soFar, school, change, { species }) => {
  if (school !== 'spray' || !hasTrait(species, 'crisps dry') || !hasKind(soFar, 'wrap')) return soFar;
  const sprayed = before(soFar, ['wrap'], added(change, { kind: 'anti-transpirant' }));
  return without(sprayed, 'wrap', change);
};

const RESTS_H: Readonly<Record<string, number>> = { 'at-once': 0, 'two-hours': 2, overnight: 12 };
const resting: ByHouse = (soFar, school, change, { droop }) => {
  const hours = RESTS_H[school];
  // What came limp rests as its state asks, whatever the house does with sound stems.
  if (hours === undefined || (droop !== 'firm' && hours < 12)) return soFar;
  return changed(soFar, 'drink', change, { hours });
};

const BY_HOUSE: Partial<Record<QuestionKey, ByHouse>> = {
  'first-drink': firstDrink,
  foliage,
  thorns,
  tool,
  'cut-place': cutPlace,
  remedy,
  acid,
  misting,
  'water-change': waterChange,
  depth,
  pollen,
  'sap-soak': soaking,
  'dry-air': dryAir,
  resting,
};

/** The sheet as the house's schools ask, question by question. */
export function forHouse(soFar: DraftProtocol, lot: LotState, ways: Ways): DraftProtocol {
  return (Object.keys(BY_HOUSE) as QuestionKey[]).reduce((next, key) => {
    const school = schoolFor(ways.schools, key, lot.species.key);
    return BY_HOUSE[key]?.(next, school, houseSays(key, school), lot, ways) ?? next;
  }, soFar);
}
