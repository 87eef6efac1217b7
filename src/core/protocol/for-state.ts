import type { FlawKind } from '../dock/flaws';
import { hasTrait, isTropical } from '../species/traits';
import { idealArrivalStage, opensInVase, type Species } from '../species/species';
import { DEPTH_CM } from '../steps/figures';
import { DRINK_C } from './plain';
import type { ParamsOf, StepKind, StepParams } from '../steps/steps';
import { schoolFor } from './schools';
import { added, after, before, changed, hasKind, noted, without, type Sheet } from './sheet';
import type { Change, LotState } from './types';
import type { Ways } from './ways';

const state = (says: string): Change => ({ because: 'state', says });
const FIRST_WORK: readonly StepKind[] = ['rinse', 'strip', 'thorns', 'sap-soak', 'cut', 'hot-dip', 'drink'];

/** What drinks longer, deeper or alone, by how it came. */
function drinksMore(sheet: Sheet, says: string, hours: number, more: Partial<ParamsOf<'drink'>> = {}): Sheet {
  const drink = sheet.steps.find((d) => d.params.kind === 'drink')?.params as ParamsOf<'drink'> | undefined;
  if (!drink) return sheet;
  const depthCm = more.depthCm ?? drink.depthCm;
  return changed(sheet, 'drink', state(says), { ...more, depthCm, hours: Math.max(hours, drink.hours) });
}
const deeper = (s: Species): Partial<ParamsOf<'drink'>> =>
  s.depth === 'normal' ? { depthCm: DEPTH_CM.deep } : {};

/** The heat that drives air out of a stem that hangs, by the house's school for it. */
export function rescueDip(s: Species, ways: Ways): StepParams {
  const school = schoolFor(ways.schools, 'rescue', s.key);
  const boils =
    (school === 'just-boiled' || (school === 'by-build' && s.build === 'woody')) &&
    ways.has.includes('kettle');
  return boils
    ? { kind: 'hot-dip', tempC: 98, seconds: 30, depthCm: 5, untilCool: false }
    : { kind: 'hot-dip', tempC: 50, seconds: 1200, depthCm: 5, untilCool: true };
}

function forDroop(sheet: Sheet, { species: s, droop }: LotState, ways: Ways): Sheet {
  if (droop === 'firm') return sheet;
  const still = state('If it still hangs: cut again, hot water, its own pail. Some never come back.');
  let next = changed(
    noted(sheet, 'look-back', still),
    'cut',
    state('Limp: under water no air follows the blade up the stem.'),
    {
      where: 'under water',
    },
  );
  if (droop === 'soft')
    return drinksMore(next, 'It came soft: longer and deeper than a firm lot.', 4, deeper(s));
  const hangs = state('They came hanging: air is holding the water back, and heat clears it.');
  if (hasTrait(s, 'neck is lost')) {
    const gone = state('A neck that has dropped does not come back.');
    next = after(next, 'unpack', added(gone, { kind: 'discard', what: 'dropped necks' }));
  } else if (hasTrait(s, 'drinks by the head')) {
    const sunk = state('It drinks through the head itself: leaves off, under water, then the fresh cut.');
    next = changed(next, 'strip', sunk, { to: 'all but the head', keepsShare: 0 });
    next = before(
      next,
      ['cut'],
      added(sunk, { kind: 'plunge', part: 'whole heads', tempC: 15, minutes: 30 }),
    );
  } else if (hasKind(next, 'cut') && !hasKind(next, 'hot-dip')) {
    const dip = rescueDip(s, ways);
    const isBoiled = dip.kind === 'hot-dip' && !dip.untilCool;
    // After boiling the cooked end is cut away; the tap's heat goes up a fresh cut.
    next = isBoiled ? before(next, ['cut'], added(hangs, dip)) : after(next, 'cut', added(hangs, dip));
    if (isBoiled) next = changed(next, 'drink', hangs, { tempC: DRINK_C.cold });
  }
  return drinksMore(next, 'It came hanging: longer and deeper than a firm lot, and apart.', 12, {
    ...deeper(s),
    alone: true,
  });
}

function forPacking(sheet: Sheet, { packing, hoursDry, species: s, droop }: LotState): Sheet {
  const unpack = sheet.steps.find((d) => d.params.kind === 'unpack')?.params as
    ParamsOf<'unpack'> | undefined;
  let next = sheet;
  if (unpack && /mesh/i.test(packing) && !unpack.off.includes('mesh'))
    next = changed(next, 'unpack', state('Pulled from the head end, the mesh strips the flowers.'), {
      off: ['mesh', ...unpack.off],
    });
  if (unpack && /capped|caps/i.test(packing))
    next = changed(next, 'unpack', state('It came in water caps: off at once, they are empty by now.'), {
      off: ['paper', 'bands', 'water caps'],
    });
  if (hoursDry > s.dryHours && droop === 'firm') {
    next = changed(next, 'cut', state('Dry longer than it bears: air stands in the foot.'), {
      where: 'under water',
    });
    next = drinksMore(next, `Dry longer than the ${s.dryHours} h it bears: longer in the water.`, 4);
  }
  return next;
}

