import 'server-only';
import { comparedWithPlain } from '@/core/protocol/compare';
import { mayShareWater } from '@/core/protocol/compose';
import { DEPTH_CM } from '@/core/protocol/figures';
import { outOfOrder } from '@/core/protocol/in-order';
import type { PailWish } from '@/core/protocol/types';
import { schoolFor } from '@/core/protocol/schools';
import { SOLUTIONS } from '@/core/water/solutions';
import { speciesByKey } from '@/core/species/species';
import { isWetPacked } from '@/core/vase-life/journey';
import { waysFor } from '@/server/house';
import type { SignedIn } from '@/server/session';
import type { Batched, BenchCard, CardHands, OtherStep, PailChoice } from './bench-card';
import type { Floor, FloorLot, Hand } from './floor';
import { waterIn } from './pour';

const HOUR_MS = 3_600_000;
/** Upside down for so long a pail has drained (estimate). */
const DRAINS_MS = 10 * 60_000;

/** Pails a step may use: those the plan gives it, then clean ones, then like water. */
function pailsFor(floor: Floor, { lot }: FloorLot, wish: PailWish | null, at: Date): PailChoice[] {
  if (!wish) return [];
  const planned = floor.plan?.pails.filter((s) => s.lot === lot.id).map((s) => s.pail) ?? [];
  const asked = lot.sapOpen ? { ...wish, alone: true } : wish;
  const choices = floor.pails.flatMap((p): PailChoice[] => {
    const water = waterIn(p, at);
    const mates = floor.lots.filter((l) => l.lot.fillId === p.fillId && l.lot.id !== lot.id);
    const isOwnKind =
      lot.sapOpen && mates.length > 0 && mates.every((l) => l.lot.speciesKey === lot.speciesKey);
    if (p.state === 'filled' && p.id !== lot.pailId && water && (isOwnKind || mayShareWater(water, asked)))
      return [{ id: p.id, name: p.name, litres: p.litres ?? 0, shares: true, isStillWet: false }];
    if (p.state !== 'sanitised') return [];
    const share = Math.min(0.6, DEPTH_CM[wish.depth] / p.heightCm);
    const isStillWet = p.sanitisedAt !== null && at.getTime() - p.sanitisedAt.getTime() < DRAINS_MS;
    return [
      { id: p.id, name: p.name, litres: Math.round(p.sizeL * share * 2) / 2, shares: false, isStillWet },
    ];
  });
  const rank = (c: PailChoice): number => (planned.includes(c.name) ? 0 : c.shares ? 2 : 1);
  return [...choices].sort((a, b) => rank(a) - rank(b));
}

/** The water a step is poured with as it is tapped; null where it needs none. */
function wishOf({ steps, current }: FloorLot): PailWish | null {
  const { params } = current.step;
  if (params.kind === 'recut')
    return params.newWater ? (steps.findLast((s) => s.kind === 'drink')?.step.pail ?? null) : null;
  return current.status === 'waiting' ? current.step.pail : null;
}

function othersOf({ lot, steps, current }: FloorLot): OtherStep[] {
  const states = steps.map((s) => ({ ...s, params: s.step.params }));
  return steps.flatMap((s, at) =>
    s.status === 'waiting' && s.id !== current.id
      ? [
          {
            id: s.id,
            title: s.step.title,
            against: outOfOrder(speciesByKey(lot.speciesKey), states, at),
            needsPail: s.step.pail !== null,
          },
        ]
      : [],
  );
}

