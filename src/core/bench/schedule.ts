import type { Hands, Job, Piece, Schedule, Slot } from './types';

/** What there is to work with, in the planner's numbers. */
export interface Means {
  readonly hands: readonly Hands[];
  /** Seconds until the kettle boils, put on first. */
  readonly kettleReadyS: number;
  /** Sinks there are; not told, nobody waits for one. */
  readonly sinks?: number;
  /** Whose next piece is in whose hands at this moment: done first, and by them. */
  readonly begun?: readonly { readonly job: number; readonly hand: number }[];
}

/** The hand that can begin soonest; of those that can, the one that has been free for the shortest. */
function handFor(freeS: readonly number[], may: readonly boolean[], readyS: number): number {
  let best = -1;
  for (let h = 0; h < freeS.length; h++) {
    if (!may[h]) continue;
    const [free, bestFree] = [freeS[h] ?? 0, freeS[best] ?? Infinity];
    const [start, bestStart] = [Math.max(free, readyS), Math.max(bestFree, readyS)];
    if (best < 0 || start < bestStart || (start === bestStart && free > bestFree)) best = h;
  }
  return best;
}

/** Who may do a piece: whoever has its skill; where nobody has, anybody may, and is told to ask. */
export function whoMay(hands: readonly Hands[], skill: string | null): boolean[] {
  const may = hands.map((h) => skill === null || h.skills.includes(skill));
  return may.some(Boolean) ? may : hands.map(() => true);
}

const readyAtS = (jobs: readonly Job[]): number[] => jobs.map((job) => job.readyInS ?? 0);

/** Nobody stands and waits for the kettle with a lot in hand: it takes its turn. */
const waitsItsTurn = (holder: number, work: Piece, kettleFreeS: number): boolean =>
  holder >= 0 && work.usesKettle && kettleFreeS > 0;

/** The sink that is free first; -1 where a piece needs none, or nobody waits for one. */
const sinkFor = (work: Piece, sinkFreeS: readonly number[]): number =>
  work.usesSink && sinkFreeS.length > 0 ? sinkFreeS.indexOf(Math.min(...sinkFreeS)) : -1;

/** When each first stands in water: while it soaks, or once its work is done. */
function firstWet(slots: readonly Slot[], jobs: readonly Job[], doneS: readonly number[]): number[] {
  const wetS = [...doneS];
  for (const { job, piece, endS } of slots) if (jobs[job]?.pieces[piece]?.wets) wetS[job] = endS;
  return wetS;
}

/**
 * The schedule that an order of work gives: each next piece of each named job as soon as its lot,
 * a pair of hands that may, and the kettle are free. `order` names every job once for each piece.
 */
export function scheduleOf(order: readonly number[], jobs: readonly Job[], means: Means): Schedule {
  const freeS = means.hands.map(() => 0);
  let kettleFreeS = means.kettleReadyS;
  const sinkFreeS = new Array<number>(means.sinks ?? 0).fill(0);
  const nextPiece = jobs.map(() => 0);
  const readyS = readyAtS(jobs);
  const slots: Slot[] = [];
  const turns = [...(means.begun ?? []), ...order.map((job) => ({ job, hand: -1 }))];
  for (const { job, hand: holder } of turns) {
    const piece = nextPiece[job] as number;
    const work = jobs[job]?.pieces[piece];
    if (!work || waitsItsTurn(holder, work, kettleFreeS)) continue;
    const sink = sinkFor(work, sinkFreeS);
    const toolsS = Math.max(work.usesKettle ? kettleFreeS : 0, sinkFreeS[sink] ?? 0);
    const earliest = Math.max(readyS[job] as number, toolsS);
    const hand = holder >= 0 ? holder : handFor(freeS, whoMay(means.hands, work.skill), earliest);
    const startS = Math.max(freeS[hand] as number, earliest);
    const endS = startS + work.handsS;
    freeS[hand] = endS;
    if (work.usesKettle) kettleFreeS = endS;
    if (sink >= 0) sinkFreeS[sink] = endS;
    nextPiece[job] = piece + 1;
    readyS[job] = endS + work.waitS;
    slots.push({ job, piece, hand, startS, endS });
  }
  const wetS = firstWet(slots, jobs, readyS);
  return { slots, wetS, ...costOf(wetS, jobs), finishS: Math.max(0, ...readyS) };
}

/** Stem-days lost when the jobs come to water at those seconds, and what they are worth. */
export function costOf(wetS: readonly number[], jobs: readonly Job[]): { stemDays: number; cost: number } {
  let [stemDays, cost] = [0, 0];
  jobs.forEach((job, i) => {
    const days = job.lot.stems * job.lossDays(wetS[i] ?? 0);
    stemDays += days;
    cost += days * job.value;
  });
  return { stemDays, cost };
}

/** Less lost first, by what it is worth; then an earlier end. */
export function isBetter(a: Schedule, b: Schedule): boolean {
  const less = b.cost - a.cost;
  return less > 1e-9 || (less > -1e-9 && a.finishS < b.finishS - 1e-9);
}

/** A job's work until its stems first drink: the wait in which they do is no longer theirs dry. */
export function untilWet(pieces: readonly Piece[]): readonly Piece[] {
  const at = pieces.findIndex((piece) => piece.wets);
  return at < 0 ? pieces : [...pieces.slice(0, at), { ...(pieces[at] as Piece), waitS: 0 }];
}

/** Every job once for each of its pieces, in the order the jobs are given. */
export function inTurn(jobs: readonly number[], all: readonly Job[]): number[] {
  return jobs.flatMap((j) => (all[j]?.pieces ?? []).map(() => j));
}
