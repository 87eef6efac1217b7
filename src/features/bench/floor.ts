import type { SpeciesRegistry } from '@/core/species/registry';
import 'server-only';
import { handOut, type Handed, type OpenLot } from '@/core/bench/hand-out';
import type { BenchInput, WaitingLot, WorkStep } from '@/core/bench/types';
import type { BenchPlan } from '@/core/bench/tell';
import { SKILLS, type Skill } from '@/core/protocol/types';
import { stepOf } from '@/core/steps/steps';
import type { Foods } from '@/core/water/food';
import { cameSince, manyAtBench, maybeBenchPlan, type BenchHand } from '@/data/bench';
import type { FlawKind } from '@/core/dock/flaws';
import { manyFlawsInStock } from '@/data/claims';
import { manySkills } from '@/data/house';
import { manyPortionsInStock, type PortionRow } from '@/data/portions';
import { manyPails, type PailRow } from '@/data/pails';
import { manyRooms, type RoomRow } from '@/data/rooms';
import { manyStepsInForce, type StepRow } from '@/data/steps';
import { flawKindsIn } from '@/server/replan';
import { dayBegan } from '@/server/clock';
import { groupBy } from '@/server/group-by';
import { once, type From } from '@/server/once';
import { foodsOf } from '@/server/foods';
import { houseOf, type House } from '@/server/house';
import type { SignedIn } from '@/server/session';
import { canWait, dryHoursLeft, standsDry } from '@/server/shell-data';

/** Whoever has not touched a lot for so long has put it down. */
const PUT_DOWN_MS = 20 * 60_000;
/** A clock so short that nobody walks away from it. */
const STAYS_BY_S = 180;
const BOIL_MINUTES = 4;
const SOAKS_ON_S = 5400;

/** A pair of hands with what they were shown; the house may let anyone. */
export interface Hand extends BenchHand {
  readonly skills: readonly Skill[];
}

export interface FloorLot {
  readonly lot: PortionRow;
  readonly flaws: readonly FlawKind[];
  readonly steps: readonly StepRow[];
  readonly current: StepRow;
}

/** The bench as it stands: who is there, what is open, what runs, and the plan all tablets share. */
export interface Floor {
  readonly hands: readonly Hand[];
  readonly lots: readonly FloorLot[];
  /** All that stands in a pail's water, done or not: whoever joins it must get along with it. */
  readonly inWater: readonly Pick<FloorLot, 'lot' | 'flaws'>[];
  readonly pails: readonly PailRow[];
  readonly house: House;
  readonly foods: Foods;
  readonly species: SpeciesRegistry;
  readonly plan: BenchPlan | null;
  readonly planVersion: number;
  readonly planMadeAt: Date | null;
  readonly handed: readonly Handed[];
  readonly input: BenchInput;
}

export const isAsked = (lot: PortionRow, asked: string | null): boolean =>
  lot.id === asked || lot.lotId === asked;
const isOpen = (s: StepRow): boolean => s.status === 'waiting' || s.status === 'running';
const isDue = (s: StepRow, at: Date): boolean =>
  s.status === 'running' && s.dueAt !== null && s.dueAt.getTime() <= at.getTime();

/** Who is at the bench: those who came; where nobody has said so, whoever looks. */
async function handsAt(from: From, me: SignedIn, at: Date): Promise<Hand[]> {
  const [came, shown, house] = await Promise.all([
    once(from, manyAtBench),
    once(from, manySkills),
    once(from, houseOf),
  ]);
  const here = cameSince(came, dayBegan(at, me.shop.timeZone));
  const hands = here.length > 0 ? here : [{ personId: me.personId, name: me.name }];
  return hands.map((h) => ({
    personId: h.personId,
    name: h.name,
    skills: SKILLS.filter(
      (skill) =>
        house.whoMay[skill] === 'anyone' || shown.some((s) => s.personId === h.personId && s.skill === skill),
    ),
  }));
}

