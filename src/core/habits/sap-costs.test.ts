import { arrangementOf } from '../../../tests/support/bench-inputs';
import type { ArrangementInput, ArrangementLine } from '../arrangement/types';
import { MODEL } from '../model/constants';
import { SHIPPED_SPECIES } from '../species/registry';
import { sapLeft } from '../vase-life/shared-water';
import { sapCosts } from './sap-costs';

const [FIRST] = arrangementOf(120).lines;
const line = (species: string, over: Partial<ArrangementLine> = {}): ArrangementLine => ({
  ...(FIRST as ArrangementLine),
  species,
  stems: 10,
  ...over,
});
const vase = (...lines: ArrangementLine[]): ArrangementInput => ({ ...arrangementOf(120), lines });
const cost = (input: ArrangementInput, species: string): number =>
  sapCosts(input).find((c) => input.lines[c.line]?.species === species)?.days ?? 0;

test('daffodils straight from the bunch cost tulips a day or two, others about half of that', () => {
  const tulips = cost(vase(line('daffodil'), line('tulip')), 'tulip');
  const roses = cost(vase(line('daffodil'), line('rose')), 'rose');
  expect(tulips).toBeGreaterThan(0.7);
  expect(tulips).toBeLessThan(2.5);
  expect(roses).toBeGreaterThan(0);
  expect(roses).toBeLessThan(tulips);
});

test('soaked overnight they cost nothing; four hours leave little of it', () => {
  expect(sapCosts(vase(line('daffodil', { aloneHours: 12 }), line('tulip')))).toEqual([]);
  const raw = cost(vase(line('daffodil'), line('tulip')), 'tulip');
  const soaked = cost(vase(line('daffodil', { aloneHours: 4 }), line('tulip')), 'tulip');
  expect(soaked).toBeLessThan(raw / 3);
});

test('milk costs until it is sealed, however long it stood alone', () => {
  const bleeding = vase(line('euphorbia', { aloneHours: 24 }), line('rose'));
  expect(cost(bleeding, 'rose')).toBeGreaterThan(0);
  expect(sapCosts(vase(line('euphorbia', { sapSealed: true }), line('rose')))).toEqual([]);
});

test('alone, or where nothing bleeds, there is nobody to cost anything', () => {
  expect(sapCosts(vase(line('daffodil')))).toEqual([]);
  expect(sapCosts(vase(line('rose'), line('tulip')))).toEqual([]);
});

test('who suffers most stands first', () => {
  const costs = sapCosts(vase(line('daffodil'), line('rose'), line('tulip')));
  expect(costs.map((c) => c.days)).toEqual(costs.map((c) => c.days).sort((a, b) => b - a));
});

test('what is left of its sap: a tenth after four hours alone, none after a night', () => {
  const constants = MODEL;
  const daffodil = { species: SHIPPED_SPECIES.byKey('daffodil'), stems: 10 };
  expect(sapLeft(daffodil, constants)).toBe(1);
  expect(sapLeft({ ...daffodil, aloneHours: 4 }, constants)).toBeCloseTo(0.1, 6);
  expect(sapLeft({ ...daffodil, aloneHours: 10 }, constants)).toBe(0);
  expect(sapLeft({ ...daffodil, sapSealed: true }, constants)).toBe(0);
  expect(sapLeft({ species: SHIPPED_SPECIES.byKey('rose'), stems: 10 }, constants)).toBe(0);
});
