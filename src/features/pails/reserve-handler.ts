import 'server-only';
import type { pailActions } from '@/core/actions/pails';
import { m, dayNamed } from '@/core/words/message';
import { RefusedError } from '@/data/errors';
import { maybeExpected } from '@/data/expected';
import { onePailForUpdate, reservePails } from '@/data/pails';
import { writeEntry } from '@/data/record';
import type { Handlers } from '@/server/handler';

/** How clean pails are kept for a van, so that nobody pours into them the night before. */
export const reserveHandler: Pick<Handlers<keyof typeof pailActions>, 'pails/reserve'> = {
  'pails/reserve': {
    work: async ({ trx, action }, { pailIds, expectedId }) => {
      const order = expectedId === null ? null : await maybeExpected(trx, expectedId);
      if (order === undefined)
        throw new RefusedError('That delivery is expected no longer. No pail was kept for it.', 'expectedId');
      const pails = [];
      for (const id of pailIds) pails.push(await onePailForUpdate(trx, id));
      const unready = order && pails.find((p) => p.state !== 'sanitised');
      if (unready)
        throw new RefusedError(
          `Pail ${unready.name} does not stand clean by now. Nothing was kept; choose again.`,
          'pailIds',
        );
      const others = order && pails.find((p) => p.reservedFor !== null && p.reservedFor !== expectedId);
      if (others)
        throw new RefusedError(
          `Pail ${others.name} is kept for the van of ${others.reservedSupplier} by now. Nothing was kept; let it go there, or choose again.`,
          'pailIds',
        );
      await reservePails(trx, pailIds, expectedId);
      const names = pails.map((p) => p.name).join(', ');
      await writeEntry(trx, action, {
        kind: 'pail',
        subjectKind: 'pail',
        subjectId: pailIds[0] ?? '',
        says: order
          ? m('record.pails.kept', { pails: names, supplier: order.supplier, day: dayNamed(order.dueOn) })
          : m('record.pails.let-go', { pails: names }),
        detail: { pailIds },
      });
      return null;
    },
  },
};
