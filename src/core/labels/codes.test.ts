import fc from 'fast-check';
import { checkCharacter, codeOf, pailKeyStart, readCode } from './codes';

test('the check character is that of ISO 7064, MOD 37,36', () => {
  // The standard's own example.
  expect(checkCharacter('A12425GABC1234002')).toBe('M');
});

test('what a label names is what its code reads as', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 9_999_999 }), (number) => {
      expect(readCode(codeOf({ kind: 'lot', number }))).toEqual({ kind: 'lot', number });
      // Typed by hand, in small letters and without its prefix.
      expect(readCode(codeOf({ kind: 'pail', number }).toLowerCase().slice(1))).toEqual({
        kind: 'pail',
        number,
      });
    }),
  );
  expect(codeOf({ kind: 'pail', number: 24 })).toHaveLength(5);
});

test('a pail’s older label is read as what it was', () => {
  fc.assert(
    fc.property(fc.uuid(), (id) => {
      const keyStart = pailKeyStart(id);
      const code = `%P${keyStart}${checkCharacter(`P${keyStart}`)}`;
      expect(readCode(code)).toEqual({ kind: 'old pail', keyStart });
    }),
  );
});

test('one character read wrong is never taken for another lot', () => {
  const code = codeOf({ kind: 'lot', number: 10427 });
  for (let at = 1; at < code.length; at++)
    for (const wrong of '0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ') {
      if (wrong === code[at]) continue;
      expect(readCode(code.slice(0, at) + wrong + code.slice(at + 1))).toBeNull();
    }
  for (const other of ['', '%', 'L', '%L0A', '%LP', 'https://example.org/%L42'])
    expect(readCode(other)).toBeNull();
});
