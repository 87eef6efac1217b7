import type { FlawKind } from '../dock/flaws';
import { hasTrait, isTropical } from '../species/traits';
import { idealArrivalStage, opensInVase, type Species } from '../species/species';
import { DEPTH_CM } from '../species/depths';
import { PENCIL_BUDS_CHECK } from '../steps/params';
import { m, type Message } from '../words/message';
import { HANGING_DRINK_H, isLiftedByHeat, lifted } from './lifting';
import { DRINK_C } from './ordinary';
import type { ParamsOf, StepKind, StepParams } from '../steps/steps';
import { added, after, before, changed, hasKind, noted, without, type DraftProtocol } from './draft-protocol';
import type { Change, LotState } from './types';
import type { Ways } from './ways';

const state = (says: Message): Change => ({ because: 'state', says });
const FIRST_WORK: readonly StepKind[] = ['rinse', 'strip', 'thorns', 'sap-soak', 'cut', 'hot-dip', 'drink'];

/** What drinks longer, deeper or alone, by how it came. */
function drinksMore(
  soFar: DraftProtocol,
  says: Message,
  hours: number,
  more: Partial<ParamsOf<'drink'>> = {},
): DraftProtocol {
  const drink = soFar.steps.find((d) => d.params.kind === 'drink')?.params as ParamsOf<'drink'> | undefined;
  if (!drink) return soFar;
  const depthCm = more.depthCm ?? drink.depthCm;
  return changed(soFar, 'drink', state(says), { ...more, depthCm, hours: Math.max(hours, drink.hours) });
}
const deeper = (s: Species): Partial<ParamsOf<'drink'>> =>
  s.depth === 'normal' ? { depthCm: DEPTH_CM.deep } : {};

function forDroop(soFar: DraftProtocol, { species: s, droop }: LotState, ways: Ways): DraftProtocol {
  if (droop === 'firm') return soFar;
  const still = state(m('why.if-it-still-hangs-cut-again-hot'));
  let next = changed(
    isLiftedByHeat(s) ? noted(soFar, 'look-back', still) : soFar,
    'cut',
    state(m('why.limp-under-water-no-air-follows-the')),
    {
      where: 'under water',
    },
  );
  // Soft stems are looked at after the usual drink.
  if (droop === 'soft') return drinksMore(next, m('why.it-came-soft-longer-and-deeper-than'), 0, deeper(s));
  const hangs = state(m('why.they-came-hanging-air-is-holding-the'));
  next = lifted(next, s, hangs, ways);
  // Looked at after two hours; what stands by then moves on, what does not is looked at again.
  const alone = drinksMore(next, m('why.it-came-hanging-longer-and-deeper-than'), 0, {
    ...deeper(s),
    alone: true,
  });
  return changed(alone, 'drink', hangs, { hours: HANGING_DRINK_H });
}

/** What a note says of the packing that has to come off. */
const PACKED = [
  ['mesh', /mesh|\bnet/i, 'why.pulled-from-the-head-end-the-mesh'],
  ['water caps', /\bcaps?\b|capped|vial|tube/i, 'why.it-came-in-water-caps-off-at'],
  ['sleeve', /sleeve/i, 'why.a-wet-banded-bunch-grows-mould'],
  ['ties', /\btie[ds]?\b|string|raffia/i, 'why.a-wet-banded-bunch-grows-mould'],
] as const;

function forPacking(soFar: DraftProtocol, { packing, hoursDry, species: s, droop }: LotState): DraftProtocol {
  const unpack = soFar.steps.find((d) => d.params.kind === 'unpack')?.params as
    ParamsOf<'unpack'> | undefined;
  let next = soFar;
  for (const [thing, told, says] of PACKED) {
    const isKept = thing === 'sleeve' && unpack?.keepsSleeve === true;
    if (!unpack || isKept || unpack.off.includes(thing) || !told.test(packing)) continue;
    const off = next.steps.flatMap((d) => (d.params.kind === 'unpack' ? d.params.off : []));
    // What the species always has comes off as well: nothing is lost to how it was packed.
    next = changed(next, 'unpack', state(m(says)), { off: [...off, thing] });
  }
  if (hoursDry > s.dryHours && droop === 'firm') {
    next = changed(next, 'cut', state(m('why.dry-longer-than-it-bears-air-stands')), {
      where: 'under water',
    });
    next = drinksMore(next, m('why.dry-longer-than-it-bears', { hours: s.dryHours }), 4);
  }
  return next;
}

