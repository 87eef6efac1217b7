import { SHIPPED_SPECIES } from '../species/registry';
import { readDeliveryNote } from '../note/read-note';
import { MADE_UP_SUPPLIERS } from './suppliers';
import { openBox, vanOn } from './van';

const DAYS = Array.from({ length: 200 }, (_, i) =>
  new Date(Date.UTC(2026, 9, 1 + i)).toISOString().slice(0, 10),
);

test('the same morning brings the same van, and every supplier comes', () => {
  expect(vanOn('2026-11-24', 7)).toEqual(vanOn('2026-11-24', 7));
  expect(vanOn('2026-11-24', 7)).not.toEqual(vanOn('2026-11-24', 8));
  expect(new Set(DAYS.map((d) => vanOn(d, 7).supplier)).size).toBe(MADE_UP_SUPPLIERS.length);
  expect(new Set(DAYS.map((d) => vanOn(d, 7).deliveryRef)).size).toBe(DAYS.length);
});

test('faults are as often there as the supplier has them, and never impossible ones', () => {
  const vans = DAYS.map((d) => vanOn(d, 7));
  for (const supplier of MADE_UP_SUPPLIERS) {
    const theirs = vans.filter((v) => v.supplier === supplier.name);
    const lines = theirs.flatMap((v) => v.lines);
    const warm = theirs.filter((v) => v.stoodWarm).length / theirs.length;
    expect(Math.abs(warm - supplier.hidden.warmVan)).toBeLessThan(0.2);
    const short = lines.filter((l) => l.inBox.stems < l.bunches * l.stemsPerBunch).length / lines.length;
    expect(Math.abs(short - supplier.hidden.short)).toBeLessThan(0.1);
    for (const { speciesKey, product, inBox } of lines) {
      expect(inBox.stems).toBeGreaterThan(0);
      const chills = inBox.flaws.some((f) => f.kind === 'chilled');
      expect(!chills || (SHIPPED_SPECIES.byKey(speciesKey).chillBelowC ?? 0) > 4).toBe(true);
      expect(readDeliveryNote(`product,bunches\n"${product}",1`).lines[1]?.speciesKey).toBe(speciesKey);
    }
  }
});

test('a sample of a box finds on the whole what is in it, and never more than it', () => {
  const [line] = vanOn('2026-11-24', 7).lines;
  if (!line) throw new Error('an empty van');
  const mouldy = {
    ...line,
    inBox: { ...line.inBox, stems: 100, flaws: [{ kind: 'grey-mould' as const, share: 0.2 }] },
  };
  const seen = (sample: number, seed: number): number => openBox(mouldy, sample, seed).counted[0]?.seen ?? 0;
  const mean = Array.from({ length: 400 }, (_, i) => seen(20, i)).reduce((a, b) => a + b, 0) / 400;
  expect(mean).toBeGreaterThan(3.6);
  expect(mean).toBeLessThan(4.4);
  expect(seen(100, 1)).toBe(20);
  expect(seen(5000, 1)).toBe(20);
});
