import type { Droop } from '../vase-life/types';
import type { LookOutcome } from './aftercare';

const STANDS: Readonly<Record<LookOutcome, Droop>> = {
  upright: 'firm',
  recovering: 'soft',
  hanging: 'hanging',
};

/** From upright to hanging. */
const FROM_FIRM: readonly Droop[] = ['firm', 'soft', 'hanging'];

/** The worst of several that stand apart: as a lot is said to stand that is in several waters. */
export const worstOf = (each: readonly Droop[]): Droop =>
  FROM_FIRM.findLast((d) => each.includes(d)) ?? 'firm';

/** What was seen of stems: at the dock, and by the last look back at the bench. */
export interface SeenSoFar {
  /** As they came, or as somebody saw them at the dock since. */
  readonly droop: Droop;
  readonly lookedAt: Date | null;
  /** The last look back; nulls where nobody looked back yet. */
  readonly outcome: LookOutcome | null;
  readonly outcomeAt: Date | null;
}

/**
 * How stems stand now, for every place that draws or says it or has to keep what hangs apart: by whichever
 * look came last. A forecast starts from how they came all the same, for standing up again undoes no harm.
 */
export function standsNow({ droop, lookedAt, outcome, outcomeAt }: SeenSoFar): Droop {
  const isSeenSince = outcomeAt !== null && (lookedAt === null || outcomeAt >= lookedAt);
  return outcome !== null && isSeenSince ? STANDS[outcome] : droop;
}
