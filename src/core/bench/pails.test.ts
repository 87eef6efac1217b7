import fc from 'fast-check';
import { knownLot as lot } from '../../../tests/support/waiting-lot';
import { loadSolver } from '../../workers/solver';
import { SPECIES } from '../species/species';
import { mayStandTogether, pailHolds, standingLots, standsMm } from './pail-fit';
import { intoPails } from './pails';
import type { BenchInput, KnownLot } from './types';

const pailArb = fc.record({ litres: fc.constantFrom(7, 12), heightCm: fc.constantFrom(24, 36) });
const morningArb = fc.array(
  fc.record({
    species: fc.constantFrom(...SPECIES.map((s) => s.key)),
    stems: fc.integer({ min: 1, max: 150 }),
    droop: fc.constantFrom('firm' as const, 'firm' as const, 'hanging' as const),
    stage: fc.constantFrom(0.2, 0.2, 1.1),
    lengthCm: fc.constantFrom(40, 70),
  }),
  { minLength: 1, maxLength: 12 },
);

/** Every stem is told of, no pail holds more than it does, and nothing stands with what it may not. */
function expectToHold(
  lots: readonly KnownLot[],
  pails: BenchInput['pails'],
  packed: ReturnType<typeof intoPails>,
): void {
  const all = standingLots(lots);
  const of = (id: string) => all.find((s) => s.lot.id === id);
  for (const l of lots)
    expect(
      [...packed.shares, ...packed.without].filter((s) => s.lot === l.id).reduce((n, s) => n + s.stems, 0),
    ).toBe(l.stems);
  for (const p of pails) {
    const inIt = packed.shares
      .filter((s) => s.pail === p.name)
      .map((s) => ({ stems: s.stems, by: of(s.lot) }));
    expect(
      inIt.reduce((n, s) => n + s.stems / pailHolds(p.litres, s.by ? standsMm(s.by.species) : 1), 0),
    ).toBeLessThanOrEqual(1 + 1e-6);
    for (const a of inIt)
      for (const b of inIt) {
        if (a === b || !a.by || !b.by) continue;
        expect(mayStandTogether(a.by, b.by)).toBe(true);
        if (a.by.species.key === b.by.species.key) continue;
        expect([a.by.wish.alone, b.by.wish.alone]).toEqual([false, false]);
        expect(a.by.wish.solution).toBe(b.by.wish.solution);
        expect(a.by.wish.depth).toBe(b.by.wish.depth);
      }
  }
}

test('pails hold no more than they do, and nothing stands with what it may not', () => {
  fc.assert(
    fc.property(morningArb, fc.array(pailArb, { maxLength: 20 }), (of, sizes) => {
      const lots = of.map(({ species, stems, ...over }, i) => lot(`L${i}`, species, stems, over));
      const pails = sizes.map((p, i) => ({ ...p, name: `P${i}` }));
      expectToHold(lots, pails, intoPails(lots, pails));
    }),
    { numRuns: 60 },
  );
});

test('a solver’s packing breaks nothing, and needs no more pails than first fit', async () => {
  const solve = await loadSolver();
  fc.assert(
    fc.property(
      fc.array(morningArb, { minLength: 1, maxLength: 1 }),
      fc.array(pailArb, { minLength: 3, maxLength: 8 }),
      ([of = []], sizes) => {
        const lots = of
          .slice(0, 6)
          .map(({ species, stems, ...over }, i) => lot(`L${i}`, species, stems, over));
        const pails = sizes.map((p, i) => ({ ...p, name: `P${i}` }));
        const [exact, quick] = [intoPails(lots, pails, solve), intoPails(lots, pails)];
        expectToHold(lots, pails, exact);
        const left = (p: typeof exact): number => p.without.reduce((n, s) => n + s.stems, 0);
        const used = (p: typeof exact): number => new Set(p.shares.map((s) => s.pail)).size;
        expect(left(exact)).toBeLessThanOrEqual(left(quick));
        if (left(exact) === left(quick)) expect(used(exact)).toBeLessThanOrEqual(used(quick));
      },
    ),
    { numRuns: 12 },
  );
}, 60_000);
