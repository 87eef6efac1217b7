import { SHIPPED_SPECIES } from './registry';
import { composeCard } from '../care/compose-card';
import { arrivalHazards } from '../dock/hazards';
import { ownSpeciesSchema } from '../door/species-schema';
import { composeProtocol } from '../protocol/compose';
import { DEFAULT_WAYS, type Purpose } from '../protocol/ways';
import { waterServesHours } from '../protocol/ordinary';
import * as v from 'valibot';
import { idealArrivalStage, SPECIES, type Species } from './species';
import { hasTrait, isTropical, traitsToldBy } from './traits';
import { inEnglish } from '../words/say';

const ownOf = (like: string): Species => ({
  ...SHIPPED_SPECIES.byKey(like),
  key: 'own-abcd1234-of-our-own',
  name: 'Of our own',
  botanical: 'Nova species',
});
const kindsOf = (species: Species, purpose: Purpose = 'usual', droop: 'firm' | 'hanging' = 'firm') =>
  composeProtocol(
    { species, stage: idealArrivalStage(species), droop, packing: '', hoursDry: 0 },
    { ...DEFAULT_WAYS, purpose },
  ).map(({ kind, params, title }) => ({ kind, params, title }));

test('whatever it is begun as, a species of a shop’s own is treated as that one is, in every purpose', () => {
  for (const species of SPECIES)
    for (const purpose of ['usual', 'hold', 'force', 'sell soon', 'dry'] as const)
      for (const droop of ['firm', 'hanging'] as const)
        expect(kindsOf(ownOf(species.key), purpose, droop)).toEqual(kindsOf(species, purpose, droop));
});

test('a lily of a shop’s own loses its anthers, is bagged to open, keeps its water short and warns of cats', () => {
  const lily = ownOf('lily-oriental');
  expect(kindsOf(lily).map((s) => s.kind)).toContain('de-pollen');
  expect(kindsOf(lily, 'force')).toContainEqual(
    expect.objectContaining({ params: { kind: 'wrap', in: 'a loose bag' } }),
  );
  expect(waterServesHours(lily, 'flower-food', DEFAULT_WAYS.limits)).toBeLessThanOrEqual(72);
  expect(arrivalHazards(lily, null).map(inEnglish).join()).toMatch(/cats/i);
  const card = composeCard({
    vessel: { kind: 'vase', litres: 1 },
    species: [lily],
    solution: 'flower-food',
    changeEveryDays: 3,
    from: { date: '2026-11-24', hour: 7 },
    goesTo: 'home',
    promisedDays: 5,
    firstToFade: lily,
    daysTo: { firstFade: 3, stillAGift: 5, lastStand: 8 },
  });
  expect(card.lines.map((l) => l.key)).toContain('anthers');
  expect(card.cautions.map(inEnglish).join()).toContain('of our own can kill a cat');
});

test('grass that is called after the lily is none: no pollen, no cat, its water serves as long as any', () => {
  const grass = SHIPPED_SPECIES.byKey('lily-grass');
  expect(hasTrait(grass, 'lily')).toBe(false);
  expect(kindsOf(grass).map((s) => s.kind)).not.toContain('de-pollen');
});

test('tropical are those that cold of a cold room injures, by the handbook', () => {
  expect(SPECIES.filter(isTropical).map((s) => s.key)).toEqual([
    'amaryllis',
    'bird-of-paradise',
    'anthurium',
    'cymbidium',
    'dendrobium',
    'euphorbia',
  ]);
});

test('a file from before there were traits is read: what its columns tell is taken, a rose is a rose', () => {
  // As a file says it: what is not there is not said.
  const older: unknown = JSON.parse(
    JSON.stringify({ ...ownOf('rose'), traits: undefined, waterMostH: undefined }),
  );
  const read = v.parse(ownSpeciesSchema, older);
  expect(read.traits).toEqual(['a rose', 'guard petals']);
  expect(read.waterMostH).toBeNull();
  expect(v.parse(ownSpeciesSchema, ownOf('tulip'))).toEqual(ownOf('tulip'));
  expect(v.safeParse(ownSpeciesSchema, { ...ownOf('tulip'), traits: ['flies'] }).success).toBe(false);
});

test('what is deadly to cats is a lily, in the table as in what is told by columns', () => {
  for (const s of SPECIES) expect([s.key, hasTrait(s, 'lily')]).toEqual([s.key, s.pets === 'deadly to cats']);
  for (const s of SPECIES) for (const trait of traitsToldBy(s)) expect(s.traits).toContain(trait);
});
