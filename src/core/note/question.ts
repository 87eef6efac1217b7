import { meaningInWords, type Meaning } from './meaning';
import type { Settled } from './settle';
import type { NoteLine, NoteQuestion } from './types';

/** What is asked once for the whole note, with an example of each answer. */
export function questionOf(settled: Settled, lines: readonly NoteLine[]): NoteQuestion | null {
  if (settled.asked.length === 0) return null;
  const waiting = lines.filter((l) => l.readings);
  const example = waiting.find(
    (l) => l.readings?.length === Math.max(...waiting.map((w) => w.readings?.length ?? 0)),
  );
  if (!example) return null;
  const told = (stems: number | null, bunches: number | null): string =>
    stems === null ? `${bunches ?? '?'} bunches, stems not told` : `${stems} stems`;
  return {
    about: settled.asked,
    lines: waiting.length,
    answers: (example.readings ?? []).map((r) => ({
      meaning: r.meaning,
      words: meaningInWords(r.meaning, settled.asked),
      example: `${example.product}: ${told(r.stems, r.bunches)}`,
    })),
  };
}

/** A meaning without what nobody asked of this note. */
export const meaningOf = (settled: Settled): Meaning =>
  settled.asked.length > 0 ? {} : (settled.left[0] ?? {});
