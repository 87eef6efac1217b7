import { formatDate } from '@/core/calendar/format-date';
import type { Backups } from '@/server/backups';
import { Feedback } from '@/shell/feedback';

interface Props {
  readonly backups: Backups;
  readonly isDemo: boolean;
  readonly timeZone: string;
}

/** When the shop was last backed up, and a warning where that is too long ago. */
export function BackupsTold({ backups: { lastAt, kept, isOld }, isDemo, timeZone }: Props) {
  if (isDemo) return <p className="soft">The demo is made anew, not backed up.</p>;
  const when = lastAt === null ? null : formatDate(lastAt, timeZone, 'date and clock');
  return (
    <>
      {isOld && (
        <Feedback isAlert>
          {when === null ? 'This computer has no backup of the shop.' : `The last backup is of ${when}.`} One
          is made each day while the shop is open: have whoever looks after the computer see why not.
        </Feedback>
      )}
      {!isOld && (
        <p>
          Last backed up {when}, tried by bringing it back; {kept} {kept === 1 ? 'is' : 'are'} kept on this
          computer. Copy them to another disk: a computer that is gone takes its own with it.
        </p>
      )}
    </>
  );
}
