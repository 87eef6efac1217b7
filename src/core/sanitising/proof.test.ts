import { proofOf, type Fill, type Wash } from './proof';

const AT = (clock: string): number => Date.parse(`2026-11-24T${clock}:00Z`);
const PERIOD = { from: AT('00:00'), before: AT('00:00') + 86_400_000, now: AT('23:00') };
const dose = { product: 'bleach', ppm: 200, ml: 40.4, contactMin: 10 };
const wash = (pail: string, clock: string, to: Wash['to'], told: Wash['dose'] = dose): Wash => ({
  ...{ pailId: `id ${pail}`, pail, at: AT(clock), who: 'Tove', to, dose: to === 'contact' ? told : null },
});
const fill = (more: Partial<Fill>): Fill => ({
  ...{ pail: '7', filledAt: AT('08:00'), emptiedAt: null, solution: 'flower food', who: 'Wen' },
  ...{ isClean: true, reason: null, longestUseH: 96 },
  ...more,
});
const NONE = { washes: [], fills: [], readings: [] };

test('a pail in the solution and out again is one line: product, dose, strength, minutes, who', () => {
  const { rows } = proofOf(
    { ...NONE, washes: [wash('7', '18:00', 'contact'), wash('7', '18:12', 'sanitised')] },
    PERIOD,
  );
  expect(rows).toEqual([
    {
      ...{ at: AT('18:12'), pail: '7', what: 'sanitised', who: 'Tove', how: '40 mL bleach, 200 ppm' },
      ...{ minutes: 12, hours: null, gap: null },
    },
  ]);
});

test.each([
  ['contact too short', [wash('7', '18:00', 'contact'), wash('7', '18:09', 'sanitised')]],
  ['contact not in the record', [wash('7', '18:12', 'sanitised')]],
  ['dose not told', [wash('7', '18:00', 'contact', null), wash('7', '18:12', 'sanitised')]],
  // Another pail's contact is not this one's.
  ['contact not in the record', [wash('8', '18:00', 'contact'), wash('7', '18:12', 'sanitised')]],
] as const)('%s is a gap', (gap, washes) => {
  const { rows, gaps } = proofOf({ ...NONE, washes }, PERIOD);
  expect(rows.map((r) => r.gap)).toEqual([gap]);
  expect(gaps[gap]).toBe(1);
});

test('a contact that began before the period counts, and its line falls where it came out', () => {
  const before = { ...wash('7', '00:00', 'contact'), at: AT('00:00') - 5 * 60_000 };
  const told = { ...NONE, washes: [before, wash('7', '00:10', 'sanitised')] };
  expect(proofOf(told, PERIOD).rows[0]).toMatchObject({ minutes: 15, gap: null });
});

test('an unsanitised fill stands with its reason', () => {
  const fills = [fill({ isClean: false, reason: 'the van is here' })];
  expect(proofOf({ ...NONE, fills }, PERIOD).rows[0]).toMatchObject({
    ...{ what: 'filled', how: 'flower food; the van is here', gap: 'filled unsanitised' },
  });
});

test('water that was changed in time is a line, too late a gap, and what stands too long still is told', () => {
  const long = { filledAt: AT('08:00') - 5 * 86_400_000 };
  const fills = [
    fill({ pail: '1', filledAt: AT('08:00') - 86_400_000, emptiedAt: AT('09:00') }),
    fill({ pail: '2', ...long, emptiedAt: AT('09:00') }),
    fill({ pail: '3', ...long }),
    fill({ pail: '4', filledAt: AT('08:00') - 86_400_000 }),
  ];
  const { rows, gaps } = proofOf({ ...NONE, fills }, PERIOD);
  expect(rows.map((r) => [r.pail, r.what, r.hours, r.gap])).toEqual([
    ['1', 'changed', 25, null],
    ['2', 'changed', 121, 'water stood too long'],
    ['3', 'not changed', 135, 'water stood too long'],
  ]);
  expect(gaps['water stood too long']).toBe(2);
});
