import fc from 'fast-check';
import { pailHolds } from './pail-fit';
import { dealInto, roomLeft } from './pail-room';

const ROSE_MM = 6;

test('two hundred roses are not for one pail of seven litres: six of them hold them', () => {
  // The trade's forty to sixty rose-thick stems in ten litres.
  expect(roomLeft(7, [], ROSE_MM)).toBeGreaterThanOrEqual(28);
  expect(roomLeft(7, [], ROSE_MM)).toBeLessThanOrEqual(42);
  const pails = Array.from({ length: 9 }, (_, i) => ({ id: String(i), litres: 7 }));
  expect(dealInto(200, ROSE_MM, pails).map((p) => p.stems)).toEqual([34, 34, 33, 33, 33, 33]);
});

test('what stands in it takes its room by its thickness', () => {
  expect(roomLeft(10, [{ stems: 25, stemMm: ROSE_MM }], ROSE_MM)).toBe(25);
  expect(roomLeft(10, [{ stems: 25, stemMm: ROSE_MM }], 2 * ROSE_MM)).toBe(12);
  expect(roomLeft(10, [{ stems: 80, stemMm: ROSE_MM }], ROSE_MM)).toBe(0);
});

test('every stem is dealt once, no pail past what it holds, and none is opened that is not needed', () => {
  const pails = fc.array(fc.integer({ min: 3, max: 20 }), { minLength: 1, maxLength: 12 });
  fc.assert(
    fc.property(
      pails,
      fc.integer({ min: 1, max: 900 }),
      fc.integer({ min: 2, max: 15 }),
      (litres, stems, mm) => {
        const free = litres.map((l, i) => ({ id: String(i), litres: l }));
        const dealt = dealInto(stems, mm, free);
        const holds = (id: string): number => pailHolds(free[Number(id)]?.litres ?? 0, mm);
        const all = free.reduce((n, p) => n + holds(p.id), 0);
        expect(dealt.reduce((n, d) => n + d.stems, 0)).toBe(Math.min(stems, all));
        for (const d of dealt) expect(d.stems).toBeLessThanOrEqual(holds(d.id));
        const allButLast = dealt.slice(0, -1).reduce((n, d) => n + holds(d.id), 0);
        expect(allButLast).toBeLessThan(stems);
      },
    ),
  );
});
