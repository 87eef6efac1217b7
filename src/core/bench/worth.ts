import type { Job, PailShare } from './types';

const HOUR_S = 3600;
/** What finds no pail this morning stands dry until somebody has washed more: at the earliest by evening. */
const WITHOUT_PAIL_S = 12 * HOUR_S;

/** What a stem is worth against the middling one of the morning: by its price, where lots bear one. */
export function withValue(jobs: readonly Job[]): Job[] {
  const prices = jobs.flatMap((j) =>
    j.lot.unitPrice !== null && j.lot.unitPrice > 0 ? [j.lot.unitPrice] : [],
  );
  prices.sort((a, b) => a - b);
  const middling = prices[Math.floor(prices.length / 2)];
  if (middling === undefined) return [...jobs];
  return jobs.map((job) => ({ ...job, value: (job.lot.unitPrice ?? middling) / middling }));
}

/** What a stem of a lot loses for want of a pail, in days by its worth. */
export const lossWithoutPail = (job: Job): number => job.value * job.lossDays(WITHOUT_PAIL_S);

/** The jobs as the pails let them be: a stem without one is not in water, however soon it was worked on. */
export function boundByPails(jobs: readonly Job[], shares: readonly PailShare[]): Job[] {
  return jobs.map((job) => {
    const inPails = shares.filter((s) => s.lot === job.lot.id).reduce((n, s) => n + s.stems, 0);
    const share = job.isWet ? 1 : Math.min(1, inPails / job.lot.stems);
    if (share === 1) return job;
    const dry = job.lossDays(WITHOUT_PAIL_S);
    return {
      ...job,
      pailShare: share,
      lossDays: (dryS) => share * job.lossDays(dryS) + (1 - share) * Math.max(dry, job.lossDays(dryS)),
    };
  });
}
