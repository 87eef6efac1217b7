import 'server-only';
import { BrokenContractError } from '@/core/errors';
import { DataError, RefusedError, type DataFault } from '@/data/errors';
import type { Outcome } from '@/shell/outcome';
import { AskedError } from './handler';
import { log } from './log';

const SAID: Partial<Record<DataFault, string>> = {
  'already-booked': 'This delivery is booked in already. Nothing was booked twice; its lots are on the dock.',
  'already-corrected': 'That was taken back already. Nothing was changed.',
  'already-done': 'That was done already. Nothing was done twice.',
  'claimed-already': 'That is claimed already: the same stems are not claimed twice. Nothing was claimed.',
  'claimed-too-many':
    'More stems would be claimed than the lot has. Nothing was changed; withdraw a claim first, or count again.',
  'settled-too-high': 'A claim is not settled for more than it asks. Nothing was changed.',
  'not-enough-stems': 'There are not that many stems. Nothing was changed.',
  'pail-not-clean':
    'That pail is not sanitised. Nothing was filled; choose one that stands upside down, or give a reason.',
  'sap-runs':
    'Its sap still runs, or that of a lot in there: they share no water. Nothing was changed; give it a pail of its own.',
  'pail-in-use': 'Somebody has just filled that pail. Nothing was changed; choose another.',
  'water-gone':
    'The water it stood in is gone by now, or something else stands in it. Nothing was changed; put that right first.',
  'stays-broken': 'Something was done with it since. Nothing was changed; take the later one back first.',
  'there-already': 'That is there already. Nothing was done twice.',
  'not-there': 'Something it names is not in this shop. Nothing was changed; look again.',
};
/** Faults that are about a value that was told: the answer names where. */
const ABOUT_A_VALUE: readonly DataFault[] = ['out-of-bounds', 'there-already', 'not-there'];
export const UNAVAILABLE = 'The shop’s memory is not answering.';

const told = (field: string | null, message: string) => (field ? { problems: [{ field, message }] } : {});

/** What a tap is answered when it was not done: why, what was kept, what to do. */
export function outcomeOf(error: unknown): Outcome {
  if (error instanceof AskedError)
    return { ok: false, why: 'asked', question: error.question, message: error.message };
  if (error instanceof RefusedError)
    return { ok: false, why: 'refused', message: error.message, ...told(error.field, error.message) };
  if (error instanceof BrokenContractError)
    return { ok: false, why: 'invalid', message: error.message, problems: error.problems };
  if (error instanceof DataError) {
    if (error.fault === 'unavailable' || error.fault === 'conflict')
      return { ok: false, why: 'unavailable', message: UNAVAILABLE, isNotDone: true };
    const said =
      SAID[error.fault] ??
      (error.fault === 'out-of-bounds' ? 'A figure is outside what can be kept. Nothing was changed.' : null);
    if (said)
      return {
        ok: false,
        why: error.fault === 'out-of-bounds' ? 'invalid' : 'refused',
        message: said,
        ...(ABOUT_A_VALUE.includes(error.fault) ? told(error.field, said) : {}),
      };
  }
  log.error({ err: error }, 'an action failed');
  return {
    ok: false,
    why: 'broken',
    message: 'Something is wrong on our side. Nothing was changed; try once more, then tell the manager.',
  };
}
