import { SHIPPED_SPECIES } from '@/core/species/registry';
import { CONSTANT_KEYS } from '@/core/model/constants';
import { SPECIES } from '@/core/species/species';
import { say } from '@/core/words/say';
import type { OwnFigure } from '@/data/figures';
import { constantRows, figureName, solutionRows, speciesRows } from '@/features/desk/figure-rows';

const own: OwnFigure = {
  kind: 'species',
  subject: 'rose',
  figure: 'lifeDays20C',
  value: 12,
  reason: 'windowsill',
  setAt: new Date('2026-11-24T06:50:00Z'),
  setByName: 'Ilse',
};

test('every figure a forecast rests on has a row with its unit and basis', () => {
  expect(constantRows([]).map((r) => r.figure)).toEqual(CONSTANT_KEYS);
  expect(solutionRows([])).toHaveLength(40);
  for (const species of SPECIES) {
    const rows = speciesRows(species, []);
    expect(rows).toHaveLength(10);
    expect(rows.every((r) => r.basis === 'trade' || r.basis === 'practice')).toBe(true);
  }
  expect([...constantRows([]), ...solutionRows([])].every((r) => r.unit !== '' && r.own === null)).toBe(true);
});

test('the shop’s own stands beside ours, at its own figure alone', () => {
  const rows = speciesRows(SHIPPED_SPECIES.byKey('rose'), [own]);
  expect(rows.find((r) => r.figure === 'lifeDays20C')).toMatchObject({
    shipped: 11,
    own: { value: 12, reason: 'windowsill', by: 'Ilse' },
  });
  expect(rows.filter((r) => r.own !== null)).toHaveLength(1);
  expect(speciesRows(SHIPPED_SPECIES.byKey('tulip'), [own]).every((r) => r.own === null)).toBe(true);
});

test.each([
  [
    { kind: 'species', subject: 'rose', figure: 'q10' },
    'Rose: ageing per ten degrees Celsius',
    'Rosa: envejecimiento por cada diez grados Celsius',
  ],
  [{ kind: 'solution', subject: 'bleach', figure: 'harm' }, 'Drop of bleach: harm', 'Gota de lejía: daño'],
] as const)('%j has its name in its reader’s language', (figure, english, spanish) => {
  const name = figureName(figure, SHIPPED_SPECIES) ?? '';
  expect([say(name, 'en'), say(name, 'es')]).toEqual([english, spanish]);
});

test('a constant of the model is called what it does', () => {
  const name = figureName({ kind: 'constant', subject: '', figure: 'thirstGain' }, SHIPPED_SPECIES);
  expect(name).toContain('extra ageing at that width');
});

test('who reads US units has days at 68 °F and the cold a species bears as a measure', () => {
  const rows = speciesRows(SHIPPED_SPECIES.byKey('rose'), []);
  const unitOf = (figure: string) => say(rows.find((r) => r.figure === figure)?.unit ?? '', 'en-US');
  expect(unitOf('lifeDays20C')).toBe('days at 68 °F');
  expect(unitOf('dryHours')).toBe('h at 68 °F');
  expect(rows.filter((r) => r.measure !== null).map((r) => [r.figure, r.measure])).toEqual([
    ['chillBelowC', 'tempC'],
  ]);
});

test.each([
  { kind: 'species', subject: 'rosa', figure: 'q10' },
  { kind: 'species', subject: 'rose', figure: 'constructor' },
  { kind: 'constant', subject: 'rose', figure: 'thirstGain' },
  { kind: 'constant', subject: '', figure: 'toString' },
  { kind: 'solution', subject: '__proto__', figure: 'harm' },
] as const)('%j is no figure', (figure) => {
  expect(figureName(figure, SHIPPED_SPECIES)).toBeNull();
});
