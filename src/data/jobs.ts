import type { Trx } from './connection';

/** How a job that is done by itself went, the last time it was asked for. */
export interface JobState {
  /** It waits for its turn, or to be tried again; is underway; was done; or was given up after its last try. */
  readonly state: 'waits' | 'again' | 'underway' | 'done' | 'given up';
  /** Since when, or until when it waits. */
  readonly at: Date;
  /** What went wrong the last time it was tried; null where nothing did. */
  readonly fault: string | null;
}

const STATES: Readonly<Record<string, JobState['state']>> = {
  created: 'waits',
  retry: 'again',
  active: 'underway',
  completed: 'done',
  cancelled: 'given up',
  failed: 'given up',
};

/** Whether this computer keeps a queue that the desk may read: not while it is tried or worked on. */
async function hasQueue(trx: Trx): Promise<boolean> {
  const { rows } = await trx.raw<{ rows: { may: boolean }[] }>(
    `select coalesce((select has_schema_privilege(oid, 'usage') from pg_namespace where nspname = 'jobs'), false) as may`,
  );
  return rows[0]?.may === true;
}

/** How the newest backup by itself stands; null where none was asked for, or nothing is done by itself here. */
export async function lastBackupJob(trx: Trx): Promise<JobState | null> {
  if (!(await hasQueue(trx))) return null;
  const { rows } = await trx.raw<{ rows: { state: string; at: Date; fault: string | null }[] }>(
    `select state::text, coalesce(completed_on, case when state = 'active' then started_on else start_after end) as at,
        output ->> 'message' as fault
      from jobs.job where name = 'back-up' order by created_on desc limit 1`,
  );
  const [job] = rows;
  return job ? { state: STATES[job.state] ?? 'waits', at: job.at, fault: job.fault } : null;
}
