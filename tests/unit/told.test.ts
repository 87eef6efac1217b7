import fc from 'fast-check';
import { read, tell } from '@/shell/told';

test('whatever a page tells its parts is read as it was told, quotes and all', () => {
  fc.assert(
    fc.property(fc.json({ stringUnit: 'binary' }), (json) => {
      const value: object = { told: JSON.parse(json) as unknown };
      const text = tell(value);
      expect(read(text)).toBe(value);
      // As a tablet reads it, which was not there as it was told.
      delete (globalThis as { hushPailTold?: unknown }).hushPailTold;
      expect(read(text)).toEqual(value);
    }),
  );
  const said = { words: 'A 6" pail, `tall`, “kept” \\ as it is', none: null, days: [1.5, -2] };
  const told = tell(said);
  delete (globalThis as { hushPailTold?: unknown }).hushPailTold;
  expect(read(told)).toEqual(said);
  expect(tell({ a: 1 })).not.toContain('"');
});
