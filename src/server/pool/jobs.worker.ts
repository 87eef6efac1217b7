import { BrokenContractError } from '@/core/errors';
import { JOBS, type JobName } from './jobs';

/** What a worker answers: an error of the core's loses its kind on the way between threads, so its problems are told. */
export type Answer = { readonly value: unknown } | { readonly problems: BrokenContractError['problems'] };

/** A worker thread's door: does one job and answers it. */
export default async function work({
  name,
  input,
}: {
  readonly name: JobName;
  readonly input: never;
}): Promise<Answer> {
  try {
    return { value: await JOBS[name](input) };
  } catch (error) {
    if (error instanceof BrokenContractError) return { problems: error.problems };
    throw error;
  }
}
