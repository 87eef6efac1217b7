import * as fc from 'fast-check';
import { decodeNote } from '@/core/note/decode';
import { readDeliveryNote } from '@/core/note/read-note';
import { draftOf, lacking, type DraftLine } from '@/features/dock/draft-lines';
import type { HalfRead } from '@/features/dock/half-read';
import { bookWords, hasOldDates, madeSo, noteStands, summary } from '@/features/dock/note-stands';

const TODAY = '2026-11-24';
const half = (csv: string, changes: Partial<HalfRead> = {}): HalfRead => {
  const note = readDeliveryNote(decodeNote(new TextEncoder().encode(csv)));
  return {
    fileName: 'note.csv',
    note,
    lines: draftOf(note, TODAY),
    supplier: 'Norrholt Growers',
    deliveryRef: 'N-1',
    expectedId: null,
    columns: null,
    ...changes,
  };
};
/** Clear in every column. */
const CLEAR = 'product,bunches,stems per bunch,cut\nRose,8,20,2026-11-22\nTulip,4,10,2026-11-22\n';
/** Nobody can tell whether "qty" counts bunches or stems. */
const OPEN = 'product,qty,stems per bunch,cut\nRose,20,20,2026-11-22\nTulip,10,10,2026-11-22\n';
const words = (of: HalfRead): string => bookWords(false, noteStands(of));

test('a clear note is ready as it was read, and says what booking it will do', () => {
  const note = half(CLEAR);
  expect(noteStands(note)).toMatchObject({ isReady: true, isAsked: false, toDecide: 0, waiting: 0 });
  expect(words(note)).toBe('Book in 2 lots, 200 stems');
  expect(bookWords(true, noteStands(note))).toBe('Booking in …');
});

test.each([
  ['nobody says whose it is', { supplier: '  ' }],
  ['it has no number', { deliveryRef: '' }],
] as const)('it is not ready while %s', (_, lacks) => {
  expect(noteStands(half(CLEAR, lacks)).isReady).toBe(false);
});

test('lines put aside are neither decided nor booked; with all of them aside nothing is ready', () => {
  const note = half(CLEAR);
  const aside = (n: number): HalfRead => ({
    ...note,
    lines: note.lines.map((l, i) => (i < n ? { ...l, fate: 'waiting' } : l)),
  });
  expect(words(aside(1))).toBe('Book in 1 lot, 40 stems, 1 kept aside');
  expect(noteStands(aside(2))).toMatchObject({ isReady: false, booked: [] });
  expect(noteStands(aside(2)).kept).toHaveLength(2);
});

test('a question of the whole note comes first; its answer is remembered for the next of its make', () => {
  const note = half(OPEN);
  const stands = noteStands(note);
  expect(stands).toMatchObject({ isAsked: true, waiting: 2, toDecide: 0, isReady: false });
  expect(words(note)).toBe('Say first what its counts mean');
  const made = madeSo(note, { count: 'bunches' } as HalfRead['note']['meaning']);
  expect(made.shape).toBe(note.note.make.shape);
  expect(made.saved.meaning).toMatchObject({ count: 'bunches' });
  const named = { shape: 'as named', saved: { columns: { product: 0 }, hasHeading: false } };
  expect(madeSo({ ...note, columns: named }, {})).toMatchObject({
    shape: 'as named',
    saved: { columns: { product: 0 }, hasHeading: false },
  });
});

test('a line that is to be decided for itself is counted beside the question', () => {
  const note = half(`${OPEN}Nobody knows this,5,10,2026-11-22\n`);
  expect(noteStands(note).toDecide).toBe(1);
  expect(words(note)).toBe('One question first, then 1 to decide');
});

test('a date of three weeks ago is doubted, one of three weeks less is not', () => {
  const cut = (cutDate: string): DraftLine[] => half(CLEAR).lines.map((l) => ({ ...l, cutDate }));
  expect(hasOldDates(cut('2026-11-03'), TODAY)).toBe(false);
  expect(hasOldDates(cut('2026-11-02'), TODAY)).toBe(true);
  expect(hasOldDates(cut('soon'), TODAY)).toBe(false);
});

test('whatever somebody makes of its lines: each is booked or kept, and ready means that none lacks anything', () => {
  const change = fc.record({
    fate: fc.constantFrom('book', 'waiting', 'refused'),
    stems: fc.option(fc.integer({ min: 0, max: 400 })),
    speciesKey: fc.option(fc.constantFrom('rose', 'tulip')),
    isSettled: fc.boolean(),
  });
  const csv = fc.constantFrom(CLEAR, OPEN, `${CLEAR}Nobody knows this,1,5,2026-11-22\n`);
  fc.assert(
    fc.property(csv, fc.array(change, { minLength: 3, maxLength: 3 }), (text, changes) => {
      const start = half(text);
      const note = {
        ...start,
        lines: start.lines.map((l, i) => ({ ...l, ...changes[i % changes.length] })),
      } as HalfRead;
      const { booked, kept, isAsked, waiting, toDecide, isReady } = noteStands(note);
      expect(booked.length + kept.length).toBe(note.lines.length);
      expect(waiting > 0).toBe(isAsked);
      expect(toDecide + waiting).toBeLessThanOrEqual(2 * booked.length);
      if (isReady) expect(booked.filter((l) => lacking(l) !== null)).toEqual([]);
      else expect(isAsked || toDecide > 0 || booked.length === 0).toBe(true);
      expect(summary(note.lines, toDecide, waiting)).not.toMatch(/\b0 /);
    }),
  );
});
