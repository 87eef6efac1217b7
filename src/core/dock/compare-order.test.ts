import fc from 'fast-check';
import { compareWithOrder, likelyOrder, type DeliveredLine, type OrderLine } from './compare-order';

const ordered = (
  line: number,
  speciesKey: string,
  stems: number,
  variety: string | null = null,
  lengthCm: number | null = null,
): OrderLine => ({ line, speciesKey, variety, lengthCm, stems });
const came = ordered as (...of: Parameters<typeof ordered>) => DeliveredLine;
const kinds = (order: OrderLine[], note: DeliveredLine[]) =>
  Object.fromEntries(
    [...compareWithOrder(order, note).lines].map(([line, l]) => [line, `${l.kind}: ${l.words}`]),
  );

test('lines are as ordered, short, over, another variety, a lower grade, or never ordered', () => {
  const order = [
    ordered(1, 'rose', 160, 'Pale Ferry', 60),
    ordered(2, 'tulip', 100),
    ordered(3, 'gerbera', 30),
    ordered(4, 'carnation', 40, null, 65),
  ];
  const note = [
    came(1, 'rose', 160, 'Evening Buoy', 60),
    came(2, 'tulip', 80),
    came(3, 'gerbera', 40),
    came(4, 'carnation', 40, 'Foghorn', 50),
    came(5, 'ruscus', 20),
  ];
  expect(kinds(order, note)).toEqual({
    1: 'substitute: ‘Evening Buoy’ for ‘Pale Ferry’',
    2: 'short: 20 short of the 100 ordered',
    3: 'over: 10 over the 30 ordered',
    4: 'substitute: 50 cm, ordered 65 cm: another grade',
    5: 'not ordered: not ordered',
  });
});

test('two lines of one flower are counted together; a stranger in place of what did not come is said to be', () => {
  const order = [ordered(1, 'rose', 100), ordered(2, 'peony', 15)];
  const { lines, missing } = compareWithOrder(order, [
    came(1, 'rose', 60),
    came(2, 'rose', 40),
    came(3, 'hydrangea', 15),
  ]);
  expect([...lines.values()].map((l) => l.kind)).toEqual(['as ordered', 'as ordered', 'substitute']);
  expect(lines.get(3)?.words).toContain('perhaps for the peony');
  expect(missing.map((m) => m.line)).toEqual([2]);
});

test('every line of the note is told of, and every ordered line came or is missing', () => {
  const key = fc.constantFrom('rose', 'tulip', 'peony', 'ruscus', 'gerbera');
  const line = fc.record({
    speciesKey: key,
    stems: fc.integer({ min: 1, max: 200 }),
    variety: fc.constantFrom(null, 'A', 'B'),
    lengthCm: fc.constantFrom(null, 40, 60),
  });
  fc.assert(
    fc.property(fc.array(line, { maxLength: 8 }), fc.array(line, { maxLength: 8 }), (o, n) => {
      const order: OrderLine[] = o.map((l, i) => ({ ...l, line: i + 1 }));
      const { lines, missing } = compareWithOrder(
        order,
        n.map((l, i) => ({ ...l, line: i + 1 })),
      );
      expect(lines.size).toBe(n.length);
      const inKind = new Set<string>(n.map((l) => l.speciesKey));
      expect(missing.every((m) => order.includes(m))).toBe(true);
      expect(order.every((l) => inKind.has(l.speciesKey) || missing.includes(l))).toBe(true);
    }),
  );
});

test('a note answers an order of its supplier that it has half its kinds with', () => {
  const expected = [
    { supplier: 'Salt Hill', lines: [ordered(1, 'ruscus', 20), ordered(2, 'eucalyptus', 20)] },
    { supplier: 'Norrholt Growers', lines: [ordered(1, 'rose', 20), ordered(2, 'tulip', 20)] },
    { supplier: 'Norrholt Growers', lines: [ordered(1, 'gerbera', 20), ordered(2, 'tulip', 20)] },
  ];
  const answered = (supplier: string, ...keys: string[]) =>
    expected.indexOf(
      likelyOrder(
        supplier,
        keys.map((k) => came(1, k, 10)),
        expected,
      ) as (typeof expected)[0],
    );
  expect(answered('norrholt growers', 'gerbera', 'tulip', 'iris')).toBe(2);
  expect(answered('Norrholt Growers', 'tulip', 'iris')).toBe(1);
  expect(answered('Norrholt Growers', 'gerbera', 'iris')).toBe(2);
  expect(answered('Norrholt Growers', 'stock')).toBe(-1);
  expect(answered('Salt Hill', 'tulip')).toBe(-1);
});
