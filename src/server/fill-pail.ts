import 'server-only';
import { hasStoodTooLong } from '@/core/hygiene/ready';
import { houseOf } from './house';
import { low, m } from '@/core/words/message';
import { RefusedError } from '@/data/errors';
import { fillPail, maybeLastSolution, type Filling, type PailRow } from '@/data/pails';
import { writeEntry, type Action } from '@/data/record';
import type { Trx } from '@/data/connection';
import { whyNotFilled, whyNotWithChlorine } from '@/core/sanitising/dangerous-pairs';
import { say } from '@/core/words/say';
import { solutionOf, type SolutionKey } from '@/core/water/solutions';

/** Why it may not be poured in there: chlorine that meets acid or heat, whichever of them is there first. */
async function refuseDanger(trx: Trx, pail: PailRow, { solution, tempC }: Filling): Promise<void> {
  const onWalls = pail.state === 'dirty' ? await maybeLastSolution(trx, pail.id) : null;
  const why =
    whyNotFilled(solutionOf(solution), { tempC, onWalls: onWalls === null ? null : solutionOf(onWalls) }) ??
    // The solution it is sanitised in stands in it still.
    (pail.state === 'contact' ? whyNotWithChlorine({ tempC, onWalls: solutionOf(solution) }) : null);
  if (why) throw new RefusedError(`${say(why, 'en')}. Nothing was filled.`, 'solution');
}

/** Fills a pail; one that stood clean longer than the house lets it counts as rinsed alone. @returns the fill's id */
export async function pourInto(trx: Trx, action: Action, pail: PailRow, filling: Filling): Promise<string> {
  await refuseDanger(trx, pail, filling);
  const { readyDays } = await houseOf(trx);
  const hasStood = hasStoodTooLong(pail.sanitisedAt, action.at, readyDays);
  return fillPail(trx, action.shopId, pail, { ...filling, hasStood }, action.at);
}

/** Fills a pail and enters it, with the reason where it was not sanitised. @returns the fill's id */
export async function fillAndEnter(
  trx: Trx,
  action: Action,
  pail: PailRow,
  filling: Filling & { readonly solution: SolutionKey },
): Promise<string> {
  const fillId = await pourInto(trx, action, pail, filling);
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
