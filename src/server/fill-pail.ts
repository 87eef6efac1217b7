import 'server-only';
import { low, m } from '@/core/words/message';
import { fillPail, type Filling, type PailRow } from '@/data/pails';
import { writeEntry, type Action } from '@/data/record';
import type { Trx } from '@/data/connection';
import type { SolutionKey } from '@/core/water/solutions';

/** Fills a pail and enters it, with the reason where it was not sanitised. @returns the fill's id */
export async function fillAndEnter(
  trx: Trx,
  action: Action,
  pail: PailRow,
  filling: Filling & { readonly solution: SolutionKey },
): Promise<string> {
  const fillId = await fillPail(trx, action.shopId, pail, filling, action.at);
  const { litres, solution, tempC, overrideReason } = filling;
  const told = { pail: pail.name, litres, solution: low(m(`solution.${solution}`)), tempC };
  await writeEntry(trx, action, {
    kind: 'fill',
    subjectKind: 'pail',
    subjectId: pail.id,
    says: overrideReason
      ? m('record.filled-unsanitised', { ...told, reason: overrideReason })
      : m('record.filled', told),
    detail: { fillId, litres },
  });
  return fillId;
}
