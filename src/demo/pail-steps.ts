import { isoDateOf } from '../core/calendar/dates';
import { USUAL_SANITISER, washDose } from '../core/sanitising/sanitiser';
import type { SolutionKey } from '../core/water/solutions';
import type { Trx } from '../data/connection';
import { changePail, emptyPail, fillPail, type Filling, type PailRow, onePailForUpdate } from '../data/pails';
import { writeEntry, type Action } from '../data/record';

export type Washed = 'scrubbed' | 'contact' | 'sanitised';

/** One step of washing a pail, as whoever did it logged it. */
export async function wash(
  trx: Trx,
  action: Action,
  pailId: string,
  to: Washed,
  until: Date | null,
): Promise<void> {
  const pail = await onePailForUpdate(trx, pailId);
  await changePail(trx, pailId, {
    state: to,
    contact_until: until,
    ...(to === 'sanitised' ? { sanitised_at: action.at } : {}),
  });
  await writeEntry(trx, action, {
    kind: 'wash',
    subjectKind: 'pail',
    subjectId: pailId,
    says: { message: 'record.wash', with: { pail: pail.name, wash: { message: `record.wash.${to}` } } },
    detail: {
      from: pail.state,
      to,
      dose: to === 'contact' ? washDose(USUAL_SANITISER, pail.sizeL, isoDateOf(action.at.getTime())) : null,
    },
  });
}

/** Tips a pail out, as whoever did it logged it. */
export async function tipOut(trx: Trx, action: Action, pail: PailRow): Promise<void> {
  await emptyPail(trx, pail, action.at);
  await writeEntry(trx, action, {
    kind: 'tip-out',
    subjectKind: 'pail',
    subjectId: pail.id,
    says: { message: 'record.tipped-out', with: { pail: pail.name } },
    detail: { fillId: pail.fillId ?? '' },
  });
}

/** Fills a sanitised pail, as whoever did it logged it; tells the water's id. */
export async function fill(
  trx: Trx,
  action: Action,
  pail: PailRow,
  filling: Omit<Filling, 'overrideReason' | 'solution'> & { readonly solution: SolutionKey },
): Promise<string> {
  const { litres, tempC, solution } = filling;
  const fillId = await fillPail(trx, action.shopId, pail, { ...filling, overrideReason: null }, action.at);
  await writeEntry(trx, action, {
    kind: 'fill',
    subjectKind: 'pail',
    subjectId: pail.id,
    says: {
      message: 'record.filled',
      with: { pail: pail.name, litres, tempC, solution: { message: `solution.${solution}`, low: true } },
    },
    detail: { fillId, litres },
  });
  return fillId;
}