/** Other lots whose next step is the very same, and needs no pail of its own. */
function alsoOf(floor: Floor, { lot, current }: FloorLot, next: readonly string[]): Batched[] {
  if (current.status !== 'waiting' || current.step.pail || current.step.mode === 'look') return [];
  return floor.lots
    .filter(
      (l) =>
        l.lot.id !== lot.id &&
        !floor.handed.some((h) => h.lot === l.lot.id) &&
        l.current.status === 'waiting' &&
        l.current.kind === current.kind &&
        l.current.step.title === current.step.title,
    )
    .sort((a, b) => Number(next.includes(b.lot.id)) - Number(next.includes(a.lot.id)))
    .slice(0, 2)
    .map((l) => ({
      stepId: l.current.id,
      lotNumber: l.lot.number,
      name: speciesByKey(l.lot.speciesKey).name,
      stems: l.lot.stemsLeft,
    }));
}

function handsOf(floor: Floor, hand: Hand, { current }: FloorLot): CardHands {
  const { who } = current.step;
  const isUnshown = who !== null && !hand.skills.includes(who);
  return {
    personId: hand.personId,
    name: hand.name,
    unshown: isUnshown ? who : null,
    beside: isUnshown
      ? floor.hands
          .filter((h) => h.personId !== hand.personId && h.skills.includes(who))
          .map((h) => ({ id: h.personId, name: h.name }))
      : [],
    hasKnife: hand.skills.includes('knife'),
  };
}

/** How it stands by the last look back at it; as it came where nobody has looked yet. */
function droopNow({ lot, steps }: FloorLot): BenchCard['droop'] {
  const outcome = steps.findLast((s) => s.outcome !== null)?.outcome;
  if (outcome === 'upright') return 'firm';
  return outcome === 'recovering' ? 'soft' : lot.droop;
}

const titleOf = ({ lot }: FloorLot): string => `${speciesByKey(lot.speciesKey).name}, lot ${lot.number}`;

/** The card of one pair of hands; null while nothing is left for them. */
export function cardOf(
  floor: Floor,
  hand: Hand,
  lotId: string | null,
  next: readonly string[],
  me: SignedIn,
  at: Date,
): BenchCard | null {
  const found = floor.lots.find((l) => l.lot.id === lotId);
  if (!found) return null;
  const { lot, steps, current } = found;
  const species = speciesByKey(lot.speciesKey);
  const isDry = lot.fillId === null && !isWetPacked(lot.packing);
  const compared = comparedWithPlain(
    {
      species,
      stage: lot.stage,
      droop: lot.droop,
      packing: lot.packing,
      hoursDry: isDry ? Math.max(0, (at.getTime() - lot.arrivedAt.getTime()) / HOUR_MS) : 0,
      flaws: floor.input.lots.find((l) => l.id === lot.id)?.flaws ?? [],
    },
    waysFor(floor.house, lot, at, me.shop.timeZone),
  );
  const where = steps.indexOf(current);
  return {
    hands: handsOf(floor, hand, found),
    lotId: lot.id,
    lotNumber: lot.number,
    name: species.name,
    variety: lot.variety,
    stems: lot.stemsLeft,
    habit: species.habit,
    colour: lot.colour,
    stage: lot.stage,
    droop: droopNow(found),
    pail: lot.pailName,
    purpose: lot.purpose,
    eventOn: lot.eventOn,
    isSapOpen: lot.sapOpen,
    bleeds: species.sap !== 'none',
    step: {
      id: current.id,
      kind: current.kind,
      step: current.step,
      status: current.status,
      dueAt: current.dueAt?.getTime() ?? null,
    },
    then: steps
      .slice(where + 1)
      .filter((s) => s.status === 'waiting')
      .map((s) => s.step.title),
    stepNo: where + 1,
    stepCount: steps.length,
    pails: pailsFor(floor, found, wishOf(found), at),
    others: othersOf(found),
    also: alsoOf(floor, found, next),
    differences: compared.differences,
    next: next.flatMap((id) => floor.lots.filter((l) => l.lot.id === id).map(titleOf)),
    film: schoolFor(floor.house.schools, 'film', '') as BenchCard['film'],
    isAcid: SOLUTIONS[wishOf(found)?.solution ?? 'plain'].acid > 0,
  };
}
