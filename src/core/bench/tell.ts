import type { Words } from '../words/message';
import type { Means } from './schedule';
import type { LotRoom } from './rooms';
import type { Job, PailShare, Piece, Schedule, Slot } from './types';

/** One piece of work as it is told: whose, what, from when to when in minutes from now. */
export interface PlannedWork {
  readonly lot: string;
  readonly hands: string;
  readonly steps: readonly Words[];
  readonly fromMin: number;
  readonly toMin: number;
  readonly kettle: boolean;
  /** Minutes it then waits by itself. */
  readonly waitMin: number;
  /** Minutes it may start later without anything else starting later. */
  readonly slackMin: number;
  /** ISO times, where the plan was told what time it is. */
  readonly from?: string;
  readonly to?: string;
}

export interface PlannedLot {
  readonly lot: string;
  /** Null where none of it finds a pail: it is not in water. */
  readonly wetAtMin: number | null;
  /** Days a stem of it loses by then. */
  readonly daysLost: number;
  /** Minutes it comes to water later than it bears dry, counted from now; 0 when in time. */
  readonly lateMin: number;
}

export interface BenchPlan {
  readonly assignment: readonly PlannedWork[];
  readonly lots: readonly PlannedLot[];
  /** The order of work, a lot once for each of its pieces: what is handed back as `standing`. */
  readonly order: readonly string[];
  readonly pails: readonly PailShare[];
  readonly withoutPail: readonly PailShare[];
  /** Where each lot goes after its drink; null where there is no space left for it. */
  readonly rooms: readonly LotRoom[];
  /** Stem-days lost; the same by what each stem is worth against the middling one, which the plan makes least. */
  readonly objective: { readonly stemDays: number; readonly cost: number; readonly finishMin: number };
  /** Stem-days, and their worth, that no plan undercuts. */
  readonly bound: { readonly stemDays: number; readonly cost: number };
  readonly firstComeFirstServed: { readonly stemDays: number; readonly finishMin: number };
  /** Against first come, first served; money is the share of its life by its price, null without prices. */
  readonly saved: { readonly stemDays: number; readonly money: number | null };
  /** Minutes from now to put the kettle on; null when nothing is dipped. */
  readonly kettleOnMin: number | null;
}

export const minutes = (s: number): number => Math.round((s / 60) * 100) / 100;
export const rounded = (days: number): number => Math.round(days * 1e4) / 1e4;

/** Whether two pieces want the kettle, or a sink, of which there may be but one. */
const isAtOneThing = (a: Piece | undefined, b: Piece | undefined): boolean =>
  (a?.usesKettle === true && b?.usesKettle === true) || (a?.usesSink === true && b?.usesSink === true);

/** Seconds a slot may slip before the next piece of its hand, its lot or the kettle, or the end, does. */
function slackS(slot: Slot, { slots, finishS }: Schedule, jobs: readonly Job[]): number {
  const pieceOf = (of: Slot): Piece | undefined => jobs[of.job]?.pieces[of.piece];
  const work = pieceOf(slot);
  const waitS = work?.waitS ?? 0;
  const later = slots.filter((other) => other !== slot && other.startS >= slot.startS);
  const bounds = later.flatMap((other) => [
    ...(other.job === slot.job && other.piece > slot.piece ? [other.startS - waitS] : []),
    ...(other.startS >= slot.endS && (other.hand === slot.hand || isAtOneThing(work, pieceOf(other)))
      ? [other.startS]
      : []),
  ]);
  return Math.max(0, Math.min(finishS - waitS, ...bounds) - slot.endS);
}

/** The schedule's pieces of work, soonest first. */
export function workOf(
  schedule: Schedule,
  jobs: readonly Job[],
  { hands }: Means,
  now?: string,
): PlannedWork[] {
  const clock = (s: number): string => new Date(Date.parse(now ?? '') + s * 1000).toISOString();
  return [...schedule.slots]
    .sort((a, b) => a.startS - b.startS || a.hand - b.hand)
    .flatMap((slot) => {
      const job = jobs[slot.job];
      const piece = job?.pieces[slot.piece];
      if (!job || !piece) return [];
      return [
        {
          lot: job.lot.id,
          hands: hands[slot.hand]?.name ?? '',
          steps: piece.titles,
          fromMin: minutes(slot.startS),
          toMin: minutes(slot.endS),
          kettle: piece.usesKettle,
          waitMin: minutes(piece.waitS),
          slackMin: minutes(slackS(slot, schedule, jobs)),
          ...(now === undefined ? {} : { from: clock(slot.startS), to: clock(slot.endS) }),
        },
      ];
    });
}

/** When each lot stands in water, and what that costs it. */
export function lotsOf({ wetS }: Schedule, jobs: readonly Job[]): PlannedLot[] {
  return jobs.map((job, i) => {
    const at = wetS[i] ?? 0;
    const bearsS = job.isWet ? Infinity : (job.lot.bearsDryS ?? job.lot.species.dryHours * 3600);
    return {
      lot: job.lot.id,
      wetAtMin: job.pailShare === 0 ? null : minutes(at),
      daysLost: rounded(job.lossDays(at)),
      lateMin: minutes(Math.max(0, at - bearsS)),
    };
  });
}

/** Money by the share of its life that a stem loses; null where no lot bears a price. */
export function moneyOf(schedule: Schedule, jobs: readonly Job[]): number | null {
  if (jobs.every((j) => j.lot.unitPrice === null)) return null;
  return jobs.reduce(
    (sum, { lot, lossDays }, i) =>
      sum + lot.stems * (lot.unitPrice ?? 0) * (lossDays(schedule.wetS[i] ?? 0) / lot.species.lifeDays20C),
    0,
  );
}
