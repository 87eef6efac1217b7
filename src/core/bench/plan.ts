import { speciesByKey } from '../species/species';
import { boundStemDays } from './bound';
import { improvedOrders } from './improve';
import { jobOf } from './jobs';
import { intoPails, type PailShare } from './pails';
import { inTurn, isBetter, scheduleOf, type Means } from './schedule';
import type { BenchInput, Job, Schedule } from './types';

/** One piece of work as it is told: whose, what, from when to when in minutes from now. */
export interface PlannedWork {
  readonly lot: string;
  readonly hands: string;
  readonly steps: readonly string[];
  readonly fromMin: number;
  readonly toMin: number;
  readonly kettle: boolean;
  /** Minutes it then waits by itself. */
  readonly waitMin: number;
}

export interface PlannedLot {
  readonly lot: string;
  readonly wetAtMin: number;
  /** Days a stem of it loses by then. */
  readonly daysLost: number;
}

export interface BenchPlan {
  readonly assignment: readonly PlannedWork[];
  readonly lots: readonly PlannedLot[];
  readonly pails: readonly PailShare[];
  readonly withoutPail: readonly PailShare[];
  readonly objective: { readonly stemDays: number; readonly finishMin: number };
  /** Stem-days that no plan undercuts. */
  readonly bound: { readonly stemDays: number };
  readonly firstComeFirstServed: { readonly stemDays: number; readonly finishMin: number };
  /** Against first come, first served; money is the share of its life by its price, null without prices. */
  readonly saved: { readonly stemDays: number; readonly money: number | null };
  /** Minutes from now to put the kettle on; null when nothing is dipped. */
  readonly kettleOnMin: number | null;
}

const minutes = (s: number): number => Math.round((s / 60) * 100) / 100;
const rounded = (days: number): number => Math.round(days * 1e4) / 1e4;

function meansOf(input: BenchInput, hands: number): Means {
  return {
    hands: input.hands.slice(0, hands),
    kettleReadyS: (input.kettle?.boilMinutes ?? 0) * 60,
  };
}

/** The best that was found for that many hands; never worse than with one pair fewer, whose plan is one of its own. */
export function bestSchedule(input: BenchInput, jobs: readonly Job[], hands = input.hands.length): Schedule {
  const search = improvedOrders(jobs, meansOf(input, hands), input.seed, input.tries);
  let step = search.next();
  while (!step.done) step = search.next();
  const found = step.value.schedule;
  if (hands === 1) return found;
  const fewer = bestSchedule(input, jobs, hands - 1);
  return isBetter(fewer, found) ? fewer : found;
}

/** Money by the share of its life that a stem lost. */
function moneyOf(schedule: Schedule, jobs: readonly Job[]): number | null {
  if (jobs.every((j) => j.lot.unitPrice === null)) return null;
  return jobs.reduce(
    (sum, { lot, lossDays }, i) =>
      sum +
      lot.stems *
        (lot.unitPrice ?? 0) *
        (lossDays(schedule.wetS[i] ?? 0) / speciesByKey(lot.species).lifeDays20C),
    0,
  );
}

/**
 * Who does what when with the lots that wait: least days of flower life lost (by the model), then
 * the earliest end; which pail each goes into; and what that saves against taking them as they came.
 */
export function planBench(input: BenchInput): BenchPlan {
  const jobs = input.lots.map((lot) => jobOf(lot, input.kettle !== null, input.seed));
  const means = meansOf(input, input.hands.length);
  const asTheyCame = inTurn(
    jobs.map((_, i) => i),
    jobs,
  );
  const first = scheduleOf(asTheyCame, jobs, means);
  const found = bestSchedule(input, jobs);
  const best = isBetter(first, found) ? first : found;
  const { shares, without } = intoPails(input.lots, input.pails);
  const [money, firstMoney] = [moneyOf(best, jobs), moneyOf(first, jobs)];
  const dips = best.slots.filter((s) => jobs[s.job]?.pieces[s.piece]?.usesKettle);
  const boilS = means.kettleReadyS;
  return {
    assignment: [...best.slots]
      .sort((a, b) => a.startS - b.startS || a.hand - b.hand)
      .flatMap((slot) => {
        const job = jobs[slot.job];
        const piece = job?.pieces[slot.piece];
        if (!job || !piece) return [];
        return [
          {
            lot: job.lot.id,
            hands: input.hands[slot.hand]?.name ?? '',
            steps: piece.titles,
            fromMin: minutes(slot.startS),
            toMin: minutes(slot.endS),
            kettle: piece.usesKettle,
            waitMin: minutes(piece.waitS),
          },
        ];
      }),
    lots: jobs.map((job, i) => ({
      lot: job.lot.id,
      wetAtMin: minutes(best.wetS[i] ?? 0),
      daysLost: rounded(job.lossDays(best.wetS[i] ?? 0)),
    })),
    pails: shares,
    withoutPail: without,
    objective: { stemDays: rounded(best.stemDays), finishMin: minutes(best.finishS) },
    bound: { stemDays: rounded(boundStemDays(jobs, input.hands.length, boilS)) },
    firstComeFirstServed: { stemDays: rounded(first.stemDays), finishMin: minutes(first.finishS) },
    saved: {
      stemDays: rounded(first.stemDays - best.stemDays),
      money: money === null || firstMoney === null ? null : Math.round(100 * (firstMoney - money)) / 100,
    },
    kettleOnMin:
      dips.length === 0 ? null : minutes(Math.max(0, Math.min(...dips.map((s) => s.startS)) - boilS)),
  };
}