/** Tighter than this it wants warmth to open. */
const TIGHT_STAGE = 0.1;

/** What a stage asks: the same as when heads of that stage were counted as a flaw. */
function forStage(soFar: DraftProtocol, { species: s, stage, flaws = [] }: LotState): DraftProtocol {
  const asFlaw: FlawKind | null =
    stage > 1 ? 'blown' : stage < TIGHT_STAGE && !hasTrait(s, 'pencil buds') ? 'too-tight' : null;
  if (asFlaw !== null) return flaws.includes(asFlaw) ? soFar : (FOR_FLAW[asFlaw]?.(soFar, s) ?? soFar);
  return forOpenness(soFar, s, stage);
}

function forOpenness(soFar: DraftProtocol, s: Species, stage: number): DraftProtocol {
  if (opensInVase(s) && stage > idealArrivalStage(s) + 0.3)
    return drinksMore(soFar, m('why.it-came-open-it-gives-off-more'), 3);
  if (hasTrait(s, 'pencil buds') && stage < 0.1)
    return after(
      soFar,
      'unpack',
      added(state(m('why.a-thin-green-pencil-does-not-open')), {
        kind: 'inspect',
        checks: [PENCIL_BUDS_CHECK],
      }),
    );
  return soFar;
}

type ForFlaw = (soFar: DraftProtocol, s: Species) => DraftProtocol;
const first =
  (says: Message, params: StepParams): ForFlaw =>
  (soFar) =>
    before(soFar, FIRST_WORK, added(state(says), params));

function wrappedInstead(
  says: Message,
  place: (s: Species) => ParamsOf<'move'>['place'],
  lowC = 16,
  highC = 21,
): ForFlaw {
  return (soFar, s) => changed(soFar, 'move', state(says), { place: place(s), lowC, highC, dark: false });
}

const FOR_FLAW: Partial<Record<FlawKind, ForFlaw>> = {
  'grey-mould': (soFar) => {
    const spreads = state(m('why.grey-mould-goes-on-from-petal-to'));
    const sorted = before(soFar, FIRST_WORK, added(spreads, { kind: 'discard', what: 'mould' }));
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
  soil: (soFar) =>
    hasKind(soFar, 'rinse')
      ? soFar
      : before(
          soFar,
          FIRST_WORK,
          added(state(m('why.soil-in-the-pail-is-tomorrows-cloudy')), { kind: 'rinse' }),
        ),
  'cut-dry': (soFar) =>
    drinksMore(
      changed(soFar, 'cut', state(m('why.cut-dry-at-the-farm-under-water')), {
        where: 'under water',
      }),
      m('why.cut-dry-it-takes-longer-to-fill'),
      4,
    ),
  'bruised-outer': (soFar) => {
    const whole = state(m('why.they-keep-the-good-ones-whole-they'));
    return hasKind(soFar, 'guard-petals')
      ? soFar
      : before(soFar, ['move'], added(whole, { kind: 'guard-petals' }));
  },
  chilled: wrappedInstead(m('why.chilling-shows-late-dark-glassy-spots-come'), (s) =>
    isTropical(s) ? 'the tropical shelf' : 'the bench',
  ),
  blown: wrappedInstead(m('why.fully-open-has-little-left-to-give'), () => 'the shop floor'),
  'too-tight': (soFar, s) =>
    opensInVase(s)
      ? wrappedInstead(m('why.too-tight-to-open-in-the-cold'), () => 'the shop floor')(
          changed(soFar, 'drink', state(m('why.too-tight-warm-water-brings-it-on')), { tempC: DRINK_C.warm }),
          s,
        )
      : noted(soFar, 'look-back', state(m('why.it-does-not-open-after-the-cut'))),
};

/** The sheet as this lot's state asks: how it hangs, how it was packed, how open it is, what was found wrong. */
export function forState(soFar: DraftProtocol, lot: LotState, ways: Ways): DraftProtocol {
  const flaws = lot.flaws ?? [];
  const seen = forStage(forPacking(forDroop(soFar, lot, ways), lot), lot);
  return (Object.keys(FOR_FLAW) as FlawKind[])
    .filter((kind) => flaws.includes(kind))
    .reduce((next, kind) => FOR_FLAW[kind]?.(next, lot.species) ?? next, seen);
}
