import type { Trx } from './connection';
import { RefusedError } from './errors';
import { manyPortionsOfLot, takeStems, type PortionRow } from './portions';
import { writeEntry, type Action } from './record';

/** Whose stems go: those of the portion that is told, else of whichever has them, the last apart first. */
function sharesOf(
  portions: readonly PortionRow[],
  portionId: string | null,
  stems: number,
): { portionId: string; stems: number }[] {
  const shares: { portionId: string; stems: number }[] = [];
  let left = stems;
  for (const portion of [...portions].reverse()) {
    if (left === 0 || (portionId !== null && portion.id !== portionId)) continue;
    const share = Math.min(left, portion.stemsLeft);
    shares.push({ portionId: portion.id, stems: share });
    left -= share;
  }
  if (left > 0) {
    const there = stems - left;
    throw new RefusedError(
      there === 0
        ? 'That lot is used up. Nothing was binned; choose another.'
        : `There are ${there} left, not ${stems}. Nothing was binned; take fewer.`,
    );
  }
  return shares;
}

/** Bins stems of a lot, with the reason. */
export async function binStems(
  trx: Trx,
  action: Action,
  lotId: string,
  portionId: string | null,
  stems: number,
  reason: string,
): Promise<void> {
  const portions = await manyPortionsOfLot(trx, lotId);
  const from = sharesOf(portions, portionId, stems);
  for (const share of from) await takeStems(trx, share.portionId, share.stems, action.at);
  await writeEntry(trx, action, {
    kind: 'bin',
    subjectKind: 'lot',
    subjectId: lotId,
    partId: from.length === 1 ? (from[0]?.portionId ?? null) : null,
    says: { message: 'record.binned', with: { n: stems, lot: String(portions[0]?.number ?? ''), reason } },
    detail: { reason, from },
  });
}
