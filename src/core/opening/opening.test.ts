import fc from 'fast-check';
import * as v from 'valibot';
import { needsLacking, openingSchema, pailsToMake, roomsToMake, slugFor } from './opening';

const GOOD = {
  name: 'The Tidal Vase, Skerrow',
  timeZone: 'Europe/Oslo',
  units: 'metric',
  language: 'en',
  manager: { name: 'Maren', login: 'Maren', password: 'a wet slate step' },
  hands: [{ name: 'Odd', pin: '1357' }],
  rooms: ['cold', 'floor'],
  pails: [{ count: 12, litres: 12, heightCm: 36, areClean: true }],
};
const faultsOf = (input: unknown): string[] => {
  const read = v.safeParse(openingSchema, input);
  return read.success ? [] : read.issues.map((i) => `${v.getDotPath(i) ?? ''}: ${i.message}`);
};

test('a shop that says who and what is there is opened; a sign-in name is in small letters', () => {
  expect(v.parse(openingSchema, GOOD).manager.login).toBe('maren');
  expect(faultsOf({ ...GOOD, hands: [], rooms: [], pails: [] })).toEqual([]);
});

test.each([
  ['no name', { name: '  ' }, 'name'],
  ['clocks of nowhere', { timeZone: 'Sea/Skerrow' }, 'timeZone'],
  ['shells for money', { currency: 'SHELLS' }, 'currency'],
  ['a supplier without a name', { suppliers: [{ name: ' ', claimHours: 24 }] }, 'suppliers.0.name'],
  ['no time for a claim', { suppliers: [{ name: 'Salt Hill', claimHours: 0 }] }, 'suppliers.0.claimHours'],
  [
    'one supplier twice',
    { suppliers: ['Salt Hill', 'salt hill'].map((name) => ({ name, claimHours: 24 })) },
    'suppliers',
  ],
  ['a cold room as a thing', { has: ['cold room'] }, 'has.0'],
  ['a short password', { manager: { ...GOOD.manager, password: 'short' } }, 'manager.password'],
  ['a PIN of three', { hands: [{ name: 'Odd', pin: '135' }] }, 'hands.0.pin'],
  ['two of one name', { hands: [{ name: ' maren', pin: '1357' }] }, 'hands'],
  ['a cellar', { rooms: ['cellar'] }, 'rooms.0'],
  ['half a pail', { pails: [{ ...GOOD.pails[0], count: 1.5 }] }, 'pails.0.count'],
  ['too many pails', { pails: [1, 2, 3].map(() => ({ ...GOOD.pails[0], count: 200 })) }, 'pails'],
  ['what nobody asked', { role: 'owner' }, 'role'],
])('%s is refused at its field', (_, wrong, field) => {
  const faults = faultsOf({ ...GOOD, ...wrong });
  expect(faults).toHaveLength(1);
  expect(faults[0]?.startsWith(`${field}: `)).toBe(true);
});

test('what a shop lacks it says by what it has and by its rooms; who says nothing has what is asked for', () => {
  const whole = v.parse(openingSchema, { ...GOOD, rooms: ['cold', 'warm'] });
  expect(needsLacking(whole)).toEqual([]);
  expect(needsLacking({ ...whole, rooms: ['floor'] })).toEqual(['cold room', 'tropical shelf']);
  expect(needsLacking({ has: ['kettle'], rooms: ['cold', 'warm'] })).toEqual([
    'thermometer',
    'secateurs',
    'hydrating dip',
    'grid',
  ]);
});

test('pails are numbered through all their sorts; a bench there is always, each room once', () => {
  const made = pailsToMake([
    { count: 2, litres: 12, heightCm: 36, areClean: true },
    { count: 1, litres: 7, heightCm: 24, areClean: false },
  ]);
  expect(made.map((p) => [p.name, p.sizeL, p.isClean])).toEqual([
    ['1', 12, true],
    ['2', 12, true],
    ['3', 7, false],
  ]);
  expect(roomsToMake(['floor', 'floor']).map((r) => r.kind)).toEqual(['bench', 'floor']);
});

test('an address is in plain letters, fits the database and is nobody else’s', () => {
  expect(slugFor('Blomster på Kaia, Ærøy', [])).toBe('blomster-pa-kaia-aeroy');
  expect(slugFor('花', ['shop'])).toBe('shop-2');
  fc.assert(
    fc.property(fc.string({ maxLength: 80 }), fc.array(fc.string()), (name, others) => {
      const first = slugFor(name, others);
      const second = slugFor(name, [...others, first]);
      for (const slug of [first, second]) expect(slug).toMatch(/^[a-z0-9-]{2,40}$/);
      expect([...others, first]).not.toContain(second);
    }),
  );
});
