import { SHIPPED_SPECIES } from '@/core/species/registry';
import type { RoomRow } from '@/data/rooms';
import type { StockLot } from '@/server/stock';
import { shelvesOf } from '@/features/rooms/shelves';

const AT = new Date('2026-11-24T06:50:00Z');
const room = (id: string, kind: RoomRow['kind'], tempC: number): RoomRow => ({
  ...{ id, name: id, kind, tempC, humidityPct: 80, litHours: 2 },
});
const ROOMS = [room('cold', 'cold', 4), room('bench', 'bench', 20), room('attic', 'warm', 24)];

/** A lot of which a shelf asks little more than where it stands and how long it has. */
function standing(speciesKey: string, roomId: string, p50: number, decision: string | null = null): StockLot {
  const lot = {
    ...{
      id: `${speciesKey}-${p50}`,
      lotId: 'l',
      number: 1,
      no: 1,
      portions: 1,
      speciesKey,
      roomId,
      decision,
    },
    ...{ stemsLeft: 10, cutDate: '2026-11-22', arrivedAt: new Date('2026-11-23T06:50:00Z'), lookedAt: null },
    ...{ droop: 'firm', droopCame: 'firm', outcome: null, outcomeAt: null, forDay: null, inHandBy: null },
  };
  return {
    ...{
      lot,
      steps: [],
      isReady: true,
      isForLater: false,
      arrival: { agedDays: 1, stage: 0.3, droop: 'firm' },
    },
    forecast: { daysLeft: { p10: p50 - 1, p50, p90: p50 + 1 }, presentableShareByDay: [1, 0.5, 0] },
  } as unknown as StockLot;
}
const shelves = (
  stock: readonly StockLot[],
  overrides: Parameters<typeof shelvesOf>[2]['overrides'] = null,
) => shelvesOf(ROOMS, stock, { reader: { language: 'en', species: SHIPPED_SPECIES }, overrides, at: AT });

test('each room has what stands in it: what is to be used first, then what fades first', () => {
  const [cold, bench, attic] = shelves([
    standing('rose', 'cold', 6),
    standing('tulip', 'cold', 3),
    standing('rose', 'cold', 9, 'use first'),
    standing('rose', 'bench', 5),
    // What stands nowhere is on no shelf.
    standing('rose', '', 1),
  ]);
  expect(cold?.lots.map((l) => l.daysLeft.p50)).toEqual([9, 3, 6]);
  expect(bench?.lots.length).toBe(1);
  expect([attic?.lots, attic?.fastest]).toEqual([[], null]);
});

test('a day at 20 °C takes a day; what ages fastest is named, and what is too cold for it told', () => {
  const anthurium = SHIPPED_SPECIES.byKey('anthurium');
  expect(anthurium.chillBelowC).toBeGreaterThan(4);
  const [cold, bench] = shelves([
    standing('anthurium', 'cold', 8),
    standing('rose', 'cold', 6),
    standing('anthurium', 'bench', 8),
  ]);
  expect(bench?.lots[0]).toMatchObject({ daysADay: 1, isTooCold: false });
  expect(cold?.lots.map((l) => [l.name, l.isTooCold])).toEqual([
    ['Rose', false],
    ['Anthurium', true],
  ]);
  const speeds = cold?.lots.map((l) => l.daysADay) ?? [];
  expect(cold?.fastest?.daysADay).toBe(Math.max(...speeds));
  expect(Math.max(...speeds)).toBeLessThan(0.5);
});

test('a shop’s own figure for how warmth ages a species holds on its shelf too', () => {
  const own = { constants: {}, species: { rose: { q10: 4 } }, solutions: {} };
  const [, , attic] = shelves([standing('rose', 'attic', 5)], own);
  expect(attic?.lots[0]?.daysADay).toBeCloseTo(4 ** 0.4, 10);
});
