import fc from 'fast-check';
import { pailHolds } from './pail-fit';
import { pailsForOrder } from './pails-for-order';

const pails = (...litres: number[]) => litres.map((l, i) => ({ id: String(i), litres: l }));
// A pail of ten litres holds fifty stems as thick as a rose, 6 mm.
const ROSES = { stems: 50, stemMm: 6 };

test('a line goes into the smallest pail that holds it, a large one into several', () => {
  expect(pailsForOrder([ROSES], pails(10, 20))).toMatchObject({ needed: 1, short: 0 });
  expect(
    pailsForOrder(
      [
        { stems: 5, stemMm: 6 },
        { stems: 100, stemMm: 6 },
      ],
      pails(20, 1),
    ),
  ).toMatchObject({
    needed: 2,
    short: 0,
  });
  expect(pailsForOrder([{ stems: 120, stemMm: 6 }], pails(10, 10, 10, 10))).toMatchObject({
    needed: 3,
    short: 0,
  });
});

test('what no clean pail is left for is short, by pails like the largest', () => {
  expect(pailsForOrder([ROSES, ROSES, ROSES], pails(10))).toMatchObject({ needed: 3, short: 2 });
  expect(pailsForOrder([{ stems: 51, stemMm: 6 }], [])).toMatchObject({ needed: 2, short: 2 });
  expect(pailsForOrder([], pails(10))).toMatchObject({ needed: 0, short: 0 });
});

test('no pail is counted twice, and as many as it needs can hold the order', () => {
  const line = fc.record({
    stems: fc.integer({ min: 1, max: 200 }),
    stemMm: fc.integer({ min: 3, max: 15 }),
  });
  fc.assert(
    fc.property(
      fc.array(line, { maxLength: 8 }),
      fc.array(fc.integer({ min: 5, max: 20 }), { maxLength: 12 }),
      (lines, litres) => {
        const { needed, short, pailIds } = pailsForOrder(lines, pails(...litres));
        // Those that are named are the ones that are counted, each once.
        expect(pailIds).toHaveLength(needed - short);
        expect(new Set(pailIds).size).toBe(pailIds.length);
        for (const id of pailIds) expect(Number(id)).toBeLessThan(litres.length);
        expect(needed - short).toBeLessThanOrEqual(litres.length);
        expect(short).toBeLessThanOrEqual(needed);
        expect(needed).toBeGreaterThanOrEqual(lines.length);
        // Even were each of them the largest there is, they would have to hold it all.
        const largest = Math.max(1, ...litres, ...(litres.length === 0 ? [10] : []));
        const share = lines.reduce((n, l) => n + l.stems / pailHolds(largest, l.stemMm), 0);
        expect(needed).toBeGreaterThanOrEqual(Math.ceil(share - 1e-9));
      },
    ),
  );
});
