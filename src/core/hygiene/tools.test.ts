import fc from 'fast-check';
import { HOUR_MS } from '../calendar/spans';
import { dirtiestFirst, dueInHours, type ToolClock } from './tools';

const NOW = Date.parse('2026-11-24T18:00:00Z');
const ago = (hours: number): number => NOW - hours * HOUR_MS;
const knife = (cleanedAgo: number | null): ToolClock => ({
  everyH: 12,
  addedAt: ago(100),
  cleanedAt: cleanedAgo === null ? null : ago(cleanedAgo),
});

test('a knife that was cleaned at six is due at six; one that nobody cleaned has been due since it came', () => {
  expect(dueInHours(knife(5), NOW)).toBe(7);
  expect(dueInHours(knife(14), NOW)).toBe(-2);
  expect(dueInHours(knife(null), NOW)).toBe(-100);
});

test('the one that waits longest by its own clock comes first, and none is lost', () => {
  const vases = { everyH: 168, addedAt: ago(400), cleanedAt: ago(170) };
  expect(dirtiestFirst([knife(2), vases, knife(18)], NOW)).toEqual([knife(18), vases, knife(2)]);
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 0, max: 300 })), (hours) => {
      const found = dirtiestFirst(hours.map(knife), NOW).map((t) => dueInHours(t, NOW));
      expect(found).toEqual([...found].sort((a, b) => a - b));
      expect(found).toHaveLength(hours.length);
    }),
  );
});
