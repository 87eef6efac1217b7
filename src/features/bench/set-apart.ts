import 'server-only';
import { lotLabel, onePortion, setApart, type PortionRow } from '@/data/portions';
import { writeEntry } from '@/data/record';
import type { ActionContext } from '@/server/handler';

/** Sets stems of a portion apart as a portion of its own, and enters it. */
export async function setApartAndEnter(
  { trx, action }: ActionContext,
  from: PortionRow,
  stems: number,
  which = 'stems',
): Promise<PortionRow> {
  const { portionId } = await setApart(trx, from, stems);
  const apart = await onePortion(trx, portionId);
  await writeEntry(trx, action, {
    kind: 'apart',
    subjectKind: 'lot',
    subjectId: from.lotId,
    partId: apart.id,
    words: `Lot ${from.number}: ${stems} ${which} set apart as ${lotLabel(apart)}`,
    detail: { fromId: from.id, portionId: apart.id, stems },
  });
  return apart;
}
