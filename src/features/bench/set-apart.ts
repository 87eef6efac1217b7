import { m } from '@/core/words/message';
import 'server-only';
import { lotLabel, onePortion, setApart, type PortionRow } from '@/data/portions';
import { writeEntry } from '@/data/record';
import type { ActionContext } from '@/server/handler';

/** Sets stems of a portion apart as a portion of its own, and enters it. */
export async function setApartAndEnter(
  { trx, action }: ActionContext,
  from: PortionRow,
  stems: number,
  says: 'record.apart' | 'record.apart-hanging' = 'record.apart',
): Promise<PortionRow> {
  const { portionId } = await setApart(trx, from, stems);
  const apart = await onePortion(trx, portionId);
  await writeEntry(trx, action, {
    kind: 'apart',
    subjectKind: 'lot',
    subjectId: from.lotId,
    partId: apart.id,
    says: m(says, { lot: String(from.number), n: stems, apart: lotLabel(apart) }),
    detail: { fromId: from.id, portionId: apart.id, stems },
  });
  return apart;
}
