import type { Species } from '../species/species';
import { hasTrait } from '../species/traits';
import { rightSolution } from '../water/solutions';
import { DEPTH_CM } from '../species/depths';
import { m, type Message, type Words } from '../words/message';
import { DRINK_C, sapSoak, toolFor } from './ordinary';
import { rendered, type Draft } from './render';
import { added, type DraftProtocol } from './draft-protocol';
import { forEquipment } from './for-shop';
import { COOL_C, rescueDip, SLIVER_CM } from './lifting';
import type { Change, ProtocolStep } from './types';
import { soakHours } from './soak-hours';
import { DEFAULT_WAYS, type Ways } from './ways';

export const LOOK_OUTCOMES = ['upright', 'recovering', 'hanging'] as const;
/** What somebody sees who looks back at a lot that has drunk. */
export type LookOutcome = (typeof LOOK_OUTCOMES)[number];

/** What follows a look. */
export interface AfterLook {
  readonly says: Words;
  /** Steps that come next, before what was planned. */
  readonly steps: readonly ProtocolStep[];
}

const AGAIN_H = 2;
const NEXT_MORNING_H = 12;
const RESCUE_CUT_CM = 3;

const look = (change: Change, afterHours: number, round: number): Draft =>
  added(change, { kind: 'look-back', afterHours, round });

/** What is done for a stem that heat does not lift; null where heat is its way back. */
function coldRescue(s: Species): Draft[] | null {
  const isWrapped = hasTrait(s, 'lifts in cold');
  if (!isWrapped && !hasTrait(s, 'lifts by a recut')) return null;
  const hangs: Change = {
    because: 'state',
    says: m(isWrapped ? 'why.hanging-wrapped-in-deep-cold' : 'why.hanging-recut-in-cool'),
  };
  const cut = added(hangs, {
    kind: 'cut',
    cm: isWrapped ? Math.max(1, s.cutCm) : SLIVER_CM,
    tool: toolFor(s),
    where: isWrapped ? 'under water' : 'in air',
    angleDeg: isWrapped ? 45 : 0,
    split: false,
    sliver: !isWrapped,
  });
  // What bleeds is not cut again: its soak would begin anew.
  const first = s.sap === 'mucilage' ? [] : [cut];
  const wrap = isWrapped ? [added(hangs, { kind: 'condition-upright', in: 'paper', hours: AGAIN_H })] : [];
  const drink = added(hangs, {
    kind: 'drink',
    solution: rightSolution(s.foodKind),
    tempC: isWrapped ? DRINK_C.cold : Math.max(COOL_C, s.chillBelowC ?? COOL_C),
    depthCm: isWrapped ? DEPTH_CM.deep : DEPTH_CM[s.depth],
    hours: AGAIN_H,
    alone: true,
    addsAcid: false,
  });
  return [...first, ...wrap, drink, look(hangs, 0, 1)];
}

/** A hollow stem that is cut again is filled again: its water went with the cut. */
const filledAgain = (s: Species): Draft[] =>
  hasTrait(s, 'filled stem')
    ? [
        added(
          { because: 'state', says: m('why.cut-again-it-is-filled-again') },
          { kind: 'fill-stem', plug: true },
        ),
      ]
    : [];

/** The one way back for a stem that hangs: a fresh cut, heat or a plunge, its own deep pail. */
function rescue(s: Species, ways: Ways): Draft[] {
  const hangs: Change = {
    because: 'state',
    says: m('why.it-still-hangs-cut-again-hot-water'),
  };
  const dip = rescueDip(s, ways);
  const isBoiled = dip.kind === 'hot-dip' && !dip.untilCool;
  const cut = added(hangs, {
    kind: 'cut',
    cm: s.cutCm > 0 && s.cutCm < 1 ? s.cutCm : RESCUE_CUT_CM,
    tool: toolFor(s),
    where: 'under water',
    angleDeg: 45,
    split: false,
    sliver: s.cutCm > 0 && s.cutCm < 1,
  });
  const heat = hasTrait(s, 'drinks by the head')
    ? [added(hangs, { kind: 'plunge', part: 'whole heads', tempC: 15, minutes: 30 }), cut]
    : isBoiled
      ? [added(hangs, dip), cut]
      : [cut, added(hangs, dip)];
  // A cut opens the wound of what bleeds: it soaks again before it may drink with others.
  const soak =
    s.sap === 'none'
      ? []
      : [{ ...sapSoak(s, soakHours(s, ways)), changes: [hangs], because: 'state' as const }];
  const drink = added(hangs, {
    kind: 'drink',
    solution: rightSolution(s.foodKind),
    tempC: isBoiled ? DRINK_C.cold : DRINK_C.tepid,
    depthCm: DEPTH_CM.deep,
    hours: AGAIN_H,
    alone: true,
    addsAcid: false,
  });
  return [...heat, ...filledAgain(s), ...soak, drink, look(hangs, 0, 1)];
}

