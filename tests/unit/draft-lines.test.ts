import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import * as v from 'valibot';
import path from 'node:path';
import { decodeNote } from '@/core/note/decode';
import { UnreadableNoteError } from '@/core/note/note-help';
import { readDeliveryNote } from '@/core/note/read-note';
import { readTypedLines } from '@/core/note/read-typed';
import {
  bookedLine,
  draftOf,
  KEEP,
  keptLine,
  lacking,
  lackingInOrder,
  type DraftLine,
} from '@/features/dock/draft-lines';
import { bookLine, keptLine as keptLineSchema } from '@/core/actions/fields';

const messy = readDeliveryNote(
  decodeNote(readFileSync(path.join(__dirname, '../fixtures/delivery-note-messy.csv'))),
);
const draft = draftOf(messy, '2026-11-24');
const line = (number: number): DraftLine => {
  const found = draft.find((l) => l.line === number);
  if (!found) throw new Error(`no line ${number}`);
  return found;
};

test('what may be booked is what is not set aside; a repeat is left out until somebody puts it back', () => {
  expect(draft.map((l) => l.line)).toEqual([3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13]);
  expect(draft.filter((l) => l.fate !== 'book').map((l) => l.line)).toEqual([13]);
  expect(lacking(line(13))).toBeNull();
  expect(lacking({ ...line(13), fate: 'book' })).toBe(KEEP);
});

test('a note that is silent on the cut gets a guess, said to be one; a date that cannot be read stays open', () => {
  expect(line(9)).toMatchObject({ cutDate: '2026-11-22', status: 'guessed' });
  expect(line(9).reasons.join()).toContain('is a guess');
  expect(line(3)).toMatchObject({ cutDate: '2026-11-19', status: 'understood' });
  const [odd] = draftOf(
    readDeliveryNote('product,bunches,stems per bunch,cut\nRose,1,10,soon'),
    '2026-11-24',
  );
  expect(odd?.cutDate).toBeNull();
  expect(odd && lacking(odd)).toBe('cut on which day?');
});

test.each([
  [12, {}, 'which species?'],
  [12, { speciesKey: 'scabiosa', isSettled: true }, null],
  [5, {}, KEEP],
  [5, { isSettled: true }, null],
  [3, { stems: null }, 'how many stems?'],
  [3, { stems: 0 }, 'how many stems?'],
  [3, { cutDate: '19/11' }, 'cut on which day?'],
  [3, { stems: null, fate: 'refused' }, null],
  [12, { fate: 'waiting' }, null],
] as const)('line %d with %j lacks %s', (number, changes, lack) => {
  expect(lacking({ ...line(number), ...changes })).toBe(lack);
});

test('prices by weight, by bunch and by line are kept per stem, so that lots and claims compare', () => {
  // 850 g at 12.40 a kilogram over 24 stems.
  expect(bookedLine(line(8)).unitPrice).toBe(0.44);
  expect(bookedLine(line(3)).unitPrice).toBe(0.58);
  const [bunch, whole] = draftOf(
    readTypedLines('4x10 rose @3.00/bunch\n20 iris @8.00/line', { today: '2026-11-24' }),
    '2026-11-24',
  );
  expect(bunch && bookedLine(bunch).unitPrice).toBe(0.3);
  expect(whole && bookedLine(whole).unitPrice).toBe(0.4);
});

test('what is sent of a line is what is booked of it and no more', () => {
  expect(Object.keys(bookedLine(line(3))).sort()).toEqual(
    [
      'bunches',
      'colour',
      'currency',
      'cutDate',
      'headsMin',
      'lengthCm',
      'line',
      'origin',
      'packing',
      'remark',
      'speciesKey',
      'stems',
      'stemsPerBunch',
      'supplierLine',
      'unitPrice',
      'variety',
    ].sort(),
  );
});

test('whatever was read of a line, it ends booked, waiting or refused, and the server takes it so', () => {
  for (const one of draft)
    for (const fate of ['book', 'waiting', 'refused'] as const) {
      const as = { ...one, fate, isSettled: true };
      const lack = lacking(as);
      if (fate === 'book' && lack !== null) continue;
      const sent = fate === 'book' ? bookedLine(as) : keptLine(as);
      const schema = fate === 'book' ? bookLine : keptLineSchema;
      expect(v.safeParse(schema, sent).issues).toBeUndefined();
    }
  expect(keptLine({ ...line(12), fate: 'waiting' })).toMatchObject({
    fate: 'waiting',
    reason: 'which species?',
    product: "Widow's thrill",
    said: { line: 12, speciesKey: null, stems: 10 },
  });
  expect(keptLine(line(13)).reason).toBe('says the same as line 1 (row 3)');
});

test('a figure beyond what a line can tell is a slip: it is asked for, and what was read is kept without it', () => {
  const slip = { ...line(3), stems: 208_000, stemsPerBunch: 2_600, bunches: 800_000, lengthCm: 960 };
  expect(lacking(slip)).toBe('how many stems?');
  expect(lackingInOrder(slip)).toBe('how many stems?');
  expect(keptLine({ ...slip, fate: 'waiting' })).toMatchObject({
    reason: 'how many stems?',
    said: { stems: null, stemsPerBunch: 2_600, bunches: null, lengthCm: null },
  });
});

test('an order asks no more than which flower and how many', () => {
  expect(lackingInOrder({ ...line(3), cutDate: null })).toBeNull();
  expect(lackingInOrder(line(12))).toBe('which species?');
  expect(lackingInOrder({ ...line(3), stems: 0 })).toBe('how many stems?');
});

test('of any file, however its lines are spoilt, each line is set aside or ends booked, waiting or refused', () => {
  const text = decodeNote(readFileSync(path.join(__dirname, '../fixtures/delivery-note-messy.csv')));
  const spoilt = fc.array(
    fc.record({
      at: fc.nat(text.length),
      cut: fc.nat(6),
      put: fc.constantFrom('', ';', '"', ',', '0', '-', '\n', 'x', '9999999', ' '),
    }),
    { minLength: 1, maxLength: 12 },
  );
  fc.assert(
    fc.property(spoilt, (slips) => {
      const file = slips.reduce((t, { at, cut, put }) => t.slice(0, at) + put + t.slice(at + cut), text);
      let note;
      try {
        note = readDeliveryNote(file);
      } catch (error) {
        if (error instanceof UnreadableNoteError) return;
        throw error;
      }
      const lines = draftOf(note, '2026-11-24');
      const aside = note.lines.filter((l) => l.status === 'ignored' && l.reasons.length > 0);
      expect(lines.length + aside.length).toBe(note.lines.length);
      for (const one of lines) {
        const fate = lacking({ ...one, isSettled: true }) === null ? one.fate : ('waiting' as const);
        const sent = fate === 'book' ? bookedLine(one) : keptLine({ ...one, fate });
        expect(v.safeParse(fate === 'book' ? bookLine : keptLineSchema, sent).issues).toBeUndefined();
      }
    }),
    { numRuns: 400 },
  );
});
