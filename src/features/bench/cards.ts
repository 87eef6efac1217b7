import { standsMm } from '@/core/bench/pail-fit';
import 'server-only';
import { HOUR_MS } from '@/core/calendar/spans';
import { comparedWithOrdinary } from '@/core/protocol/compare';
import { outOfOrder } from '@/core/protocol/in-order';
import type { PailWish, ProtocolStep } from '@/core/protocol/types';
import { schoolFor } from '@/core/protocol/schools';
import { standsNow } from '@/core/protocol/stands-now';
import { SOLUTIONS } from '@/core/water/solutions';
import { MORE_CAUTION } from '@/core/steps/cautions';
import { stepOf } from '@/core/steps/steps';
import type { LanguageTag } from '@/core/words/catalogues';
import { m, type Words } from '@/core/words/message';
import { say, spoken } from '@/core/words/say';
import { speciesName } from '@/core/words/species-name';
import { whyNotInto } from '@/core/water/sharing';
import { depthIn, depthOf, litresFor } from '@/core/water/pail-shape';
import { dealInto, roomLeft } from '@/core/bench/pail-room';
import { lotLabel, type PortionRow } from '@/data/portions';
import { waysFor } from '@/server/house';
import type { SignedIn } from '@/server/session';
import type {
  Batched,
  BenchCard,
  BenchCardDraft,
  CardHands,
  OtherStep,
  PailChoice,
  PailShareView,
} from './bench-card';
import type { Floor, FloorLot, Hand } from './floor';
import { sharerOf, waterIn } from './water-in';

/** Upside down for so long a pail has drained (estimate). */
const DRAINS_MS = 10 * 60_000;

/** Pails a step may use: those the plan gives it, then clean ones, then like water. */
function pailsFor(floor: Floor, { lot, flaws }: FloorLot, wish: PailWish | null, at: Date): PailChoice[] {
  if (!wish) return [];
  const planned = floor.plan?.pails.filter((s) => s.lot === lot.id).map((s) => s.pail) ?? [];
  const asked = lot.sapOpen ? { ...wish, alone: true } : wish;
  const stemMm = standsMm(floor.species.byKey(lot.speciesKey));
  const choices = floor.pails.flatMap((p): PailChoice[] => {
    const water = waterIn(p, at);
    const mates = floor.inWater.filter(
      (l) => l.lot.fillId !== null && l.lot.fillId === p.fillId && l.lot.id !== lot.id,
    );
    const standing = mates.map((m) => ({
      stems: m.lot.stemsLeft,
      stemMm: standsMm(floor.species.byKey(m.lot.speciesKey)),
    }));
    const shape = { litres: p.sizeL, heightCm: p.heightCm, form: p.form };
    const holds = roomLeft(p.sizeL, standing, stemMm);
    if (p.state === 'filled' && p.id !== lot.pailId && water) {
      const sharers = mates.map((m) => sharerOf(m.lot, m.flaws, water.alone, floor.species));
      if (whyNotInto(sharerOf(lot, flaws, asked.alone, floor.species), asked, water, sharers)) return [];
      const litres = p.litres ?? 0;
      return [
        {
          id: p.id,
          name: p.name,
          shape,
          litres,
          depthCm: depthOf(shape, litres),
          holds,
          shares: true,
          isStillWet: false,
        },
      ];
    }
    if (p.state !== 'sanitised') return [];
    const isStillWet = p.sanitisedAt !== null && at.getTime() - p.sanitisedAt.getTime() < DRAINS_MS;
    return [
      {
        id: p.id,
        name: p.name,
        shape,
        litres: litresFor(shape, wish.depth),
        depthCm: depthIn(shape, wish.depth),
        holds,
        shares: false,
        isStillWet,
      },
    ];
  });
  const kept = new Set(floor.pails.flatMap((p) => (p.reservedFor === null ? [] : [p.id])));
  // What is kept for a van comes last: it is poured into when nothing else is left.
  const rank = (c: PailChoice): number =>
    kept.has(c.id) ? 3 : planned.includes(c.name) ? 0 : c.shares ? 2 : 1;
  return [...choices].sort((a, b) => rank(a) - rank(b));
}

/** Pails dealt to what no single one holds: as the plan has them, else the next clean ones. */
function dealtTo(floor: Floor, { lot }: FloorLot, pails: readonly PailChoice[]): PailShareView[] {
  const stemMm = standsMm(floor.species.byKey(lot.speciesKey));
  const clean = pails.filter((p) => !p.shares);
  const taken = new Set(floor.plan?.pails.filter((s) => s.lot !== lot.id).map((s) => s.pail) ?? []);
  // What the plan gives to others comes last: it is theirs while others are left.
  const inOrder = [...clean.filter((p) => !taken.has(p.name)), ...clean.filter((p) => taken.has(p.name))];
  if ((inOrder[0]?.holds ?? 0) >= lot.stemsLeft) return [];
  const dealt = dealInto(
    lot.stemsLeft,
    stemMm,
    inOrder.map((p) => ({ id: p.id, litres: p.shape.litres })),
  );
  if (dealt.length < 2) return [];
  return dealt.flatMap(({ id, stems }) => {
    const pail = clean.find((p) => p.id === id);
    return pail ? [{ id, name: pail.name, stems, litres: pail.litres }] : [];
  });
}

