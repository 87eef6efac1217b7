import { readFileSync } from 'node:fs';
import path from 'node:path';
import { decodeNote } from '@/core/dock/decode';
import { readDeliveryNote } from '@/core/dock/read-note';
import { readTypedLines } from '@/core/dock/read-typed';
import { bookedLine, draftOf, KEEP, lacking, type DraftLine } from '@/features/dock/draft-lines';

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
  expect(draft.filter((l) => l.leaveOut).map((l) => l.line)).toEqual([13]);
  expect(lacking(line(13))).toBeNull();
  expect(lacking({ ...line(13), leaveOut: false })).toBe(KEEP);
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
  [3, { stems: null, leaveOut: true }, null],
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
      'colour',
      'currency',
      'cutDate',
      'headsMin',
      'lengthCm',
      'line',
      'origin',
      'packing',
      'speciesKey',
      'stems',
      'unitPrice',
      'variety',
    ].sort(),
  );
});
