import { SHIPPED_SPECIES, type SpeciesRegistry } from '../species/registry';
import { boundByOrder, boundStemDays } from './bound';
import { improvedOrders } from './improve';
import { jobOf } from './jobs';
import { intoPails, type Packing, type SolveMixed } from './pails';
import { boundByPails, lossWithoutPail, withValue } from './worth';
import { costOf, inTurn, isBetter, scheduleOf, type Means } from './schedule';
import { repaired, settled, type Found } from './settle';
import { intoRooms } from './rooms';
import { lotsOf, minutes, moneyOf, rounded, workOf, type BenchPlan } from './tell';
import type { BenchInput, Job } from './types';

function meansOf(input: BenchInput, hands: number): Means {
  const begun = (input.inHand ?? []).flatMap(({ lot, hands: name }) => {
    const job = input.lots.findIndex((l) => l.id === lot);
    const hand = input.hands.findIndex((h) => h.name === name);
    return job >= 0 && hand >= 0 && hand < hands ? [{ job, hand }] : [];
  });
  return {
    hands: input.hands.slice(0, hands),
    kettleReadyS: (input.kettle?.boilMinutes ?? 0) * 60,
    begun,
    ...(input.sinks === undefined ? {} : { sinks: input.sinks }),
  };
}

/** The order that stands, in jobs; null where none is told. */
function standingOf(input: BenchInput, jobs: readonly Job[]): number[] | null {
  if (!input.standing) return null;
  const at = new Map(jobs.map((job, i) => [job.lot.id, i]));
  return repaired(
    input.standing.flatMap((id) => at.get(id) ?? []),
    jobs,
  );
}

/**
 * The best that is found for that many hands, better ones told on the way; never worse than with one
 * pair fewer, whose plan is one of its own.
 */
export function* bestOrders(
  input: BenchInput,
  jobs: readonly Job[],
  hands = input.hands.length,
): Generator<Found, Found, void> {
  const standing = standingOf(input, jobs);
  const means = meansOf(input, hands);
  let best = yield* improvedOrders(jobs, means, input.seed, input.tries, standing ? [standing] : []);
  // Work in the hands of the last pair cannot be planned without them.
  if (hands > 1 && meansOf(input, hands - 1).begun?.length === means.begun?.length) {
    const search = bestOrders(input, jobs, hands - 1);
    let step = search.next();
    while (!step.done) step = search.next();
    if (isBetter(step.value.schedule, best.schedule)) {
      const again = { order: step.value.order, schedule: scheduleOf(step.value.order, jobs, means) };
      best = isBetter(again.schedule, step.value.schedule) ? again : step.value;
      yield best;
    }
  }
  if (!standing) return best;
  return settled({ order: standing, schedule: scheduleOf(standing, jobs, means) }, best, jobs, means);
}

type BoundOf = (jobs: readonly Job[], hands: number, boilS: number) => number;

/** What no plan undercuts: stem-days, each stem alike, and by what it is worth. */
function boundsOf(jobs: readonly Job[], input: BenchInput, of: BoundOf): BenchPlan['bound'] {
  const [hands, boilS] = [input.hands.length, (input.kettle?.boilMinutes ?? 0) * 60];
  const cost = of(jobs, hands, boilS);
  const isAlike = jobs.every((job) => job.value === 1);
  const alike = () => jobs.map((job) => ({ ...job, value: 1 }));
  return { stemDays: rounded(isAlike ? cost : of(alike(), hands, boilS)), cost: rounded(cost) };
}

function told(
  input: BenchInput,
  jobs: readonly Job[],
  { order, schedule }: Found,
  packing: Packing,
  bound: BenchPlan['bound'],
): BenchPlan {
  const means = meansOf(input, input.hands.length);
  const asTheyCame = inTurn(
    jobs.map((_, i) => i),
    jobs,
  );
  const first = scheduleOf(asTheyCame, jobs, means);
  const best = isBetter(first, schedule) ? { order: asTheyCame, schedule: first } : { order, schedule };
  const lots = jobs.map((j) => j.lot);
  const { shares, without } = packing;
  const [money, firstMoney] = [moneyOf(best.schedule, jobs), moneyOf(first, jobs)];
  const dips = best.schedule.slots.filter((s) => jobs[s.job]?.pieces[s.piece]?.usesKettle);
  const boilS = means.kettleReadyS;
  return {
    assignment: workOf(best.schedule, jobs, means, input.now),
    lots: lotsOf(best.schedule, jobs),
    order: best.order.flatMap((job) => jobs[job]?.lot.id ?? []),
    pails: shares,
    rooms: intoRooms(lots, shares, input.rooms ?? []),
    withoutPail: without,
    objective: {
      stemDays: rounded(best.schedule.stemDays),
      cost: rounded(best.schedule.cost),
      finishMin: minutes(best.schedule.finishS),
    },
    bound,
    firstComeFirstServed: { stemDays: rounded(first.stemDays), finishMin: minutes(first.finishS) },
    saved: {
      stemDays: rounded(first.stemDays - best.schedule.stemDays),
      money: money === null || firstMoney === null ? null : Math.round(100 * (firstMoney - money)) / 100,
    },
    kettleOnMin:
      dips.length === 0 ? null : minutes(Math.max(0, Math.min(...dips.map((s) => s.startS)) - boilS)),
  };
}

/**
 * Who does what when with the lots that wait: least days of flower life lost (by the model), then
 * the earliest end; which pail each goes into; and what that saves against taking them as they came.
 * Better plans are told as they are found; the last is returned.
 */
export function* planInSteps(
  input: BenchInput,
  species: SpeciesRegistry,
  solve: SolveMixed | null = null,
): Generator<BenchPlan, BenchPlan, void> {
  const all = withValue(
    input.lots.map((lot) =>
      jobOf({ ...lot, species: species.byKey(lot.species) }, input.kettle !== null, input.seed),
    ),
  );
  const lossOf = new Map(all.map((job) => [job.lot.id, lossWithoutPail(job)]));
  const packed = (by: SolveMixed | null): Packing =>
    intoPails(
      all.map((j) => j.lot),
      input.pails,
      by,
      (id) => lossOf.get(id) ?? 0,
    );
  // Pails first: what finds none is not in water, and its work helps nothing. By first fit, since a solver
  // and the tighter bound take longer than a plan may be waited for: both come with the last one.
  const packing = packed(null);
  const jobs = boundByPails(all, packing.shares);
  const bound = boundsOf(jobs, input, boundByOrder);
  const search = bestOrders(input, jobs);
  let step = search.next();
  while (!step.done) {
    yield told(input, jobs, step.value, packing, bound);
    step = search.next();
  }
  const { order, schedule } = step.value;
  const last = solve ? packed(solve) : packing;
  const held = boundByPails(all, last.shares);
  // The work stays as it was planned; what it loses is by the pails that were found last.
  const found = { order, schedule: { ...schedule, ...costOf(schedule.wetS, held) } };
  return told(input, held, found, last, boundsOf(held, input, boundStemDays));
}

/** The plan, worked out in one go. */
export function planBench(
  input: BenchInput,
  species: SpeciesRegistry = SHIPPED_SPECIES,
  solve: SolveMixed | null = null,
): BenchPlan {
  const steps = planInSteps(input, species, solve);
  let step = steps.next();
  while (!step.done) step = steps.next();
  return step.value;
}
