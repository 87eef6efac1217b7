import { SHIPPED_SPECIES } from '../species/registry';
import { findGrams, learnGrams, stemsByWeight } from './grams';
import { readDeliveryNote } from '../note/read-note';
import { readTypedLines } from '../note/read-typed';

const weighed = (lengthCm: number | null, stems: number, grams: number) => ({
  speciesKey: 'mimosa',
  lengthCm,
  stems,
  grams,
});
const mimosa = SHIPPED_SPECIES.byKey('mimosa');

test('grams a stem are all grams over all stems; a grade has its own, else the species, else the table', () => {
  const learned = learnGrams([weighed(60, 5, 200), weighed(58, 15, 900), weighed(80, 5, 500)]);
  expect(findGrams(learned, mimosa, 62)).toEqual({ grams: 55, basis: 'as weighed here at this grade' });
  expect(findGrams(learned, mimosa, 80)?.grams).toBe(100);
  expect(findGrams(learned, mimosa, 40)).toEqual({ grams: 64, basis: 'as weighed here' });
  expect(findGrams(learned, mimosa, null)?.grams).toBe(64);
  expect(findGrams({}, mimosa, 60)?.basis).toBe('by the table');
  expect(findGrams({}, SHIPPED_SPECIES.byKey('carnation'), 60)).toBeNull();
});

test('a note and a typed line by weight are counted by what was weighed, and say so', () => {
  const gramsPerStem = learnGrams([weighed(60, 10, 500)]);
  const note = readDeliveryNote('product,length,bunches,weight\nMimosa,60,,1250\nMimosa,,,1250', {
    gramsPerStem,
  });
  expect(note.lines.slice(1).map((l) => l.stems)).toEqual([25, 25]);
  expect(note.lines[1]?.reasons).toContain('1250 g at about 50 g a stem, as weighed here at this grade');
  const [typed] = readTypedLines('850 g mimosa', { today: '2026-11-24', gramsPerStem }).lines;
  expect(typed).toMatchObject({ stems: 17, weightG: 850 });
});

test('any weight is at least one stem', () => {
  expect(stemsByWeight(3, { grams: 100, basis: 'by the table' }).stems).toBe(1);
});
