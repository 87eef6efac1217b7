import 'server-only';
import { readAsNow } from '@/core/record/entry-details';
import type { Reading, Wash } from '@/core/sanitising/proof';
import type { PailEntry } from '@/data/hygiene';

/** A pail going into the solution or out of it, as an entry tells it; none where it tells of something else. */
export function washOf(entry: PailEntry): Wash[] {
  const detail = entry.kind === 'wash' ? readAsNow('wash', entry.detailVersion, entry.detail) : null;
  if (!detail || (detail.to !== 'contact' && detail.to !== 'sanitised')) return [];
  const { to, dose } = detail;
  const { pailId, pail, at, who } = entry;
  return [{ pailId, pail, at: at.getTime(), who, to, dose }];
}

/** What somebody saw in its water, the same way. */
export function readingOf({ kind, pail, at, who, detailVersion, detail }: PailEntry): Reading[] {
  const read = kind === 'water-look' ? readAsNow(kind, detailVersion, detail) : null;
  return read ? [{ pail, at: at.getTime(), who, look: read.look }] : [];
}