function forStage(sheet: Sheet, { species: s, stage }: LotState): Sheet {
  if (opensInVase(s) && stage > idealArrivalStage(s) + 0.3)
    return drinksMore(sheet, 'It came open: it gives off more, and needs longer to fill.', 3);
  if (hasTrait(s, 'pencil buds') && stage < 0.1)
    return after(
      sheet,
      'unpack',
      added(state('A thin green pencil does not open in water: refuse it; a fat coloured one may.'), {
        kind: 'inspect',
        checks: ['the buds: fat and coloured, not thin and green'],
      }),
    );
  return sheet;
}

type ForFlaw = (sheet: Sheet, s: Species) => Sheet;
const first =
  (says: string, params: StepParams): ForFlaw =>
  (sheet) =>
    before(sheet, FIRST_WORK, added(state(says), params));

function keptInstead(
  says: string,
  place: (s: Species) => ParamsOf<'move'>['place'],
  lowC = 16,
  highC = 21,
): ForFlaw {
  return (sheet, s) => changed(sheet, 'move', state(says), { place: place(s), lowC, highC, dark: false });
}

const FOR_FLAW: Partial<Record<FlawKind, ForFlaw>> = {
  'grey-mould': (sheet) => {
    const spreads = state('Grey mould goes on from petal to petal where it is wet and still.');
    const sorted = before(sheet, FIRST_WORK, added(spreads, { kind: 'discard', what: 'mould' }));
    return without(changed(sorted, 'drink', spreads, { alone: true }), 'mist', spreads);
  },
  broken: first('A kinked stem lifts no water past the kink.', { kind: 'discard', what: 'broken' }),
  'brown-buds': first('A bud that went brown in the cold never opens and gives off gas.', {
    kind: 'discard',
    what: 'brown buds',
  }),
  nectar: first('Ants and nectar come off in the water, not on the customer’s table.', {
    kind: 'plunge',
    part: 'heads',
    tempC: 22,
    minutes: 5,
  }),
  'yellow-leaves': first('A yellow leaf gives off gas and drops into the water.', {
    kind: 'strip',
    to: 'yellow',
    keepsShare: 1,
    snipped: false,
  }),
  soil: (sheet) =>
    hasKind(sheet, 'rinse')
      ? sheet
      : before(
          sheet,
          FIRST_WORK,
          added(state('Soil in the pail is tomorrow’s cloudy water.'), { kind: 'rinse' }),
        ),
  'cut-dry': (sheet) =>
    drinksMore(
      changed(sheet, 'cut', state('Cut dry at the farm: under water no air follows the blade.'), {
        where: 'under water',
      }),
      'Cut dry: it takes longer to fill.',
      4,
    ),
  'bruised-outer': (sheet) => {
    const whole = state('They keep the good ones whole; they come off at the making.');
    return hasKind(sheet, 'guard-petals')
      ? sheet
      : before(sheet, ['move'], added(whole, { kind: 'guard-petals' }));
  },
  chilled: keptInstead(
    'Chilling shows late: dark, glassy spots come a day or two after. Out of draughts; look again tomorrow.',
    (s) => (isTropical(s) ? 'the tropical shelf' : 'the bench'),
  ),
  blown: keptInstead('Fully open has little left to give: today’s flower.', () => 'the shop floor'),
  'too-tight': (sheet, s) =>
    opensInVase(s)
      ? keptInstead(
          'Too tight to open in the cold: warmth and light bring it on, if anything does.',
          () => 'the shop floor',
        )(changed(sheet, 'drink', state('Too tight: warm water brings it on.'), { tempC: DRINK_C.warm }), s)
      : sheet,
};

/** The sheet as this lot's state asks: how it hangs, how it was packed, how open it is, what was found wrong. */
export function forState(sheet: Sheet, lot: LotState, ways: Ways): Sheet {
  const flaws = lot.flaws ?? [];
  const seen = forStage(forPacking(forDroop(sheet, lot, ways), lot), lot);
  return (Object.keys(FOR_FLAW) as FlawKind[])
    .filter((kind) => flaws.includes(kind))
    .reduce((next, kind) => FOR_FLAW[kind]?.(next, lot.species) ?? next, seen);
}