/** Whose hands a lot is in: whoever touched it last, while it is not put down and no long clock runs. */
function heldBy({ steps, current }: FloorLot, hands: readonly Hand[], at: Date): string | null {
  const touched = steps
    .filter((s) => s.handsId !== null && s.status !== 'waiting')
    .map((s) => ({ by: s.handsId, at: (s.endedAt ?? s.startedAt)?.getTime() ?? 0, kind: s.kind }))
    .sort((a, b) => b.at - a.at)[0];
  if (!touched || at.getTime() - touched.at > PUT_DOWN_MS) return null;
  if (current.status === 'running' && current.step.waitSeconds > STAYS_BY_S) return null;
  // Once it stands in its water the next action is anybody's.
  if (current.status === 'waiting' && stepOf(touched.kind).leavesHandsFree) return null;
  return hands.find((h) => h.personId === touched.by)?.name ?? null;
}

function openLot(floor: FloorLot, hands: readonly Hand[], at: Date, species: SpeciesRegistry): OpenLot {
  const { lot, current } = floor;
  return {
    lot: lot.id,
    heldBy: heldBy(floor, hands, at),
    dueSinceMs: isDue(current, at) ? at.getTime() - (current.dueAt?.getTime() ?? 0) : null,
    isWaiting: current.status === 'running',
    rank: (lot.fillId ? 1000 : standsDry(lot) ? 0 : 500) + dryHoursLeft(lot, at, species),
  };
}

const workStep = ({ step }: StepRow): WorkStep => ({
  kind: step.kind,
  params: step.params,
  title: step.title,
  waitSeconds: step.waitSeconds,
  pail: step.pail,
  who: step.who,
});

/** A lot as the planner takes it; null once nothing is to be done before it stands in its water. */
function waiting(floor: FloorLot, at: Date, species: SpeciesRegistry): WaitingLot | null {
  const { lot, flaws, steps, current } = floor;
  const left = steps.filter((s) => s.status === 'waiting');
  const runsS = current.status === 'running' ? ((current.dueAt?.getTime() ?? 0) - at.getTime()) / 1000 : 0;
  // What soaks for hours is no work of this morning: its clock is in Next.
  if (runsS > SOAKS_ON_S) return null;
  const untilWater = left.slice(0, left.findIndex((s) => s.step.pail !== null) + 1);
  if (untilWater.length === 0) return null;
  const move = steps.findLast((s) => s.kind === 'move')?.step.params;
  return {
    id: lot.id,
    species: lot.speciesKey,
    stems: lot.stemsLeft,
    unitPrice: lot.unitPrice,
    stage: lot.stage,
    droop: lot.droop,
    packing: lot.packing,
    agedDays: lot.agedDays,
    flaws,
    steps: untilWater.map(workStep),
    readyInS: Math.max(0, runsS),
    isWet: !standsDry(lot),
    bearsDryS: dryHoursLeft(lot, at, species) * 3600,
    lengthCm: lot.lengthCm,
    ...(move?.kind === 'move' ? { goesTo: move.place } : {}),
  };
}

function inputOf(
  lots: readonly FloorLot[],
  open: readonly OpenLot[],
  { hands, house, pails, plan, species }: Pick<Floor, 'hands' | 'house' | 'pails' | 'plan' | 'species'>,
  rooms: readonly RoomRow[],
  at: Date,
): BenchInput {
  const mine = lots.flatMap((floor) => waiting(floor, at, species) ?? []);
  return {
    hands: hands.map(({ name, skills }) => ({ name, skills })),
    kettle: house.has.includes('kettle') ? { boilMinutes: BOIL_MINUTES } : null,
    sinks: 1,
    // How much a room holds nobody has said: its kind alone decides.
    rooms: rooms.map(({ name, kind }) => ({ name, kind, pails: null })),
    pails: pails
      .filter((p) => p.state === 'sanitised' && p.reservedFor === null)
      .map((p) => ({ name: p.name, litres: p.sizeL, heightCm: p.heightCm, form: p.form })),
    lots: mine,
    ...(plan ? { standing: plan.order } : {}),
    inHand: open.flatMap((o) =>
      o.heldBy !== null && mine.some((l) => l.id === o.lot) ? [{ lot: o.lot, hands: o.heldBy }] : [],
    ),
    seed: 1,
    tries: 6000,
  };
}

