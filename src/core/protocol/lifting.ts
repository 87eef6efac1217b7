import type { Species } from '../species/species';
import { hasTrait, type Trait } from '../species/traits';
import { DEPTH_CM } from '../species/depths';
import type { StepParams } from '../steps/steps';
import { m, type Message } from '../words/message';
import { DRINK_C } from './ordinary';
import { schoolFor } from './schools';
import { added, after, before, changed, hasKind, type DraftProtocol } from './draft-protocol';
import type { Change } from './types';
import type { Ways } from './ways';

/** Hours until what came hanging is looked at. */
export const HANGING_DRINK_H = 2;
/** Of what heat does nothing for: as much as comes off its foot, cm, and the coolest it drinks, °C. */
export const SLIVER_CM = 0.5;
export const COOL_C = 12;

const state = (says: Message): Change => ({ because: 'state', says });

/** Just off the boil; from here on a dip is a rescue and no species' own. */
const JUST_BOILED_C = 98;
export const BOILED_C = 90;
/** The hot tap, by the thermometer, until it has cooled. */
export const HOT_TAP: StepParams = { kind: 'hot-dip', tempC: 50, seconds: 1200, depthCm: 5, untilCool: true };

/** The heat that drives air out of a stem that hangs, by the house's school for it. */
export function rescueDip(s: Species, ways: Ways): StepParams {
  const school = schoolFor(ways.schools, 'rescue', s.key);
  const boils =
    (school === 'just-boiled' || (school === 'by-build' && s.build === 'woody')) &&
    ways.has.includes('kettle');
  return boils
    ? { kind: 'hot-dip', tempC: JUST_BOILED_C, seconds: 30, depthCm: 5, untilCool: false }
    : HOT_TAP;
}

type Lift = (soFar: DraftProtocol, s: Species) => DraftProtocol;

/** What is done for a hanging head that heat does not lift, by trait; the first that a species has. */
const WITHOUT_HEAT: readonly (readonly [Trait, Lift])[] = [
  [
    'neck is lost',
    (soFar) => {
      const gone = state(m('why.a-neck-that-has-dropped-does-not'));
      return after(soFar, 'unpack', added(gone, { kind: 'discard', what: 'dropped necks' }));
    },
  ],
  [
    'lifts in cold',
    (soFar) => {
      const wrapped = state(m('why.hanging-wrapped-in-deep-cold'));
      const wrap = added(wrapped, { kind: 'condition-upright', in: 'paper', hours: HANGING_DRINK_H });
      const upright = hasKind(soFar, 'condition-upright') ? soFar : before(soFar, ['drink'], wrap);
      return changed(upright, 'drink', wrapped, { tempC: DRINK_C.cold, depthCm: DEPTH_CM.deep });
    },
  ],
  [
    'lifts by a recut',
    (soFar, s) => {
      const recut = state(m('why.hanging-recut-in-cool'));
      const cut = { cm: SLIVER_CM, sliver: true, angleDeg: 0, where: 'in air' };
      const tempC = Math.max(COOL_C, s.chillBelowC ?? COOL_C);
      return changed(changed(soFar, 'cut', recut, cut), 'drink', recut, { tempC });
    },
  ],
  [
    'drinks by the head',
    (soFar) => {
      const sunk = state(m('why.it-drinks-through-the-head-itself-leaves'));
      const bare = changed(soFar, 'strip', sunk, { to: 'all but the head', keepsShare: 0 });
      return before(
        bare,
        ['cut'],
        added(sunk, { kind: 'plunge', part: 'whole heads', tempC: 15, minutes: 30 }),
      );
    },
  ],
];

/** Whether heat is the way back for a head of it that hangs. */
export const isLiftedByHeat = (s: Species): boolean => !WITHOUT_HEAT.some(([trait]) => hasTrait(s, trait));

function byHeat(soFar: DraftProtocol, s: Species, hangs: Change, ways: Ways): DraftProtocol {
  if (!hasKind(soFar, 'cut') || hasKind(soFar, 'hot-dip')) return soFar;
  const dip = rescueDip(s, ways);
  if (dip.kind !== 'hot-dip' || dip.untilCool) return after(soFar, 'cut', added(hangs, dip));
  // After boiling the cooked end is cut away; the tap's heat goes up a fresh cut.
  const boiled = before(soFar, ['cut'], added(hangs, dip));
  return changed(boiled, 'drink', hangs, { tempC: Math.max(DRINK_C.cold, s.chillBelowC ?? 0) });
}

/** What lifts a head that hangs: heat, the head under water, cold, a slice off the foot; of some nothing does. */
export function lifted(soFar: DraftProtocol, s: Species, hangs: Change, ways: Ways): DraftProtocol {
  const lift = WITHOUT_HEAT.find(([trait]) => hasTrait(s, trait))?.[1];
  return lift ? lift(soFar, s) : byHeat(soFar, s, hangs, ways);
}
