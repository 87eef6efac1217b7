'use client';
import { useDebouncedCallback } from '@mantine/hooks';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { v4 } from 'uuid';
import { compareWithOrder } from '@/core/dock/compare-order';
import { linesAnswered } from '@/core/note/answer';
import type { Meaning } from '@/core/note/meaning';
import { useActions } from '@/shell/actions';
import { useStored } from '@/shell/half-done';
import { notDoneWords } from '@/shell/outcome';
import { useSpecies } from '@/shell/species';
import { completeLine, keptLine, type DraftLine } from './draft-lines';
import { HALF_READ, type HalfRead } from './half-read';
import type { Expected } from './half-read';
import { madeSo, noteStands, type NoteStands } from './note-stands';

const KEEP_AFTER_MS = 300;

/** A note that was read, as it is being corrected; kept on this tablet until it is booked in or put away. */
export function useHalfNote(start: HalfRead, expected: readonly Expected[]) {
  const species = useSpecies();
  const [half, setHalf] = useState(start);
  const [, keep, forget] = useStored<HalfRead>(HALF_READ);
  const keepSoon = useDebouncedCallback(keep, KEEP_AFTER_MS);
  useEffect(() => keepSoon(half), [keepSoon, half]);
  const { lines } = half;
  const order = expected.find((e) => e.id === half.expectedId);
  const against = useMemo(
    () =>
      order &&
      compareWithOrder(
        order.lines,
        lines.filter((l) => l.fate !== 'refused'),
        species,
      ),
    [order, lines, species],
  );
  const change = useCallback((line: number, changes: Partial<DraftLine>) => {
    setHalf((h) => ({ ...h, lines: h.lines.map((l) => (l.line === line ? { ...l, ...changes } : l)) }));
  }, []);
  return {
    half,
    order,
    against,
    stands: noteStands(half),
    change,
    set: (changes: Partial<HalfRead>) => setHalf((h) => ({ ...h, ...changes })),
    answer: (meaning: Meaning) =>
      setHalf((h) => ({
        ...h,
        note: { ...h.note, question: null, meaning, meaningBy: 'said' },
        lines: linesAnswered(h.lines, meaning, h.note.usual, (l) => l.isSettled),
        columns: madeSo(h, meaning),
      })),
    /** What is booked is not half read any more, whatever still waits to be kept. */
    isBooked: () => {
      keepSoon.cancel();
      forget();
    },
  };
}

/** Books a note in, once, however often it is tapped. */
export function useBooking(
  half: HalfRead,
  { booked, kept }: NoteStands,
  isBooked: () => void,
  setProblem: (words: string | null) => void,
): { busy: boolean; book: () => Promise<void> } {
  const router = useRouter();
  const { act } = useActions();
  const [busy, setBusy] = useState(false);
  const [actionKey] = useState(() => v4());
  const book = async () => {
    setProblem(null);
    const chosen = booked
      .filter((l) => l.isChosen)
      .flatMap(({ product, speciesKey }) => (speciesKey === null ? [] : [{ product, speciesKey }]));
    const complete = booked.flatMap((l) => completeLine(l) ?? []);
    if (complete.length < booked.length)
      return setProblem('A line still lacks something. Nothing was booked in; settle it first.');
    const { supplier, deliveryRef, columns, expectedId } = half;
    const body = {
      supplier,
      deliveryRef,
      chosen,
      columns,
      expectedId,
      kept: kept.map(keptLine),
      lines: complete,
    };
    setBusy(true);
    const outcome = await act('dock/book-in', body, '', actionKey);
    setBusy(false);
    if (!outcome.ok) return setProblem(notDoneWords(outcome, 'booked in', 'the note stays open here'));
    isBooked();
    router.push('/dock', { scroll: false });
  };
  return { busy, book };
}
