import { Alert } from '@mantine/core';
import css from './shell.module.css';

/** A clock that was set back is said, with what becomes of what is done meanwhile. */
export function ClockBehind({ minutes }: { minutes: number }) {
  return (
    <Alert className={`screen-only ${css.kept}`} role="status">
      The shop’s clock was set back by {minutes} min: what is done is entered at the last entry’s time until
      it has caught up. Set the computer’s clock right.
    </Alert>
  );
}
