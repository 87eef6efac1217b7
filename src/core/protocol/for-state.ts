import type { FlawKind } from '../dock/flaws';
import { hasTrait, isTropical } from '../species/traits';
import { idealArrivalStage, opensInVase, type Species } from '../species/species';
import { DEPTH_CM } from '../species/depths';
import { PENCIL_BUDS_CHECK } from '../steps/params';
import { m, type Message } from '../words/message';
import { DRINK_C } from './plain';
import type { ParamsOf, StepKind, StepParams } from '../steps/steps';
import { schoolFor } from './schools';
import { added, after, before, changed, hasKind, noted, without, type Sheet } from './sheet';
import type { Change, LotState } from './types';
import type { Ways } from './ways';

const state = (says: Message): Change => ({ because: 'state', says });
const FIRST_WORK: readonly StepKind[] = ['rinse', 'strip', 'thorns', 'sap-soak', 'cut', 'hot-dip', 'drink'];

/** What drinks longer, deeper or alone, by how it came. */
function drinksMore(
  sheet: Sheet,
  says: Message,
  hours: number,
  more: Partial<ParamsOf<'drink'>> = {},
): Sheet {
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
  const still = state(m('why.if-it-still-hangs-cut-again-hot'));
  let next = changed(
    noted(sheet, 'look-back', still),
    'cut',
    state(m('why.limp-under-water-no-air-follows-the')),
    {
      where: 'under water',
    },
  );
  if (droop === 'soft') return drinksMore(next, m('why.it-came-soft-longer-and-deeper-than'), 4, deeper(s));
  const hangs = state(m('why.they-came-hanging-air-is-holding-the'));
  if (hasTrait(s, 'neck is lost')) {
    const gone = state(m('why.a-neck-that-has-dropped-does-not'));
    next = after(next, 'unpack', added(gone, { kind: 'discard', what: 'dropped necks' }));
  } else if (hasTrait(s, 'drinks by the head')) {
    const sunk = state(m('why.it-drinks-through-the-head-itself-leaves'));
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
  return drinksMore(next, m('why.it-came-hanging-longer-and-deeper-than'), 12, {
    ...deeper(s),
    alone: true,
  });
}

function forPacking(sheet: Sheet, { packing, hoursDry, species: s, droop }: LotState): Sheet {
  const unpack = sheet.steps.find((d) => d.params.kind === 'unpack')?.params as
    ParamsOf<'unpack'> | undefined;
  let next = sheet;
  if (unpack && /mesh/i.test(packing) && !unpack.off.includes('mesh'))
    next = changed(next, 'unpack', state(m('why.pulled-from-the-head-end-the-mesh')), {
      off: ['mesh', ...unpack.off],
    });
  if (unpack && /capped|caps/i.test(packing))
    next = changed(next, 'unpack', state(m('why.it-came-in-water-caps-off-at')), {
      off: ['paper', 'bands', 'water caps'],
    });
  if (hoursDry > s.dryHours && droop === 'firm') {
    next = changed(next, 'cut', state(m('why.dry-longer-than-it-bears-air-stands')), {
      where: 'under water',
    });
    next = drinksMore(next, m('why.dry-longer-than-it-bears', { hours: s.dryHours }), 4);
  }
  return next;
}

function forStage(sheet: Sheet, { species: s, stage }: LotState): Sheet {
  if (opensInVase(s) && stage > idealArrivalStage(s) + 0.3)
    return drinksMore(sheet, m('why.it-came-open-it-gives-off-more'), 3);
  if (hasTrait(s, 'pencil buds') && stage < 0.1)
    return after(
      sheet,
      'unpack',
      added(state(m('why.a-thin-green-pencil-does-not-open')), {
        kind: 'inspect',
        checks: [PENCIL_BUDS_CHECK],
      }),
    );
  return sheet;
}

type ForFlaw = (sheet: Sheet, s: Species) => Sheet;
const first =
  (says: Message, params: StepParams): ForFlaw =>
  (sheet) =>
    before(sheet, FIRST_WORK, added(state(says), params));

function keptInstead(
  says: Message,
  place: (s: Species) => ParamsOf<'move'>['place'],
  lowC = 16,
  highC = 21,
): ForFlaw {
  return (sheet, s) => changed(sheet, 'move', state(says), { place: place(s), lowC, highC, dark: false });
}

const FOR_FLAW: Partial<Record<FlawKind, ForFlaw>> = {
  'grey-mould': (sheet) => {
    const spreads = state(m('why.grey-mould-goes-on-from-petal-to'));
    const sorted = before(sheet, FIRST_WORK, added(spreads, { kind: 'discard', what: 'mould' }));
    return without(changed(sorted, 'drink', spreads, { alone: true }), 'mist', spreads);
  },
  broken: first(m('why.a-kinked-stem-lifts-no-water-past'), { kind: 'discard', what: 'broken' }),
  'brown-buds': first(m('why.a-bud-that-went-brown-in-the'), {
    kind: 'discard',
    what: 'brown buds',
  }),
  nectar: first(m('why.ants-and-nectar-come-off-in-the'), {
    kind: 'plunge',
    part: 'heads',
    tempC: 22,
    minutes: 5,
  }),
  'yellow-leaves': first(m('why.a-yellow-leaf-gives-off-gas-and'), {
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
          added(state(m('why.soil-in-the-pail-is-tomorrows-cloudy')), { kind: 'rinse' }),
        ),
  'cut-dry': (sheet) =>
    drinksMore(
      changed(sheet, 'cut', state(m('why.cut-dry-at-the-farm-under-water')), {
        where: 'under water',
      }),
      m('why.cut-dry-it-takes-longer-to-fill'),
      4,
    ),
  'bruised-outer': (sheet) => {
    const whole = state(m('why.they-keep-the-good-ones-whole-they'));
    return hasKind(sheet, 'guard-petals')
      ? sheet
      : before(sheet, ['move'], added(whole, { kind: 'guard-petals' }));
  },
  chilled: keptInstead(m('why.chilling-shows-late-dark-glassy-spots-come'), (s) =>
    isTropical(s) ? 'the tropical shelf' : 'the bench',
  ),
  blown: keptInstead(m('why.fully-open-has-little-left-to-give'), () => 'the shop floor'),
  'too-tight': (sheet, s) =>
    opensInVase(s)
      ? keptInstead(m('why.too-tight-to-open-in-the-cold'), () => 'the shop floor')(
          changed(sheet, 'drink', state(m('why.too-tight-warm-water-brings-it-on')), { tempC: DRINK_C.warm }),
          s,
        )
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
