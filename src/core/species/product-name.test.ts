import * as fc from 'fast-check';
import { isColourWord, isGradeWord, isOtherThing, misspelledName, nameFor } from './known-names';
import { foldedUmlauts, foldedWords, singular } from './folded-words';
import { foundIn, splitProductName } from './product-name';
import { SPECIES } from './species';

const keyOf = (product: string): string | null => foundIn(splitProductName(product))?.species.key ?? null;

test('every species is found by its name, its botanical name and its key, and is not told from itself', () => {
  for (const { key, name, botanical } of SPECIES) {
    const found = [name, key].map((text) => nameFor(foldedWords(text)));
    // A name that two of them bear is a short one; one proper names its own.
    for (const one of found) if (one && !one.isShort) expect(one.species.key).toBe(key);
    expect(found.some((one) => one !== undefined)).toBe(true);
    expect(nameFor(foldedWords(botanical))).toBeDefined();
  }
});

test.each([
  ['Rosa ‘Harbour Light’ 60', 'rose', 'Harbour Light', 60, []],
  ['Red Rose 60cm', 'rose', null, 60, []],
  ['Tulip Strong Gold 40 cm', 'tulip', null, 40, ['Strong']],
  ['Gerbera', 'gerbera', null, null, []],
  // An apostrophe within a word opens no quotes.
  ["Baby's breath ‘Snow on the Quay’ 70cm", 'gypsophila', 'Snow on the Quay', 70, []],
  ["Baby's breath 'Pale Ferry'", 'gypsophila', 'Pale Ferry', null, []],
  ['Rosen, 50-60 cm', 'rose', null, 50, []],
  ['Rosa Red Eagle cm 60', 'rose', null, 60, ['Eagle']],
  // No stem is so long.
  ['Rose 960 cm', 'rose', null, null, []],
  ['Rose 1234560 cm', 'rose', null, null, []],
])('%j is %s, called %s, %s cm, with %j left over', (product, key, quoted, lengthCm, left) => {
  const split = splitProductName(product);
  expect(keyOf(product)).toBe(key);
  expect(split).toMatchObject({ quoted, lengthCm });
  expect(split.unknown.filter((w) => left.includes(w as never))).toEqual(left);
});

test('a colour that is also a flower’s name is a colour where another flower is named', () => {
  const split = splitProductName('Gerbera rosa');
  expect(foundIn(split)?.species.key).toBe('gerbera');
  expect(split.colours).toEqual(['rosa']);
});

test('of two flowers in one name neither is taken', () => {
  const split = splitProductName('Tulip and gerbera mix');
  expect(split.isTorn).toBe(true);
  expect(foundIn(split)).toBeNull();
});

test('what stands round a name makes no other flower of it: lengths, colours, grades and varieties in any order', () => {
  const species = fc.constantFrom(
    ...SPECIES.filter((s) => {
      const found = nameFor(foldedWords(s.name));
      return found?.species === s && !found.isShort && !/[,(]/.test(s.name);
    }),
  );
  const length = fc.constantFrom(40, 50, 60, 70).map((n) => `${n} cm`);
  const variety = fc.constantFrom('‘Pale Ferry’', '"Long Quay"', '«Skerrow»');
  fc.assert(
    fc.property(species, length, variety, fc.boolean(), (s, cm, called, isFirst) => {
      const product = isFirst ? `${s.name} ${called} ${cm}` : `${cm} ${s.name} ${called}`;
      const split = splitProductName(product);
      expect([product, keyOf(product)]).toEqual([product, s.key]);
      expect(split.lengthCm).toBe(Number(cm.slice(0, 2)));
      expect(split.quoted).toBe(called.slice(1, -1));
      expect(split.unknown).toEqual([]);
    }),
  );
});

test('one letter wrong in a long name is still that flower; a short word is never taken for another', () => {
  expect(misspelledName('alstromeria')?.key).toBe('alstroemeria');
  expect(misspelledName('gebrera')?.key).toBe('gerbera');
  // A name that two flowers bear is of neither, however it is spelled: somebody is asked.
  expect(misspelledName('crysanthemum')).toBeUndefined();
  expect(misspelledName('ros')).toBeUndefined();
  expect(misspelledName('spanner')).toBeUndefined();
});

test('colours and grades are known in the languages notes come in; other things that bear a flower’s name are not ours', () => {
  expect(['red', 'rot', 'rojo', 'blanco', 'wit', 'bianco'].every(isColourWord)).toBe(true);
  expect(['rose hip', 'lily of the valley'].every((words) => isOtherThing(words))).toBe(true);
  expect(isOtherThing('rose')).toBe(false);
  expect(isGradeWord('gerbera') || isColourWord('gerbera')).toBe(false);
});

test('folding is done once for all: lower case, no accents, single blanks, and again changes nothing', () => {
  expect(foldedWords('  Löwenmaul, weiß—ÉTÉ 2 ')).toBe('lowenmaul weiss ete 2');
  expect(foldedUmlauts(foldedWords('Loewenmaul'))).toBe(foldedUmlauts(foldedWords('Löwenmaul')));
  expect(['lilies', 'roses', 'grass'].map(singular)).toEqual(['lily', 'rose', 'grass']);
  fc.assert(
    fc.property(fc.string({ unit: 'grapheme' }), (text) => {
      const folded = foldedWords(text);
      expect(folded).toMatch(/^([a-z0-9]+( [a-z0-9]+)*)?$/);
      expect(foldedWords(folded)).toBe(folded);
    }),
  );
});