const bin = (says: Message, what: 'dropped necks' | 'done for'): Draft =>
  added({ because: 'state', says }, { kind: 'discard', what });

/** What is said of what hangs, and done for it. */
function rescued(s: Species, ways: Ways): readonly [says: Words, steps: Draft[]] {
  const cold = coldRescue(s);
  if (!cold) return [m('why.its-one-way-back-cut-again-heat'), rescue(s, ways)];
  const says = cold[0]?.reason ?? '';
  return [says, cold];
}

function drafts(
  outcome: LookOutcome,
  round: number,
  s: Species,
  ways: Ways,
): readonly [says: Words, steps: Draft[]] {
  if (outcome === 'upright') return [m('why.it-stands'), []];
  if (outcome === 'recovering') {
    const again: Change = { because: 'state', says: m('why.it-is-coming-up-two-hours-more') };
    return [again.says, [look(again, AGAIN_H, round)]];
  }
  if (hasTrait(s, 'neck is lost')) {
    const says = m('why.a-neck-that-has-dropped-does-not');
    return [says, [bin(says, 'dropped necks')]];
  }
  if (round === 0) return rescued(s, ways);
  if (round === 1) {
    const morning: Change = {
      because: 'state',
      says: m('why.still-down-after-two-hours-leave-it'),
    };
    return [morning.says, [look(morning, NEXT_MORNING_H, 2)]];
  }
  const says = m('why.rescued-and-still-hanging-the-next-morning');
  return [says, [bin(says, 'done for')]];
}

/**
 * What follows a look-back by what was seen: upright goes on; recovering is looked at again; hanging
 * is rescued once, looked at after two hours and the next morning, and then given up.
 * @param round looks since its rescue: 0 before it, 1 two hours after, 2 the next morning
 */
export function afterLook(outcome: LookOutcome, round: number, species: Species, ways: Ways): AfterLook {
  const [says, steps] = drafts(outcome, round, species, ways);
  const bounded: DraftProtocol = forEquipment({ steps, leftOut: [] }, ways);
  return { says, steps: bounded.steps.map((d) => rendered(d, species, DEPTH_CM.deep)) };
}

/** Another cut out of turn, and what follows: what bleeds soaks again before it may stand with others. */
export function recutSteps(
  species: Species,
  cm: number,
  ways: Pick<Ways, 'schools'> = DEFAULT_WAYS,
): readonly ProtocolStep[] {
  const again: Change = {
    because: 'state',
    says: m('why.cut-again-out-of-turn-a-fresh'),
  };
  const cut = added(again, {
    kind: 'cut',
    cm,
    tool: toolFor(species),
    where: 'in air',
    angleDeg: 45,
    split: false,
    sliver: false,
  });
  const opened: Change = {
    because: 'state',
    says: m('why.the-cut-opened-its-wound-again-it'),
  };
  const soak = {
    ...sapSoak(species, soakHours(species, ways)),
    changes: [opened],
    because: 'state' as const,
  };
  const drafts = [cut, ...filledAgain(species), ...(species.sap === 'none' ? [] : [soak])];
  return drafts.map((d) =>
    rendered({ ...d, ...(d === cut ? { title: m('step.cut-again', { cm }) } : {}) }, species, DEPTH_CM.third),
  );
}