/** What the bench reads that does not hang on who looks. */
export const FLOOR_READS = [
  houseOf,
  foodsOf,
  manyAtBench,
  manySkills,
  manyPortionsInStock,
  manyFlawsInStock,
  manyStepsInForce,
  maybeBenchPlan,
  manyPails,
  manyRooms,
];

/** Of the portions those that have a step open, with it and what came before and after. */
function lotsOnFloor(
  here: readonly PortionRow[],
  steps: readonly StepRow[],
  flawsOf: (lot: PortionRow) => FlawKind[],
): FloorLot[] {
  const byLot = groupBy(steps, (s) => s.portionId);
  return here.flatMap((lot): FloorLot[] => {
    const mine = byLot.get(lot.id) ?? [];
    const current = mine.find(isOpen);
    return current ? [{ lot, flaws: flawsOf(lot), steps: mine, current }] : [];
  });
}

/** Reads the bench, and hands out who turns to what. */
export async function readFloor(from: From, me: SignedIn, at: Date, asked: string | null): Promise<Floor> {
  const [house, there, here, rows, steps, standing, pails, rooms, foods] = await Promise.all([
    once(from, houseOf),
    handsAt(from, me, at),
    once(from, manyPortionsInStock),
    once(from, manyFlawsInStock),
    once(from, manyStepsInForce),
    once(from, maybeBenchPlan),
    once(from, manyPails),
    once(from, manyRooms),
    once(from, foodsOf),
  ]);
  // Whoever looks sees their own card first.
  const hands = [...there].sort(
    (a, b) => Number(b.personId === me.personId) - Number(a.personId === me.personId),
  );
  const flawsOf = ({ lotId }: PortionRow) => flawKindsIn(rows.filter((r) => r.lotId === lotId));
  const lots = lotsOnFloor(
    here.filter((lot) => !canWait(lot, at, me) || isAsked(lot, asked)),
    steps,
    flawsOf,
  );
  const inWater = here.filter((lot) => lot.fillId !== null).map((lot) => ({ lot, flaws: flawsOf(lot) }));
  const open = lots.map((l) => openLot(l, hands, at, me.species));
  // A plan is of its day: yesterday's is no plan of this morning's, whatever its version.
  const isOfToday = standing !== undefined && standing.madeAt >= dayBegan(at, me.shop.timeZone);
  const plan = isOfToday ? standing.plan : null;
  const mine = hands.find((h) => h.personId === me.personId) ?? hands[0];
  // A lot that is asked for by its number is asked for by the first of its portions that is open.
  const wanted = lots.find((l) => isAsked(l.lot, asked));
  // Handed out in one order on every tablet, whoever looks; shown to each with their own first.
  const handedOut = handOut(
    there.map((h) => h.name),
    open,
    plan?.assignment ?? [],
    wanted && mine ? { hands: mine.name, lot: wanted.lot.id } : null,
  );
  const place = (h: Handed): number => hands.findIndex((one) => one.name === h.hands);
  const handed = [...handedOut].sort((a, b) => place(a) - place(b));
  const floor = {
    hands,
    lots,
    inWater,
    pails,
    house,
    foods,
    species: me.species,
    plan,
    planVersion: standing?.version ?? 0,
    planMadeAt: isOfToday ? standing.madeAt : null,
  };
  return { ...floor, handed, input: inputOf(lots, open, floor, rooms, at) };
}