/** The water a step is poured with as it is tapped; null where it needs none. */
function wishOf({ steps, current }: FloorLot): PailWish | null {
  const { params } = current.step;
  if (params.kind === 'recut')
    return params.newWater ? (steps.findLast((s) => s.kind === 'drink')?.step.pail ?? null) : null;
  return current.status === 'waiting' ? current.step.pail : null;
}

function othersOf(floor: Floor, { lot, steps, current }: FloorLot): OtherStep[] {
  const states = steps.map((s) => ({ ...s, params: s.step.params }));
  return steps.flatMap((s, at) =>
    s.status === 'waiting' && s.id !== current.id
      ? [
          {
            id: s.id,
            title: s.step.title,
            against: outOfOrder(floor.species.byKey(lot.speciesKey), states, at),
            needsPail: s.step.pail !== null,
          },
        ]
      : [],
  );
}

/** Other lots whose next step is the very same, and needs no pail of its own. */
function alsoOf(
  floor: Floor,
  { lot, current }: FloorLot,
  next: readonly string[],
  language: LanguageTag,
): Batched[] {
  if (current.status !== 'waiting' || current.step.pail || current.step.mode === 'look') return [];
  return floor.lots
    .filter(
      (l) =>
        l.lot.id !== lot.id &&
        !floor.handed.some((h) => h.lot === l.lot.id) &&
        l.current.status === 'waiting' &&
        l.current.kind === current.kind &&
        JSON.stringify(l.current.step.title) === JSON.stringify(current.step.title),
    )
    .sort((a, b) => Number(next.includes(b.lot.id)) - Number(next.includes(a.lot.id)))
    .slice(0, 2)
    .map((l) => ({
      stepId: l.current.id,
      lotLabel: lotLabel(l.lot),
      name: speciesName(floor.species.byKey(l.lot.speciesKey), language),
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

const titleOf = (floor: Floor, { lot }: FloorLot, language: LanguageTag): string =>
  say(
    m('bench.of-lot', {
      name: speciesName(floor.species.byKey(lot.speciesKey), language),
      lot: lotLabel(lot),
    }),
    language,
  );

/** What stands behind a step's caution, by what can hurt. */
function moreCautionOf({ kind, who, caution }: ProtocolStep): Words | null {
  if (!caution) return null;
  if (who === 'hot water') return MORE_CAUTION.heat;
  const { moreCaution } = stepOf(kind);
  return moreCaution && MORE_CAUTION[moreCaution];
}

/** What this lot gets otherwise than a sound one of its kind. */
const differencesOf = (
  floor: Floor,
  lot: PortionRow,
  me: SignedIn,
  at: Date,
): BenchCardDraft['differences'] =>
  comparedWithOrdinary(
    {
      species: floor.species.byKey(lot.speciesKey),
      stage: lot.stage,
      droop: lot.droop,
      packing: lot.packing,
      hoursDry: lot.isWet ? 0 : Math.max(0, (at.getTime() - lot.arrivedAt.getTime()) / HOUR_MS),
      flaws: floor.input.lots.find((l) => l.id === lot.id)?.flaws ?? [],
    },
    waysFor(floor.house, lot, at, me.shop.timeZone),
  ).differences;

/** What is poured for its step: the solution, what the shop feeds with where it is food, whether it is acid. */
function pouredBy(floor: Floor, found: FloorLot): Pick<BenchCardDraft, 'solution' | 'foods' | 'isAcid'> {
  const solution = wishOf(found)?.solution ?? 'plain';
  const { isFood, acid } = SOLUTIONS[solution];
  return { solution, foods: isFood ? floor.foods : {}, isAcid: acid > 0 };
}

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
  const species = floor.species.byKey(lot.speciesKey);
  const where = steps.indexOf(current);
  const pails = pailsFor(floor, found, wishOf(found), at);
  const card: BenchCardDraft = {
    hands: handsOf(floor, hand, found),
    portionId: lot.id,
    lotId: lot.lotId,
    lotLabel: lotLabel(lot),
    name: speciesName(species, me.language),
    variety: lot.variety,
    stems: lot.stemsLeft,
    habit: species.habit,
    colour: lot.colour,
    stage: lot.stage,
    droop: standsNow(lot),
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
    moreCaution: moreCautionOf(current.step),
    stepNo: where + 1,
    stepCount: steps.length,
    pails,
    dealt: dealtTo(floor, found, pails),
    others: othersOf(floor, found),
    also: alsoOf(floor, found, next, me.language),
    differences: differencesOf(floor, lot, me, at),
    next: next.flatMap((id) =>
      floor.lots.filter((l) => l.lot.id === id).map((l) => titleOf(floor, l, me.language)),
    ),
    film: schoolFor(floor.house.schools, 'film', '') as BenchCardDraft['film'],
    ...pouredBy(floor, found),
  };
  return spoken(card, me.language);
}
