import 'server-only';
import { readDetail, type DetailOf } from '@/core/record/entry-details';
import type { Reading, Wash } from '@/core/sanitising/proof';
import type { PailEntry } from '@/data/hygiene';

/** A pail going into the solution or out of it, as an entry tells it; none where it tells of something else. */
export function washOf(entry: PailEntry): Wash[] {
  const detail = readDetail('wash', entry.detailVersion, entry.detail) as Partial<DetailOf<'wash'>> | null;
  const { to, dose } = detail ?? {};
  if (entry.kind !== 'wash' || (to !== 'contact' && to !== 'sanitised')) return [];
  const { pailId, pail, at, who } = entry;
  return [{ pailId, pail, at: at.getTime(), who, to, dose: dose ?? null }];
}

/** What somebody saw in its water, the same way. */
export function readingOf({ kind, pail, at, who, detailVersion, detail }: PailEntry): Reading[] {
  const read = readDetail(kind, detailVersion, detail) as Partial<DetailOf<'water-look'>> | null;
  return kind === 'water-look' && read?.look ? [{ pail, at: at.getTime(), who, look: read.look }] : [];
}
