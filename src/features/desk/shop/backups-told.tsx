import { formatDate } from '@/core/calendar/format-date';
import type { JobState } from '@/data/jobs';
import type { Backups } from '@/server/backups';
import { Feedback } from '@/shell/feedback';

interface Props {
  readonly backups: Backups;
  readonly job: JobState | null;
  readonly isDemo: boolean;
  readonly timeZone: string;
}

/** How the one that is made by itself goes, where there is something to say of it. */
function JobTold({ job, timeZone }: { job: JobState; timeZone: string }) {
  const at = formatDate(job.at.getTime(), timeZone, 'date and clock');
  const why = job.fault ? ` What it said: ${job.fault}` : '';
  if (job.state === 'underway') return <p>One is being made since {at}.</p>;
  if (job.state === 'waits') return <p>One waits to be made.</p>;
  if (job.state === 'again')
    return (
      <Feedback isAlert>
        The last one could not be made; it is tried again at {at}.{why}
      </Feedback>
    );
  if (job.state === 'given up')
    return (
      <Feedback isAlert>
        The last one was given up {at}; the next is tried within the hour.{why}
      </Feedback>
    );
  return null;
}

/** When the shop was last backed up, and a warning where that is too long ago. */
export function BackupsTold({ backups: { lastAt, kept, isOld }, job, isDemo, timeZone }: Props) {
  if (isDemo) return <p className="soft">The demo is made anew, not backed up.</p>;
  const when = lastAt === null ? null : formatDate(lastAt, timeZone, 'date and clock');
  return (
    <>
      {isOld && (
        <Feedback isAlert>
          {when === null ? 'This computer has no backup of the shop.' : `The last backup is of ${when}.`} One
          is made each night, or by day where the computer is off at night: have whoever looks after the
          computer see why not.
        </Feedback>
      )}
      {job && <JobTold job={job} timeZone={timeZone} />}
      {!isOld && (
        <p>
          Last backed up {when}, tried by bringing it back; {kept} {kept === 1 ? 'is' : 'are'} kept on this
          computer. Copy them to another disk: a computer that is gone takes its own with it.
        </p>
      )}
    </>
  );
}
