import 'server-only';
import { readAsNow } from '@/core/record/entry-details';
import type { Reading, Wash } from '@/core/sanitising/proof';
import { seenWords } from '@/core/water/seen-words';
import type { LanguageTag } from '@/core/words/catalogues';
import { say } from '@/core/words/say';
import type { PailEntry } from '@/data/hygiene';
import { seenOf } from './water-seen';

/** A pail going into the solution or out of it, as an entry tells it; none where it tells of something else. */
export function washOf(entry: PailEntry): Wash[] {
  const detail = entry.kind === 'wash' ? readAsNow('wash', entry.detailVersion, entry.detail) : null;
  if (!detail || (detail.to !== 'contact' && detail.to !== 'sanitised')) return [];
  const { to, dose } = detail;
  const { pailId, pail, at, who } = entry;
  return [{ pailId, pail, at: at.getTime(), who, to, dose }];
}

/** What somebody saw or read in its water or put to it, the same way, in that language. */
export function readingOf(entry: PailEntry, language: LanguageTag): Reading[] {
  const { kind, pail, at, who, detailVersion, detail } = entry;
  if (kind === 'wash') return [];
  const look = seenOf({ kind, at, detailVersion, detail }, 0)
    .flatMap(seenWords)
    .map((words) => say(words, language))
    .join(', ');
  return look === '' ? [] : [{ pail, at: at.getTime(), who, look }];
}
