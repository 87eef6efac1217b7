import * as fc from 'fast-check';
import { editDistance } from './edit-distance';

/** Every word that one edit makes of another, over a small alphabet. */
function edited(word: string): Set<string> {
  const letters = ['a', 'b', 'c'];
  const out = new Set<string>();
  for (let i = 0; i <= word.length; i++) {
    const [before, after] = [word.slice(0, i), word.slice(i)];
    for (const l of letters) out.add(before + l + after);
    if (after === '') continue;
    out.add(before + after.slice(1));
    for (const l of letters) out.add(before + l + after.slice(1));
    if (after.length > 1) out.add(before + after.charAt(1) + after.charAt(0) + after.slice(2));
  }
  return out;
}

const word = fc.string({ unit: fc.constantFrom('a', 'b', 'c'), maxLength: 6 });

test.each([
  ['tulip', 'tulip', 0],
  ['tulip', 'tullip', 1],
  ['chrysanthemum', 'crysanthemum', 1],
  ['freesia', 'fresia', 1],
  // Neighbours that changed places are one mistake, not two.
  ['gerbera', 'gebrera', 1],
  ['', 'rose', 4],
  ['rose', 'tulip', 5],
])('%s and %s are %d apart', (a, b, apart) => {
  expect(editDistance(a, b)).toBe(apart);
});

test('it is the same both ways, nought for what is equal, and never more than the longer word', () => {
  fc.assert(
    fc.property(word, word, (a, b) => {
      const apart = editDistance(a, b);
      expect(apart).toBe(editDistance(b, a));
      expect(apart === 0).toBe(a === b);
      expect(apart).toBeLessThanOrEqual(Math.max(a.length, b.length));
      expect(apart).toBeGreaterThanOrEqual(Math.abs(a.length - b.length));
    }),
  );
});

test('words one edit apart are those that one edit makes', () => {
  fc.assert(
    fc.property(word, word, (a, b) => {
      expect(editDistance(a, b) <= 1).toBe(a === b || edited(a).has(b));
    }),
  );
});

/** The same without swaps, by its definition: the last letters agree, or one of the two goes or is changed. */
function lettersChanged(a: string, b: string): number {
  if (a === '' || b === '') return a.length + b.length;
  const [shorterA, shorterB] = [a.slice(0, -1), b.slice(0, -1)];
  if (a.at(-1) === b.at(-1)) return lettersChanged(shorterA, shorterB);
  return (
    1 + Math.min(lettersChanged(shorterA, b), lettersChanged(a, shorterB), lettersChanged(shorterA, shorterB))
  );
}

test('swaps only ever save letters, and each saves one at most', () => {
  fc.assert(
    fc.property(word, word, (a, b) => {
      const [apart, letters] = [editDistance(a, b), lettersChanged(a, b)];
      expect(apart).toBeLessThanOrEqual(letters);
      expect(letters).toBeLessThanOrEqual(2 * apart);
    }),
  );
});
