import 'server-only';
import { availableParallelism } from 'node:os';
import path from 'node:path';
import { Piscina } from 'piscina';
import { BrokenContractError } from '@/core/errors';
import { DataError } from '@/data/errors';
import type { JobInput, JobName, JobResult, ListJobName } from './jobs';
import type { Answer } from './jobs.worker';

/** Documents take seconds where a forecast takes a tenth of one: neither waits behind the other. */
type Lane = 'forecasts' | 'documents';
const LANE: Readonly<Record<JobName, Lane>> = {
  'first-guesses': 'forecasts',
  'lots-now': 'forecasts',
  'water-worth': 'forecasts',
  arrangement: 'forecasts',
  habits: 'forecasts',
  journeys: 'documents',
  'claim-sheet': 'documents',
  'proof-sheet': 'documents',
  'care-card': 'documents',
};
/** More than so many waiting is more than is answered in time: whoever comes then is told to come again. */
const MOST_WAITING: Readonly<Record<Lane, number>> = { forecasts: 60, documents: 12 };
const IDLE_MS = 120_000;

// One pool a process, also when a module is loaded twice by two bundles of the same server.
const holder = globalThis as typeof globalThis & { hushPailLanes?: Partial<Record<Lane, Piscina>> };

function laneOf(name: JobName): Piscina {
  const lanes = (holder.hushPailLanes ??= {});
  const lane = LANE[name];
  return (lanes[lane] ??= new Piscina({
    filename: path.join(process.cwd(), 'src', 'server', 'pool', 'worker.mjs'),
    minThreads: lane === 'forecasts' ? 1 : 0,
    maxThreads: lane === 'forecasts' ? Math.max(1, Math.min(4, availableParallelism() - 1)) : 1,
    maxQueue: MOST_WAITING[lane],
    idleTimeout: IDLE_MS,
  }));
}

const isFull = (error: unknown): boolean =>
  error instanceof Error && /task queue is at limit/i.test(error.message);

/**
 * Has a worker thread do a job; the event loop answers others meanwhile. Never inside a transaction.
 * @throws BrokenContractError as the job would, DataError 'unavailable' where too many wait already or it was given up
 */
export async function inWorker<N extends JobName>(
  name: N,
  input: JobInput<N>,
  signal?: AbortSignal,
): Promise<JobResult<N>> {
  let answer: Answer;
  try {
    answer = (await laneOf(name).run({ name, input }, signal ? { signal } : {})) as Answer;
  } catch (error) {
    // Too many wait, or nobody waits for this any more: nothing came of it either way.
    throw isFull(error) || signal?.aborted ? new DataError('unavailable', error) : error;
  }
  if ('problems' in answer) throw new BrokenContractError(answer.problems);
  return answer.value as JobResult<N>;
}

/** So many of a long list are one job: others' jobs come between. */
const INPUTS_A_JOB = 40;

/** The same for each of a list, in its order. */
export async function inWorkers<N extends ListJobName>(
  name: N,
  inputs: readonly JobInput<N>[number][],
  signal?: AbortSignal,
): Promise<JobResult<N>[number][]> {
  const jobs = Array.from({ length: Math.ceil(inputs.length / INPUTS_A_JOB) }, (_, job) => {
    const mine = inputs.slice(job * INPUTS_A_JOB, (job + 1) * INPUTS_A_JOB);
    return inWorker(name, mine as unknown as JobInput<N>, signal);
  });
  return (await Promise.all(jobs)).flat();
}

/** Ends the worker threads; the next job begins new ones. */
export async function closePool(): Promise<void> {
  const lanes = Object.values(holder.hushPailLanes ?? {});
  holder.hushPailLanes = {};
  await Promise.all(lanes.map((lane) => lane.destroy()));
}
